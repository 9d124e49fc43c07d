import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { useRef, type ReactNode } from "react";

const Hidden = styled("input")({
  position: "absolute",
  width: 1,
  height: 1,
  overflow: "hidden",
  clipPath: "inset(50%)",
});

type Props = { children: ReactNode; label: string; accept: string; onFile: (file: File) => void };

/** A button that opens the device's files. The same file can be chosen twice in a row. */
export function FilePick({ children, label, accept, onFile }: Props) {
  const files = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => files.current?.click()}>{children}</Button>
      <Hidden
        ref={files}
        type="file"
        tabIndex={-1}
        aria-label={label}
        accept={accept}
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = "";
          if (file) onFile(file);
        }}
      />
    </>
  );
}
