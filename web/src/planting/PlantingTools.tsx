import Button from "@mui/material/Button";
import type { BedFigures } from "../api/client";
import { MONTHS } from "../climate/months";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { SCREEN_ONLY } from "../theme/sizes";
import type { SunMap } from "./plantingApi";

type Props = {
  figures: BedFigures;
  shaded: boolean;
  sun: SunMap | null;
  /** Whether newer hours are on their way. */
  isOld: boolean;
  month: number;
  canMirror: boolean;
  onShade: (shaded: boolean) => void;
  onMirror: (across: "left" | "up") => void;
};

/** What is done with the drawing: its sun shown, and all of it mirrored. */
export function PlantingTools({ figures, shaded, sun, isOld, month, canMirror, onShade, onMirror }: Props) {
  return (
    <>
      <Row sx={SCREEN_ONLY}>
        <Tick label="Sun and shade" checked={shaded} onTick={onShade} />
        <Button disabled={!canMirror} onClick={() => onMirror("left")}>
          Mirror left to right
        </Button>
        <Button disabled={!canMirror} onClick={() => onMirror("up")}>
          Mirror front to back
        </Button>
      </Row>
      {shaded && sun && (
        <Note data-part="sun-said">{isOld ? "Looking where the sun stands ..." : sunSaid(sun, month)}</Note>
      )}
      {figures.water_zones.length > 1 && (
        <Note>
          Dashed: where it is dry, plain and moist. A crop without a place of its own goes where it likes it.
        </Note>
      )}
    </>
  );
}

function sunSaid(sun: SunMap, month: number): string {
  if (sun.why_not != null) return sun.why_not;
  const hours = sun.hours.map((row) => row[month] ?? 0);
  const [least, most] = [Math.min(...hours), Math.max(...hours)];
  return `Around the middle of ${MONTHS[month] ?? ""} the sun shines ${least.toFixed(1)} to ${most.toFixed(1)} hours a day on it, if no cloud hides it; the darker, the fewer. What stands on the plot counts where its height is known.`;
}
