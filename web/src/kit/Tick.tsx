import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";

type Props = { label: string; checked: boolean; onTick: (checked: boolean) => void };

/** Yes or no. */
export function Tick({ label, checked, onTick }: Props) {
  return (
    <FormControlLabel
      label={label}
      control={<Checkbox checked={checked} onChange={(_event, ticked) => onTick(ticked)} />}
    />
  );
}
