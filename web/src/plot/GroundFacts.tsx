import Typography from "@mui/material/Typography";
import Button from "@mui/material/Button";
import { FactLine, Lines } from "../kit/Lines";
import { PlotPanel } from "./plot-sheet.styles";
import { meant } from "../api/meant";
import { useState } from "react";
import type { Plot, PlotFigures } from "../api/client";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Corners } from "../shapes/Corners";

type Props = {
  gardenId: number;
  plot: Plot;
  figures: PlotFigures | null;
  onEdit: (change: (plot: Plot) => Plot) => void;
};

/** What the ground measures, and how it is shared between beds, walls and paths. */
export function GroundFacts({ gardenId, plot, figures, onEdit }: Props) {
  const { units } = useShowing();
  const [open, setOpen] = useState(false);
  const row = (label: string, value: number | undefined) => (
    <FactLine name={label}>{value === undefined ? "..." : <Quantity kind="area" value={value} />}</FactLine>
  );
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="ground-title">
      <Typography variant="panelTitle" id="ground-title">
        The ground
      </Typography>
      <Lines>
        {row("All of it", figures?.ground_m2)}
        {row("Beds stand on", figures?.beds_m2)}
        {row("of that they grow on", figures?.growing_m2)}
        {row("and walls take", figures?.walls_m2)}
        {row("Left for paths", figures?.path_m2)}
      </Lines>
      <MeasureField
        label="Aisle to keep, beds snap to it"
        limit="offset"
        width="112px"
        shown={typedLength(meant("Plot", plot, "aisle_m"), units)}
        onMeaning={({ values: [aisle_m] }) => onEdit((now) => ({ ...now, aisle_m }))}
      />
      <Button aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Corners are right" : "Move the corners"}
      </Button>
      {open && (
        <Corners
          gardenId={gardenId}
          corners={plot.corners_m}
          onChange={(change) => onEdit((now) => ({ ...now, corners_m: change(now.corners_m) }))}
        />
      )}
    </PlotPanel>
  );
}
