/** Whether a paper lies as it is or a quarter turned. */
import type { Schemas } from "../api/client";
import { Choice } from "../ui/Choice";

type PaperChoice = Schemas["PaperChoice"];

export function TurnedChoice({
  choice,
  onChange,
}: {
  choice: PaperChoice;
  onChange: (what: string, choice: PaperChoice) => void;
}) {
  return (
    <Choice
      label="How the paper lies"
      value={choice.turned ? "turned" : "as it is"}
      options={[
        ["as it is", "as it is"],
        ["turned", "a quarter turned"],
      ]}
      onChange={(way) => onChange("turned a paper", { ...choice, turned: way === "turned" })}
    />
  );
}
