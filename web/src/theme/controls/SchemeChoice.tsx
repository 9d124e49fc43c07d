import FormLabel from "@mui/material/FormLabel";
import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useColorScheme } from "@mui/material/styles";

const SCHEMES = ["system", "light", "dark"] as const;

/** Light, dark, or as the device has it. */
export function SchemeChoice() {
  const { mode, setMode } = useColorScheme();
  return (
    <Box>
      <FormLabel component="span" sx={{ display: "block", marginBottom: 1, fontSize: 13, color: "soft" }}>
        Colours
      </FormLabel>
      <ToggleButtonGroup
        aria-label="Colours"
        value={mode ?? "system"}
        onChange={(_event, chosen: (typeof SCHEMES)[number] | null) => chosen && setMode(chosen)}
      >
        {SCHEMES.map((scheme) => (
          <ToggleButton key={scheme} value={scheme}>
            {scheme}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}
