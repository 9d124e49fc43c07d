import Button from "@mui/material/Button";
import { AddHints, AddLayerBox } from "./section.styles";
import type { Material } from "../api/client";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = {
  gardenId: number;
  open: boolean;
  canSplit: boolean;
  onOpen: (open: boolean) => void;
  onChoose: (material: Material) => void;
};

/** The place for the next layer: it goes on top of the chosen one, or on top of all. */
export function AddLayer({ gardenId, open, canSplit, onOpen, onChoose }: Props) {
  if (open) {
    return (
      <AddLayerBox>
        <MaterialFinder
          gardenId={gardenId}
          label={canSplit ? "New layer over the chosen one" : "New layer on top"}
          value={null}
          autoFocus
          onChoose={onChoose}
          onLeave={() => onOpen(false)}
        />
      </AddLayerBox>
    );
  }
  return (
    <AddLayerBox>
      <Button onClick={() => onOpen(true)}>
        Add a layer <kbd>A</kbd>
      </Button>
      <AddHints aria-hidden="true">
        Split <kbd>S</kbd> Move <kbd>Alt</kbd> <kbd>↑↓</kbd>
      </AddHints>
    </AddLayerBox>
  );
}
