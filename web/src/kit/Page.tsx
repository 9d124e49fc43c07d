import Box from "@mui/material/Box";
import Skeleton from "@mui/material/Skeleton";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";

/** A sentence in place of a view. */
export function PageNote({ children }: { children: ReactNode }) {
  return (
    <Typography component="div" sx={{ padding: 10, color: "soft" }} data-part="page-note">
      {children}
    </Typography>
  );
}

/** A view while it is fetched: what it will be, in grey. */
export function PageWait({ saying }: { saying: string }) {
  return (
    <Box sx={{ padding: "14px 20px", display: "grid", gap: 3 }} role="status" aria-label={saying}>
      <Skeleton width={260} height={34} />
      <Skeleton height={40} />
      <Skeleton height={320} />
    </Box>
  );
}
