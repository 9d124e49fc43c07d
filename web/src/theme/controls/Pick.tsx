import TextField from "@mui/material/TextField";
import type { SxProps } from "@mui/material/styles";

type Props<T extends string> = {
  label: string;
  options: readonly (readonly [value: T, name: string])[];
  value: T;
  onChoose: (value: T) => void;
  /** The label is for readers alone. */
  hideLabel?: boolean;
  disabled?: boolean;
  sx?: SxProps;
};

/** One of a list, by the device's own list: on a phone that is the one a thumb can use. */
export function Pick<T extends string>({
  label,
  options,
  value,
  onChoose,
  hideLabel,
  disabled,
  sx,
}: Props<T>) {
  return (
    <TextField
      select
      label={hideLabel ? undefined : label}
      value={value}
      disabled={disabled}
      sx={sx}
      onChange={(event) => onChoose(event.target.value as T)}
      slotProps={{
        select: { native: true, inputProps: hideLabel ? { "aria-label": label } : undefined },
      }}
    >
      {options.map(([each, name]) => (
        <option key={each} value={each}>
          {name}
        </option>
      ))}
    </TextField>
  );
}
