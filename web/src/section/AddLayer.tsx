import Button from "@mui/material/Button";
import { memo } from "react";
import type { BedFigures, Material } from "../api/client";
import { Key } from "../kit/Key";
import { NewLayer } from "./NewLayer";
import { AddHints, AddLayerBox } from "./section.styles";

export type AddProps = {
  gardenId: number;
  figures: BedFigures;
  open: boolean;
  /** The chosen layer, which a new one goes over unless said otherwise. */
  chosen: number | null;
  onOpen: (open: boolean) => void;
  /** Lay a material at a place, counted from the floor. */
  onAdd: (material: Material, at: number) => void;
  onSheetOnFloor: () => void;
};

/** The place for the next layer: over any other, on top of all, or on the floor. */
export const AddLayer = memo(function AddLayer(props: AddProps) {
  const { open, onOpen, onSheetOnFloor } = props;
  if (open) return <NewLayer {...props} />;
  return (
    <AddLayerBox data-part="add-layer">
      <Button variant="text" onClick={() => onOpen(true)}>
        Add a layer&nbsp;<Key>A</Key>
      </Button>
      <Button variant="text" onClick={onSheetOnFloor}>
        Sheet on the floor
      </Button>
      <AddHints aria-hidden="true">
        Split <Key>S</Key> Move <Key>Alt</Key> <Key>↑↓</Key>
      </AddHints>
    </AddLayerBox>
  );
});
