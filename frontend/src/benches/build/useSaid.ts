/** Cautions of a step: those for blades, heat and solvents always, the others once in a sitting. */
import { useEffect, useState } from "react";
import type { BuildStep } from "../../api/building";

const said = new Map<string, string>();
/** By caution, the step at which it was said in this sitting. */

export function useSaid(step: BuildStep): BuildStep["cautions"] {
  const [shown] = useState(() =>
    step.cautions.filter((one) => one.always || !said.has(one.id) || said.get(one.id) === step.id),
  );
  useEffect(() => {
    for (const one of shown) said.set(one.id, said.get(one.id) ?? step.id);
  }, [shown, step.id]);
  return shown;
}
