import Box from "@mui/material/Box";
import visuallyHidden from "@mui/utils/visuallyHidden";
import type { ReactNode } from "react";

/** Words for those who hear the page. */
export function Hidden({ children }: { children: ReactNode }) {
  return (
    <Box component="span" sx={visuallyHidden}>
      {children}
    </Box>
  );
}
