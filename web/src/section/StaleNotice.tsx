import Button from "@mui/material/Button";
import { StalePair } from "./history.styles";
import type { Bed, KeptBed, Material } from "../api/client";
import { BedDrawn } from "../plot/BedDrawn";

type Props = {
  gardenId: number;
  mine: Bed;
  current: KeptBed;
  materials: ReadonlyMap<string, Material>;
  onSettle: (keep: "mine" | "theirs") => void;
};

/** Somebody (or another window) saved a newer version meanwhile: both are drawn, and nothing is lost either way. */
export function StaleNotice({ gardenId, mine, current, materials, onSettle }: Props) {
  const drawing = { gardenId, materials, width: 230, height: 110 };
  return (
    <div role="alert">
      <p>
        This bed was changed elsewhere. Yours is not saved yet; whichever you keep, undo brings the other
        back.
      </p>
      <StalePair>
        <figure>
          <BedDrawn {...drawing} bed={mine} name={`mine ${JSON.stringify(mine)}`} />
          <figcaption>Yours, {layersOf(mine)}</figcaption>
          <Button onClick={() => onSettle("mine")}>
            Keep mine
          </Button>
        </figure>
        <figure>
          <BedDrawn {...drawing} bed={current.bed} name={`${current.key} ${current.revision}`} />
          <figcaption>
            Saved{" "}
            {new Date(current.saved_at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })},{" "}
            {layersOf(current.bed)}
          </figcaption>
          <Button onClick={() => onSettle("theirs")}>
            Take the newer one
          </Button>
        </figure>
      </StalePair>
    </div>
  );
}

function layersOf(bed: Bed): string {
  return bed.layers.length === 1 ? "1 layer" : `${bed.layers.length} layers`;
}
