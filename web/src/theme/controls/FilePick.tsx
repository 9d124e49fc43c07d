import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";

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
  return (
    <Button component="label">
      {children}
      <Hidden
        type="file"
        aria-label={label}
        accept={accept}
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = "";
          if (file) onFile(file);
        }}
      />
    </Button>
  );
}
