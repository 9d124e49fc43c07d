import Paper, { type PaperProps } from "@mui/material/Paper";
import type { ElementType } from "react";

/** A flat sheet with a hairline. */
export function Sheet({ sx, ...rest }: PaperProps & { component?: ElementType }) {
  return <Paper variant="outlined" sx={{ padding: "14px 16px", ...(sx as object) }} {...rest} />;
}
