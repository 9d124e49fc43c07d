import FormHelperText from "@mui/material/FormHelperText";
import InputBase from "@mui/material/InputBase";
import { memo, useState } from "react";
import { THUMB } from "../theme/components/parts";

type Props = {
  label: string;
  name: string;
  onName: (name: string) => void;
  most?: number;
  autoFocus?: boolean;
};

/** A name that is changed where it stands, in the type of its heading. */
export const NameField = memo(function NameField({ label, name, onName, most = 80, autoFocus }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const long = typed?.trim().length ?? 0;
  const tooLong = long > most;
  const commit = () => {
    const wanted = typed?.trim();
    if (tooLong) return;
    if (wanted && wanted !== name) onName(wanted);
    setTyped(null);
  };
  const shown = typed ?? name;
  return (
    <>
      <InputBase
        value={shown}
        autoFocus={autoFocus}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === "Enter" && (event.target as HTMLElement).blur()}
        title={shown}
        inputProps={{
          "aria-label": label,
          "aria-invalid": tooLong || undefined,
          size: Math.max(shown.length, 4),
        }}
        sx={{
          maxWidth: "100%",
          font: "inherit",
          color: "inherit",
          fontStretch: "inherit",
          lineHeight: "inherit",
          "& input": {
            height: "auto",
            minHeight: 32,
            [THUMB]: { minHeight: 44 },
            padding: "0 2px",
            border: "1px solid transparent",
            borderRadius: 1,
            fontStretch: "inherit",
            fieldSizing: "content",
            maxWidth: "100%",
            textOverflow: "ellipsis",
          },
          "&:hover input": { borderColor: "line" },
        }}
      />
      {tooLong && (
        <FormHelperText component="span" error role="alert" sx={{ display: "block", position: "static" }}>
          A name has up to {most} letters; this has {long} and isn&apos;t kept yet.
        </FormHelperText>
      )}
    </>
  );
});
