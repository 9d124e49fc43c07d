import Typography from "@mui/material/Typography";
import Button from "@mui/material/Button";
import { PlotUnplaced } from "./plot-sheet.styles";
import { meant } from "../api/meant";
import type { KeptGarden } from "../api/client";
import { BedMark } from "../drawing/BedMark";
import type { Chosen } from "./PlotSheet";
import { to_cm } from "./sheet";
import type { PlotWork } from "./usePlot";

type Props = { garden: KeptGarden; work: PlotWork; onPlaced: (chosen: Chosen) => void };

/** Beds that don't lie on the plot yet: put in its middle, to be dragged from there. */
export function Unplaced({ garden, work, onPlaced }: Props) {
  const { corners_m } = work.state.plot;
  const mean = (axis: 0 | 1) =>
    corners_m.reduce((sum, corner) => sum + (corner[axis] ?? 0), 0) / corners_m.length;
  const waiting = garden.beds
    .map(({ key, bed }) => ({ key, bed, left: meant("Bed", bed, "count") - work.placesOf(key).length }))
    .filter(({ left }) => left > 0);
  if (waiting.length === 0) return null;
  return (
    <PlotUnplaced aria-labelledby="unplaced-title">
      <Typography variant="panelTitle" id="unplaced-title">
        Not on the plot yet
      </Typography>
      <ul>
        {waiting.map(({ key, bed, left }) => (
          <li key={key}>
            <Button
              onClick={() => {
                const index = work.placesOf(key).length;
                work.put(key, index, { x_m: to_cm(mean(0)), y_m: to_cm(mean(1)) });
                onPlaced({ key, index });
              }}
            >
              <BedMark bed={bed} />
              Put {bed.name} on it{left > 1 && ` (${left} to go)`}
            </Button>
          </li>
        ))}
      </ul>
    </PlotUnplaced>
  );
}
