/** The fields of a part, by its kind. A new kind of part is a file here and a line below. */
import type { ComponentType } from "react";
import { BaseFields } from "./BaseFields";
import { GridFields, TilesFields } from "./CellFields";
import { DateFields } from "./DateFields";
import { EdgingFields } from "./EdgingFields";
import { MitredFields, PaperedFields, StitchingFields, TornFields } from "./FoundationFields";
import { JointFields } from "./JointFields";
import type { Part, PartProps } from "./kinds";
import { PanelFields } from "./PanelFields";
import { PhotoFields } from "./PhotoFields";
import { AxisFields, CardFields, CutoutFields, PocketFields, RoundsFields, TapeFields } from "./ShapeFields";
import { BandFields, PiecedFields } from "./StripFields";
import { ClusterFields, ScatterFields, StampedFields, ThingFields } from "./ThingFields";
import { TitleFields } from "./TitleFields";
import { WetFields } from "./WetFields";
import { WordStripsFields } from "./WordStripsFields";
import { WordsFields } from "./WordsFields";

const FIELDS: { [Kind in Part["kind"]]: ComponentType<PartProps<Extract<Part, { kind: Kind }>>> } = {
  base: BaseFields,
  panel: PanelFields,
  photo: PhotoFields,
  joint: JointFields,
  papered: PaperedFields,
  mitred: MitredFields,
  torn: TornFields,
  stitching: StitchingFields,
  band: BandFields,
  edging: EdgingFields,
  pieced: PiecedFields,
  grid: GridFields,
  tiles: TilesFields,
  cutout: CutoutFields,
  pocket: PocketFields,
  rounds: RoundsFields,
  card: CardFields,
  tape: TapeFields,
  thing: ThingFields,
  cluster: ClusterFields,
  scatter: ScatterFields,
  stamped: StampedFields,
  wet: WetFields,
  title: TitleFields,
  words: WordsFields,
  wordstrips: WordStripsFields,
  date: DateFields,
  axis: AxisFields,
};

export function PartFields({ part, pages, onChange }: PartProps<Part>) {
  const Fields = FIELDS[part.kind] as ComponentType<PartProps<Part>>;
  return <Fields part={part} pages={pages} onChange={onChange} />;
}
