import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Drawer from "@mui/material/Drawer";
import Typography from "@mui/material/Typography";
import { useId, type ReactNode } from "react";

type Props = { title: string; onClose: () => void; children: ReactNode };

/** A sheet that comes in from the side over what it is about, which stays where it is. */
export function Side({ title, onClose, children }: Props) {
  const id = useId();
  return (
    <Drawer
      open
      anchor="right"
      onClose={onClose}
      slotProps={{
        paper: { role: "dialog", "aria-labelledby": id, sx: { width: "min(470px, 100vw)" } },
      }}
    >
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", padding: "14px 18px 6px" }}>
        <Typography variant="sheetTitle" id={id} sx={{ marginRight: "auto" }}>
          {title}
        </Typography>
        <Button onClick={onClose}>Close</Button>
      </Box>
      <Box sx={{ display: "grid", gap: 4, padding: "6px 18px 24px" }}>{children}</Box>
    </Drawer>
  );
}
