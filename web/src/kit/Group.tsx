import FormControl from "@mui/material/FormControl";
import FormLabel from "@mui/material/FormLabel";
import type { SxProps } from "@mui/material/styles";
import type { ReactNode } from "react";
import { Row } from "./Row";

type Props = { label: string; children: ReactNode; sx?: SxProps };

/** Fields that belong together, under one name. */
export function Group({ label, children, sx }: Props) {
  return (
    <FormControl component="fieldset" fullWidth sx={sx}>
      <FormLabel component="legend" sx={{ marginBottom: 1, fontSize: 13, color: "soft" }}>
        {label}
      </FormLabel>
      <Row sx={{ alignItems: "flex-end" }}>{children}</Row>
    </FormControl>
  );
}
