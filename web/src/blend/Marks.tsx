import Button from "@mui/material/Button";
import {
  BlendBand,
  BlendFree,
  BlendMark,
  BlendMarks,
  BlendNeedle,
  BlendTrack,
  BlendValue,
  BlendWanted,
} from "./blend.styles";
import type { Material } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { Row } from "../kit/Row";
import { showLength, showShare, trimmed, type Units } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import type { MarkFigures, Mix } from "./blendApi";
import { Limits } from "./Limits";
import { withEdge, withTarget } from "./edits";
import type { MixEdit } from "./useMixDraft";

const END = { alignItems: "flex-end" } as const;

type Name = MarkFigures["name"];
type Banded = Extract<
  Name,
  "air_filled" | "water_held" | "ph" | "c_to_n" | "rise_m" | "compost_share" | "organic_matter"
>;

/** What the banded figures are called, the range they are drawn on, and how they are written. */
const BANDED: readonly (readonly [Banded, string, number, number])[] = [
  ["air_filled", "Air once drained", 0, 0.6],
  ["water_held", "Water held", 0, 0.9],
  ["ph", "pH (estimate)", 3.5, 9],
  ["c_to_n", "Carbon to nitrogen", 0, 60],
  ["rise_m", "Wicks up (estimate)", 0, 0.5],
  ["compost_share", "Compost", 0, 1],
  ["organic_matter", "Organic, of the dry mass", 0, 1],
];

const STATES = { in: "fits", under: "too little", over: "too much", unknown: "not known", free: "" } as const;

function written(name: Name, value: number, units: Units): string {
  if (name === "ph") return trimmed(value, 1);
  if (name === "c_to_n") return `${trimmed(value, 0)} : 1`;
  if (name === "rise_m") return showLength(value, units);
  return showShare(Math.round(value * 1000) / 1000);
}

/** Each figure as a mark on its band; the band is what is wanted for the use. */
export function Marks({ marks }: { marks: readonly MarkFigures[] }) {
  const { units } = useShowing();
  return (
    <BlendMarks>
      {BANDED.map(([name, label, low, high]) => {
        const mark = marks.find((each) => each.name === name);
        if (!mark) return null;
        return <Mark key={name} mark={mark} label={label} low={low} high={high} units={units} />;
      })}
    </BlendMarks>
  );
}

type MarkProps = { mark: MarkFigures; label: string; low: number; high: number; units: Units };

function Mark({ mark, label, low, high, units }: MarkProps) {
  const at = (value: number) => `${Math.min(Math.max((value - low) / (high - low), 0), 1) * 100}%`;
  const { least, most, value, state } = mark;
  const open = least == null && most == null;
  const from = at(least ?? low);
  const to = at(most ?? high);
  return (
    <BlendMark data-part="blend-mark" data-state={state}>
      <dt>{label}</dt>
      <BlendTrack aria-hidden="true">
        {!open && <BlendBand style={{ left: from, width: `calc(${to} - ${from})` }} />}
        {value != null && <BlendNeedle data-part="blend-needle" style={{ left: at(value) }} />}
      </BlendTrack>
      <BlendValue>{value == null ? "–" : spanned(mark, value, units)}</BlendValue>
      <BlendWanted data-part="blend-wanted">
        {open ? "nothing asked" : wanted(mark, units)}
        {state !== "free" && <b> {STATES[state]}</b>}
      </BlendWanted>
    </BlendMark>
  );
}

/** A figure with how far it may lie off either way, where that is known. */
function spanned({ name, spread }: MarkFigures, value: number, units: Units): string {
  const said = written(name, value, units);
  return spread > 0 ? `${said} ± ${written(name, spread, units)}` : said;
}

function wanted({ name, least, most }: MarkFigures, units: Units): string {
  if (least != null && most != null)
    return `${written(name, least, units)} to ${written(name, most, units)},`;
  if (most != null) return `up to ${written(name, most, units)},`;
  return least != null ? `${written(name, least, units)} or more,` : "";
}

