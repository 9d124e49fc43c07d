import TextField from "@mui/material/TextField";

type Props = { label: string; day: string | null | undefined; onDay: (day: string | null) => void };

/** A day, or none. */
export function DayField({ label, day, onDay }: Props) {
  return (
    <TextField
      label={label}
      type="date"
      value={day ?? ""}
      onChange={({ target }) => onDay(target.value || null)}
    />
  );
}
