import Button from "@mui/material/Button";
import { memo, useState } from "react";
import type { BedFigures, Material } from "../api/client";
import { Key } from "../kit/Key";
import { Row } from "../kit/Row";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { Pick } from "../theme/controls/Pick";
import { AddHints, AddLayerBox } from "./section.styles";

type Props = {
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
export const AddLayer = memo(function AddLayer(props: Props) {
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

function NewLayer({ gardenId, figures, chosen, onOpen, onAdd }: Props) {
  const count = figures.layers.length;
  const [at, setAt] = useState(chosen === null ? count : chosen + 1);
  const places = Array.from(
    { length: count + 1 },
    (_, place) => [String(place), nameOf(figures, place)] as const,
  );
  return (
    <AddLayerBox data-part="add-layer" sx={{ display: "grid", justifyContent: "stretch" }}>
      <Pick
        label="Where it goes"
        options={places.toReversed()}
        value={String(at)}
        onChoose={(place) => setAt(Number(place))}
      />
      <MaterialFinder
        gardenId={gardenId}
        label="New layer"
        value={null}
        autoFocus
        onChoose={(material) => onAdd(material, at)}
      />
      <Row>
        <Button variant="text" onClick={() => onOpen(false)}>
          Leave it
        </Button>
      </Row>
    </AddLayerBox>
  );
}

function nameOf({ layers }: BedFigures, place: number): string {
  const below = layers[place - 1];
  if (!below) return "on the floor, under all";
  return `over ${below.name.toLowerCase()}${place === layers.length ? ", on top of all" : ""}`;
}