const FREE: readonly (readonly [Name, string])[] = [
  ["available", "Water plants can take"],
  ["porosity", "All pores"],
];

/** Figures that nothing is asked of. */
export function FreeFigures({ marks }: { marks: readonly MarkFigures[] }) {
  const { units } = useShowing();
  const of = (name: Name) => marks.find((each) => each.name === name)?.value;
  const dry = of("loose_dry_kg_m3");
  const moist = of("loose_moist_kg_m3");
  return (
    <BlendFree>
      {FREE.map(([name, label]) => {
        const value = of(name);
        return (
          <div key={name}>
            <dt>{label}</dt>
            <dd>{value == null ? "not known" : written(name, value, units)}</dd>
          </div>
        );
      })}
      <div>
        <dt>Weighs, loose</dt>
        <dd>
          {dry != null && (
            <>
              <Quantity kind="density" value={dry} /> dry,{" "}
            </>
          )}
          {moist != null && <Quantity kind="density" value={moist} />} moist
        </dd>
      </div>
    </BlendFree>
  );
}

type BandsProps = {
  gardenId: number;
  mix: Mix;
  marks: readonly MarkFigures[];
  materials: ReadonlyMap<string, Material>;
  onEdit: MixEdit;
};

/** The bands to be changed by the gardener. */
export function Bands({ gardenId, mix, marks, materials, onEdit }: BandsProps) {
  const { units } = useShowing();
  const mark = (name: Name) => marks.find((each) => each.name === name);
  const band = (
    name: "air_filled" | "water_held" | "ph" | "organic_matter",
    label: string,
    limit: "share" | "ph",
  ) => {
    const now = mark(name);
    if (now?.least == null || now.most == null) return null;
    const { least, most } = now;
    return (
      <Row role="group" aria-label={label} sx={END}>
        <MeasureField
          label={`${label} from`}
          limit={limit}
          width="96px"
          shown={written(name, least, units)}
          onMeaning={({ values: [value] }) =>
            value !== undefined && onEdit((to) => withEdge(to, name, "least", value, [least, most]))
          }
        />
        <MeasureField
          label="to"
          limit={limit}
          width="70px"
          shown={written(name, most, units)}
          onMeaning={({ values: [value] }) =>
            value !== undefined && onEdit((to) => withEdge(to, name, "most", value, [least, most]))
          }
        />
      </Row>
    );
  };
  return (
    <Disclosure title="Change the bands">
      {() => (
        <>
          <Row sx={END}>
            {band("air_filled", "Air", "share")}
            {band("water_held", "Water", "share")}
            {band("ph", "pH", "ph")}
            {band("organic_matter", "Organic", "share")}
            <MeasureField
              label="Carbon up to"
              limit="carbon"
              width="84px"
              placeholder="any"
              shown={mark("c_to_n")?.most == null ? "" : trimmed(mark("c_to_n")?.most ?? 0, 1)}
              onMeaning={({ values: [c_to_n_most] }) => onEdit((to) => withTarget(to, { c_to_n_most }))}
            />
            <MeasureField
              label="Wicks at least"
              limit="rise"
              width="92px"
              placeholder="any"
              shown={mark("rise_m")?.least == null ? "" : showLength(mark("rise_m")?.least ?? 0, units)}
              onMeaning={({ values: [rise_least_m] }) => onEdit((to) => withTarget(to, { rise_least_m }))}
            />
            <MeasureField
              label="Compost up to"
              limit="share"
              width="92px"
              shown={showShare(mark("compost_share")?.most ?? 0)}
              onMeaning={({ values: [compost_most] }) => onEdit((to) => withTarget(to, { compost_most }))}
            />
            <Button
              onClick={() =>
                onEdit((to) => ({ ...to, target: { use: mix.target?.use ?? "raised_bed", limits: [] } }))
              }
            >
              Usual bands
            </Button>
          </Row>
          <Limits gardenId={gardenId} mix={mix} materials={materials} onEdit={onEdit} />
        </>
      )}
    </Disclosure>
  );
}
