import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { Key } from "../kit/Key";

const KEYS: readonly (readonly [string, string])[] = [
  ["↑ ↓", "choose a layer"],
  ["Shift ↑ ↓", "nudge the top of the chosen layer by 1/2 in or 1 cm"],
  ["Alt ↑ ↓", "move the chosen layer"],
  ["A", "add a layer over the chosen one"],
  ["S", "split the chosen layer"],
  ["Delete", "remove the chosen layer"],
  ["← ↑ → ↓", "in Planting: nudge the chosen crop by 2 in or 5 cm"],
  ["Ctrl Z", "undo, across saves"],
  ["Ctrl Shift Z", "redo"],
  ["Enter", "take what is typed"],
  ["Esc", "leave what is typed as it was"],
  ["/", "find a bed, a view or a material"],
  ["?", "this list"],
];

/** What keys do. */
export default function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "130px 1fr", gap: "9px 12px" }}>
          {KEYS.map(([keys, what]) => (
            <Box key={keys} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ display: "flex", gap: 1 }}>
                {keys.split(" ").map((key) => (
                  <Key key={key}>{key}</Key>
                ))}
              </Box>
              <dd>{what}</dd>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
