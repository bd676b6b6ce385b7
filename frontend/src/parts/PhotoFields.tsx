import type { PartProps, PhotoPart } from "./kinds";
import { MatList } from "./MatList";
import { PlaceFields } from "./PlaceFields";
import { PrintFields } from "./PrintFields";

export function PhotoFields({ part, pages, onChange }: PartProps<PhotoPart>) {
  return (
    <>
      <PrintFields
        print={part.print}
        label="Photo"
        onChange={(what, print, group) => onChange(what, { ...part, print }, group)}
      />
      <MatList mats={part.mats} onChange={(what, mats, group) => onChange(what, { ...part, mats }, group)} />
      <PlaceFields
        place={part.place}
        pages={pages}
        onChange={(what, place, group) => onChange(what, { ...part, place }, group)}
      />
    </>
  );
}
