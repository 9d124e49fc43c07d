import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Drawer from "@mui/material/Drawer";
import Typography from "@mui/material/Typography";
import { useEffect, useId, useRef, type KeyboardEvent, type ReactNode } from "react";
import { isTyping } from "./isTyping";

type Props = { title: string; onClose: () => void; children: ReactNode };

/** A sheet that comes in from the side. What it is about stays in use beside it, so that every change is seen at once. */
export function Side({ title, onClose, children }: Props) {
  const id = useId();
  const sheet = useRef<HTMLDivElement>(null);
  useEffect(() => sheet.current?.focus(), []);
  return (
    <Drawer
      open
      variant="persistent"
      anchor="right"
      slotProps={{
        paper: {
          ref: sheet,
          tabIndex: -1,
          role: "dialog",
          "aria-labelledby": id,
          sx: { width: "min(440px, 100vw)" },
          onKeyDown: (event: KeyboardEvent) => {
            if (event.key === "Escape" && !isTyping(event.target)) onClose();
          },
        },
      }}
    >
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", padding: "14px 18px 6px" }}>
        <Typography variant="sheetTitle" id={id} sx={{ marginRight: "auto" }}>
          {title}
        </Typography>
        <Button onClick={onClose}>Close</Button>
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 4, padding: "6px 18px 24px" }}>
        {children}
      </Box>
    </Drawer>
  );
}
