import Alert from "@mui/material/Alert";
import type { ReactNode } from "react";

/** What went wrong, where it did. */
export function Problem({ children, action }: { children: ReactNode; action?: ReactNode }) {
  return (
    <Alert severity="error" role="alert" action={action}>
      {children}
    </Alert>
  );
}
