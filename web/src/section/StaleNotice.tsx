import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Bed, Material } from "../api/client";
import type { Kept } from "../draft/Draft";
import { BedDrawn } from "../drawing/BedDrawn";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";

type Props = {
  gardenId: number;
  mine: Bed;
  current: Kept<Bed>;
  materials: ReadonlyMap<string, Material>;
  onSettle: (keep: "mine" | "theirs") => void;
};

/** Somebody (or another window) saved a newer version meanwhile: both are drawn, and nothing is lost either way. */
export function StaleNotice({ gardenId, mine, current, materials, onSettle }: Props) {
  const drawing = { gardenId, materials, width: 230, height: 110 };
  return (
    <Alert severity="error" role="alert" data-part="stale">
      <Typography sx={{ marginBottom: 2 }}>
        This bed was changed elsewhere. Yours is not saved yet; whichever you keep, undo brings the other
        back.
      </Typography>
      <Row sx={{ gap: 5 }}>
        <figure>
          <BedDrawn {...drawing} bed={mine} name={`mine ${JSON.stringify(mine)}`} />
          <Note component="figcaption">Yours, {layersOf(mine)}</Note>
          <Button onClick={() => onSettle("mine")}>Keep mine</Button>
        </figure>
        <figure>
          <BedDrawn
            {...drawing}
            bed={current.document}
            name={`${current.document.key} ${current.revision}`}
          />
          <Note component="figcaption">
            Saved {current.saved_at && timeOf(current.saved_at)}, {layersOf(current.document)}
          </Note>
          <Button onClick={() => onSettle("theirs")}>Take the newer one</Button>
        </figure>
      </Row>
    </Alert>
  );
}

function timeOf(moment: string): string {
  return new Date(moment).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
}

function layersOf(bed: Bed): string {
  return bed.layers.length === 1 ? "1 layer" : `${bed.layers.length} layers`;
}
