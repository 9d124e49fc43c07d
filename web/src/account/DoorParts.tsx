import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";

/** The big word at the door. */
export function DoorTitle({ children }: { children: ReactNode }) {
  return (
    <Typography
      component="h1"
      sx={{ fontSize: "var(--text-door)", fontWeight: 760, fontStretch: "118%", lineHeight: 1.1 }}
    >
      {children}
    </Typography>
  );
}

type Props = { value: string; onValue: (value: string) => void };

/** Who wants in. */
export function NameAtDoor({ value, onValue }: Props) {
  return (
    <TextField
      label="Name"
      value={value}
      autoComplete="username"
      required
      onChange={(event) => onValue(event.currentTarget.value)}
      slotProps={{ htmlInput: { autoCapitalize: "off" } }}
    />
  );
}
