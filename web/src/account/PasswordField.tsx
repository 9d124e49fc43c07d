import TextField from "@mui/material/TextField";
import { useId } from "react";
import { Note } from "../kit/Note";

type Props = { label: string; value: string; onValue: (value: string) => void };

/** A password that is typed again, by who is signed in. */
export function PasswordField({ label, value, onValue }: Props) {
  return (
    <TextField
      label={label}
      type="password"
      autoComplete="current-password"
      required
      value={value}
      onChange={(event) => onValue(event.currentTarget.value)}
    />
  );
}

/** A password that is thought up. */
export function NewPasswordField({ label, value, onValue }: Props) {
  const rule = useId();
  return (
    <>
      <TextField
        label={label}
        type="password"
        autoComplete="new-password"
        required
        value={value}
        onChange={(event) => onValue(event.currentTarget.value)}
        slotProps={{ htmlInput: { "aria-describedby": rule } }}
      />
      <Note id={rule}>At least 12 characters: a few words of your own are easy to remember.</Note>
    </>
  );
}
