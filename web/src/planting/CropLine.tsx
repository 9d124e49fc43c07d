import IconButton from "@mui/material/IconButton";
import { styled } from "@mui/material/styles";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { MeasureField } from "../quantities/MeasureField";
import { showDay, showMass } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { lookOf } from "./BedPlanted";
import type { BedCrop, CropInBed } from "./plantingApi";

const Look = styled("svg")({ width: 16, height: 16, flex: "none" });

type Props = {
  place: number;
  asked: BedCrop;
  told: CropInBed;
  onChange: (next: Partial<BedCrop>) => void;
  onRemove: () => void;
};

/** One crop of the bed: how many, whether the bed suits it, from when until when. */
export function CropLine({ place, asked, told, onChange, onRemove }: Props) {
  const { units } = useShowing();
  const [stops, minds] = told.fits ? [[], told.because] : [told.because.slice(0, 1), told.because.slice(1)];
  const [low, high] = told.yield_kg;
  return (
    <Sheet component="section" aria-label={told.name} data-part="crop-line">
      <Row>
        <Look viewBox="-8 -8 16 16" aria-hidden>
          <circle
            r={6}
            fill={lookOf(place).fill}
            fillOpacity={0.55}
            stroke="var(--palette-ink)"
            strokeDasharray={lookOf(place).dash}
          />
        </Look>
        <b>{told.name}</b>
        <Note component="span" sx={{ marginRight: "auto" }}>
          {told.count}{" "}
          {told.pattern === "rows" ? "in rows" : told.pattern === "offset" ? "offset" : "in a square"}
        </Note>
        <IconButton aria-label={`Take ${told.name} out`} onClick={onRemove}>
          ×
        </IconButton>
      </Row>
      {stops.map((each) => (
        <Problem key={each}>{each}</Problem>
      ))}
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="How many"
          limit="count"
          width="96px"
          shown={asked.count == null ? "" : String(asked.count)}
          placeholder={String(told.count)}
          onMeaning={({ values: [count] }) => onChange({ count, area_m2: null })}
        />
        <MeasureField
          label="Again, weeks"
          limit="count"
          width="96px"
          shown={asked.every_weeks == null ? "" : String(asked.every_weeks)}
          onMeaning={({ values: [every_weeks] }) => onChange({ every_weeks })}
        />
      </Row>
      {told.sow_from != null && told.sow_until != null && (
        <Note>
          {told.seeds == null ? "Plant" : "Sow"} from {showDay(told.sow_from)} until {showDay(told.sow_until)}
          {told.sowings.length > 1 && `, ${told.sowings.length} times`}
          {told.seeds != null && `; ${told.seeds === 1 ? "1 seed" : `${told.seeds} seeds`}`}. Gives about{" "}
          {showMass(low, units)} to {showMass(high, units)} (estimate).
        </Note>
      )}
      {minds.map((each) => (
        <Note key={each}>{each}</Note>
      ))}
    </Sheet>
  );
}
