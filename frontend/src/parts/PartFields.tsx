/** The fields of a part, by its kind. A new kind of part is a file here and a line below. */
import { BaseFields } from "./BaseFields";
import { JointFields } from "./JointFields";
import type { Part, PartProps } from "./kinds";
import { PanelFields } from "./PanelFields";
import { PhotoFields } from "./PhotoFields";

export function PartFields({ part, pages, onChange }: PartProps<Part>) {
  switch (part.kind) {
    case "base":
      return <BaseFields part={part} pages={pages} onChange={onChange} />;
    case "panel":
      return <PanelFields part={part} pages={pages} onChange={onChange} />;
    case "photo":
      return <PhotoFields part={part} pages={pages} onChange={onChange} />;
    case "joint":
      return <JointFields part={part} pages={pages} onChange={onChange} />;
  }
}
