/** Which face letters look like: one that ships, one of the household's own, or a font file that is taken in now. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { addFace, type FaceName, facesQuery } from "../api/words";
import { useFrame } from "../app/FrameContext";
import { Choice } from "../ui/Choice";
import { FileInput } from "../ui/FileInput";

interface Props {
  label: string;
  value: FaceName;
  onChange: (face: FaceName) => void;
}

const ANOTHER = "another";

export function FaceChoice({ label, value, onChange }: Props) {
  const { data: faces = [] } = useQuery(facesQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const file = useRef<HTMLInputElement>(null);

  async function takeIn(chosen: File): Promise<void> {
    try {
      const face = await addFace(chosen);
      await queries.invalidateQueries({ queryKey: facesQuery.queryKey });
      onChange(face.face);
      say(`${face.name} is among the faces`);
    } catch (error) {
      say(`${chosen.name}: ${(error as Error).message}`);
    }
  }

  return (
    <>
      <Choice
        label={label}
        value={value}
        options={[
          ...faces.map((one) => [one.face, one.name] as const),
          ...(faces.length && !faces.some((one) => one.face === value)
            ? [[value, "a face that is gone"] as const]
            : []),
          [ANOTHER, "a font file of my own …"],
        ]}
        onChange={(face) => (face === ANOTHER ? file.current?.click() : onChange(face))}
      />
      <FileInput
        label={`${label}: font file`}
        accept=".ttf,.otf,.woff,.woff2"
        inputRef={file}
        onFiles={([chosen]) => chosen && void takeIn(chosen)}
      />
    </>
  );
}
