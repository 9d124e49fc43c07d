import Typography from "@mui/material/Typography";
import IconButton from "@mui/material/IconButton";
import Button from "@mui/material/Button";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { PlotPanel, PlotSpots } from "./plot-sheet.styles";
import type { Plot, PlotFigures } from "../api/client";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import type { Placing } from "./placing";

type Props = {
  plot: Plot;
  figures: PlotFigures | null;
  onEdit: (change: (plot: Plot) => Plot) => void;
  onPlacing: (placing: Placing) => void;
};

/** Heights of the ground, and what bringing it level takes. */
export function Levels({ plot, figures, onEdit, onPlacing }: Props) {
  const { units } = useShowing();
  const spots = plot.spots ?? [];
  const levels = figures?.levels;
  const change = (index: number, height_m: number) =>
    onEdit((now) => ({
      ...now,
      spots: (now.spots ?? []).map((each, at) => (at === index ? { ...each, height_m } : each)),
    }));
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="levels-title">
      <Typography variant="panelTitle" id="levels-title">
        Levels of the ground
      </Typography>
      {levels ? (
        <Lines>
          <FactLine name="Brought to">
            <MeasureField
              label="Brought to"
              hideLabel
              limit="level"
              width="96px"
              shown={typedLength(levels.level_m, units)}
              onMeaning={({ values: [level_m] }) => onEdit((now) => ({ ...now, level_m }))}
            />
          </FactLine>
          <FactLine name="Dig off">
            <Quantity kind="bulk" value={levels.cut_m3} />
          </FactLine>
          <FactLine name="Fill up">
            <Quantity kind="bulk" value={levels.fill_m3} />
          </FactLine>
          <FactLine name="Between the spots, over">
            <Quantity kind="area" value={levels.area_m2} />
          </FactLine>
        </Lines>
      ) : (
        <Note>
          Three heights or more give contours, cut and fill, and what to pack under a bed&apos;s corners.
          Measure them over any one level, a string line for instance.
        </Note>
      )}
      <Row>
        <Button
          onClick={() =>
            onPlacing({
              say: "Click where the height was taken.",
              put: (at) => {
                onEdit((now) => ({ ...now, spots: [...(now.spots ?? []), { at_m: at, height_m: 0 }] }));
                onPlacing(null);
              },
            })
          }
        >
          + Height at a spot
        </Button>
        {plot.level_m != null && (
          <Button onClick={() => onEdit((now) => ({ ...now, level_m: null }))}>
            Level where cut is fill
          </Button>
        )}
      </Row>
      {spots.length > 0 && (
        <PlotSpots>
          {spots.map((spot, index) => (
            <li key={index}>
              <span>
                {typedLength(spot.at_m[0] ?? 0, units)}, {typedLength(spot.at_m[1] ?? 0, units)}
              </span>
              <MeasureField
                label={`Height at spot ${index + 1}`}
                hideLabel
                limit="level"
                width="90px"
                shown={typedLength(spot.height_m, units)}
                onMeaning={({ values: [height_m = 0] }) => change(index, height_m)}
              />
              <IconButton
                aria-label={`Remove spot ${index + 1}`}
                onClick={() =>
                  onEdit((now) => ({ ...now, spots: (now.spots ?? []).filter((_, at) => at !== index) }))
                }
              >
                ×
              </IconButton>
            </li>
          ))}
        </PlotSpots>
      )}
    </PlotPanel>
  );
}
