import Button from "@mui/material/Button";
import { useState } from "react";
import type { BedFigures } from "../api/client";
import { Row } from "../kit/Row";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { Pick } from "../theme/controls/Pick";
import type { AddProps } from "./AddLayer";
import { AddLayerBox } from "./section.styles";

/** Where the new layer goes, and what it is made of. */
export function NewLayer({ gardenId, figures, chosen, onOpen, onAdd }: AddProps) {
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
