import FormLabel from "@mui/material/FormLabel";
import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { SxProps } from "@mui/material/styles";

type Props<T extends string> = {
  label: string;
  options: readonly (readonly [value: T, name: string])[];
  value: T;
  onChoose: (value: T) => void;
  /** Show the label over the choice; else it is for readers alone. */
  shown?: boolean;
  sx?: SxProps;
};

/** One of a few, side by side. */
export function Choice<T extends string>({ label, options, value, onChoose, shown = false, sx }: Props<T>) {
  return (
    <Box sx={sx}>
      {shown && (
        <FormLabel component="span" sx={{ display: "block", marginBottom: 1, fontSize: 13, color: "soft" }}>
          {label}
        </FormLabel>
      )}
      <ToggleButtonGroup
        aria-label={label}
        value={value}
        onChange={(_event, chosen: T | null) => chosen !== null && onChoose(chosen)}
      >
        {options.map(([each, name]) => (
          <ToggleButton key={each} value={each}>
            {name}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}
