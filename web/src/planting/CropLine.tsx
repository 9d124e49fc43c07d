import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import { styled } from "@mui/material/styles";
import { DayField } from "../kit/DayField";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { Tick } from "../kit/Tick";
import { MeasureField } from "../quantities/MeasureField";
import { showDay, showMass } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { lettersOf, lookOf } from "./looks";
import type { BedCrop, CropInBed } from "./plantingApi";

const Look = styled("svg")({ width: 22, height: 22, flex: "none" });

type Props = {
  place: number;
  asked: BedCrop;
  told: CropInBed;
  chosen: boolean;
  filling: boolean;
  hasPockets: boolean;
  onChoose: () => void;
  onFill: () => void;
  onChange: (next: Partial<BedCrop>) => void;
  onRemove: () => void;
};

const STANDS = { rows: "in rows", offset: "offset", square: "in a square" } as const;

/** One crop of the bed: how many, whether the bed suits it, from when until when. */
export function CropLine(props: Props) {
  const { place, asked, told, chosen, onChange } = props;
  const look = lookOf(place);
  const [stops, minds] = told.fits ? [[], told.because] : [told.because.slice(0, 1), told.because.slice(1)];
  return (
    <Sheet
      component="section"
      aria-label={told.name}
      data-part="crop-line"
      data-chosen={chosen || undefined}
      onClick={props.onChoose}
      sx={chosen ? { borderColor: "iron" } : {}}
    >
      <Row>
        <Look viewBox="-11 -11 22 22" aria-hidden>
          <circle
            r={10}
            fill={look.fill}
            fillOpacity={0.6}
            stroke="var(--palette-ink)"
            strokeDasharray={look.dash}
          />
          <text y={4} textAnchor="middle" fontSize={10} fontWeight={650} fill="var(--palette-ink)">
            {lettersOf(told.name)}
          </text>
        </Look>
        <b>{told.name}</b>
        <Note component="span" sx={{ marginRight: "auto" }}>
          {told.count} {told.in_pockets ? "in pockets" : STANDS[told.pattern]}
        </Note>
        <IconButton aria-label={`Take ${told.name} out`} onClick={props.onRemove}>
          ×
        </IconButton>
      </Row>
      {stops.map((each) => (
        <Problem key={each}>{each}</Problem>
      ))}
      {told.would.map((each) => (
        <Note key={each}>{each}</Note>
      ))}
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="How many"
          limit="plants"
          width="92px"
          shown={asked.count == null ? "" : String(asked.count)}
          placeholder={String(told.count)}
          onMeaning={({ values: [count] }) => onChange({ count, area_m2: null })}
        />
        <DayField
          label={told.start === "sown" ? "Sown on" : "Planted on"}
          day={asked.from}
          onDay={(from) => onChange({ from })}
        />
      </Row>
      <Told told={told} />
      {minds.map((each) => (
        <Note key={each}>{each}</Note>
      ))}
      <Disclosure title="More of it">{() => <MoreOfIt {...props} />}</Disclosure>
    </Sheet>
  );
}

/** From when until when it goes in, what it takes and may give, and its sun. */
function Told({ told }: { told: CropInBed }) {
  const { units } = useShowing();
  const [low, high] = told.yield_kg;
  const goesIn = told.start === "sown" ? "Sow" : "Plant";
  const times = told.sowings.length;
  return (
    <Note>
      {told.sow_from != null && told.sow_until != null && (
        <>
          {goesIn} from {showDay(told.sow_from)} until {showDay(told.sow_until)}
          {times > 1 && `, ${times} times`}
          {told.seeds != null && `; ${told.seeds === 1 ? "1 seed" : `${told.seeds} seeds`}`}
          {told.plants != null && `; ${told.plants === 1 ? "1 plant" : `${told.plants} plants`}`}.{" "}
        </>
      )}
      {told.harvests[0] && `First harvest about ${showDay(told.harvests[0])}. `}
      Gives about {showMass(low, units)} to {showMass(high, units)} a season (estimate).
      {told.sun &&
        ` Sun where it is shadiest: ${told.sun.longest_h.toFixed(1)} h on the longest day, ${told.sun.equinox_h.toFixed(1)} h when day and night are alike.`}
    </Note>
  );
}

const SUPPORTS = [
  ["", "Nothing"],
  ["stakes", "Stakes"],
  ["net", "A net"],
] as const;

/** What is seldom said: its rhythm, what holds it, and where it stands. */
function MoreOfIt({ asked, told, filling, hasPockets, onFill, onChange }: Props) {
  const placed = asked.at_m != null || asked.within_m != null;
  return (
    <>
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="Again, weeks"
          limit="weeks_apart"
          width="96px"
          shown={asked.every_weeks == null ? "" : String(asked.every_weeks)}
          onMeaning={({ values: [every_weeks] }) => onChange({ every_weeks })}
        />
        <MeasureField
          label="Sizes at once"
          limit="plant_sizes"
          width="96px"
          shown={asked.sizes == null ? "" : String(asked.sizes)}
          onMeaning={({ values: [sizes = 1] }) => onChange({ sizes: sizes > 1 ? sizes : null })}
        />
      </Row>
      <Row sx={{ alignItems: "flex-end" }}>
        <DayField label="Cleared on" day={asked.until} onDay={(until) => onChange({ until })} />
        <Pick
          label="Tied to"
          options={SUPPORTS}
          value={asked.support ?? ""}
          onChoose={(support) => onChange({ support: support || null })}
        />
      </Row>
      {told.stands_until != null && asked.until == null && (
        <Note>Its ground is free from {showDay(told.stands_until)}: what is sown then follows it there.</Note>
      )}
      <Tick
        label="In a sunk pot, so that it can't spread"
        checked={asked.sunk_pot === true}
        onTick={(sunk_pot) => onChange({ sunk_pot })}
      />
      {hasPockets && (
        <Tick
          label="In the pockets of the sides"
          checked={asked.pockets === true}
          onTick={(pockets) => onChange({ pockets, at_m: null, within_m: null })}
        />
      )}
      <Row>
        <Button onClick={onFill} aria-pressed={filling}>
          {filling ? "Draw it on the bed ..." : "Draw what it fills"}
        </Button>
        {placed && (
          <Button onClick={() => onChange({ at_m: null, within_m: null })}>Leave its place to Nolbet</Button>
        )}
        {(asked.every_weeks != null || asked.count != null) && (
          <Button onClick={() => onChange({ every_weeks: null, count: null, sizes: null })}>
            As many as go in, once
          </Button>
        )}
      </Row>
    </>
  );
}
