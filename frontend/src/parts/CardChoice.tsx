/** Which printed card of which sheet, and which of its sides. */
import { useShelf } from "../api/kits";
import { Choice } from "../ui/Choice";
import { SheetPlaces } from "../ui/SheetPlaces";

interface Card {
  sheet: string | null;
  card: string;
  back: boolean;
}

interface Props {
  value: Card;
  onChange: (what: string, change: Partial<Card>) => void;
  label?: string;
}

export function CardChoice({ value, onChange, label = "" }: Props) {
  const sheets = useShelf().filter(({ paper }) => paper.cards.length > 0);
  const sheet = sheets.find(({ paper }) => paper.id === value.sheet)?.paper;
  const cards = sheet?.cards ?? [];
  if (!sheets.length && !value.sheet) {
    return <>: no sheet on the shelf has cards yet; say where they lie on it at the Unpack bench.</>;
  }
  return (
    <>
      <Choice
        label={`${label}Sheet`}
        value={value.sheet ?? ""}
        options={[["", "of which sheet?"], ...sheets.map(({ paper }) => [paper.id, paper.name] as const)]}
        onChange={(id) => {
          const first = sheets.find(({ paper }) => paper.id === id)?.paper.cards[0];
          onChange("chose a sheet", { sheet: id || null, card: first?.name ?? "" });
        }}
      />
      <Choice
        label={`${label}Card`}
        value={value.card}
        options={[
          ...cards.map((card) => [card.name, card.name] as const),
          ...(cards.some((card) => card.name === value.card)
            ? []
            : [[value.card, value.card || "which?"] as const]),
        ]}
        onChange={(card) => onChange(`chose card ${card}`, { card })}
      />
      <Choice
        label={`${label}Front or back`}
        value={value.back ? "back" : "front"}
        options={[
          ["front", "its front"],
          ["back", "its back"],
        ]}
        onChange={(way) => onChange("changed the front or back", { back: way === "back" })}
      />
      {sheet && (
        <SheetPlaces
          paper={sheet}
          chosen={{ kind: "card", k: cards.findIndex((card) => card.name === value.card) }}
          onPress={({ k }) => {
            const card = cards[k]?.name;
            if (card !== undefined) onChange(`chose card ${card}`, { card });
          }}
        />
      )}
    </>
  );
}
