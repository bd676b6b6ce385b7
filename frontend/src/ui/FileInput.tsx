/** The hidden field behind a button that chooses files; opened through its ref. */
import type { RefObject } from "react";

interface Props {
  label: string;
  accept: string;
  inputRef: RefObject<HTMLInputElement | null>;
  multiple?: boolean;
  onFiles: (files: File[]) => void;
}

export function FileInput({ label, accept, inputRef, multiple, onFiles }: Props) {
  return (
    <input
      ref={inputRef}
      type="file"
      accept={accept}
      multiple={multiple}
      hidden
      aria-label={label}
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        event.target.value = "";
        if (files.length) onFiles(files);
      }}
    />
  );
}
