import Typography from "@mui/material/Typography";
import { Sheet } from "../kit/Sheet";
import { SaidDifferently } from "./SaidDifferently";
import { useSeasonFigures } from "./useSeasonFigures";

const MOST = 4;

/** What the gardener said they would do differently, shown while the next bed is planned. */
export function SaidLastTime({ gardenId }: { gardenId: number }) {
  const season = useSeasonFigures(gardenId);
  const said = season.data?.differently.slice(0, MOST) ?? [];
  if (said.length === 0) return null;
  return (
    <Sheet component="section" aria-labelledby="last-time-title" sx={{ maxWidth: 1120 }}>
      <Typography variant="panelTitle" id="last-time-title">
        Next time otherwise, you wrote
      </Typography>
      <SaidDifferently said={said} />
    </Sheet>
  );
}
