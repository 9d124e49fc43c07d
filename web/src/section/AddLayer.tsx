import Button from "@mui/material/Button";
import { lazy, memo, Suspense } from "react";
import type { BedFigures, Material } from "../api/client";
import { Key } from "../kit/Key";
import { AddHints, AddLayerBox } from "./section.styles";

/** Its fields come when they are first asked for, or when nothing else is to be fetched. */
const NewLayer = lazy(() => import("./NewLayer"));

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
  if (open)
    return (
      <Suspense fallback={<AddLayerBox data-part="add-layer" aria-busy="true" />}>
        <NewLayer {...props} />
      </Suspense>
    );
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
