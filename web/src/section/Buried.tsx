import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import FormControl from "@mui/material/FormControl";
import FormLabel from "@mui/material/FormLabel";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import type { Bed, BedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { showArea, showRain, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import type { BedEdit } from "./BedHead";

type Solid = NonNullable<Bed["buried"]>[number];
type Size = "width_m" | "diameter_m" | "height_m" | "length_m" | "bottom_m";
type Props = { bed: Bed; figures: BedFigures; onEdit: BedEdit };

const KINDS: Record<
  Solid["kind"],
  { name: string; sizes: readonly (readonly [Size, string])[]; first: Solid }
> = {
  pipe: {
    name: "Pipe",
    sizes: [
      ["diameter_m", "across"],
      ["length_m", "long"],
    ],
    first: { kind: "pipe", diameter_m: 0.1, length_m: 1 },
  },
  basket: {
    name: "Basket",
    sizes: [
      ["diameter_m", "across"],
      ["height_m", "high"],
    ],
    first: { kind: "basket", diameter_m: 0.3, height_m: 0.3 },
  },
  pot: {
    name: "Sunken pot",
    sizes: [
      ["diameter_m", "across"],
      ["height_m", "high"],
    ],
    first: { kind: "pot", diameter_m: 0.2, height_m: 0.2 },
  },
  post: {
    name: "Post",
    sizes: [
      ["width_m", "thick"],
      ["height_m", "high"],
    ],
    first: { kind: "post", width_m: 0.09, height_m: 0.5 },
  },
};

/** What is buried in the bed and takes room from its fill. */
export function Buried({ bed, figures, onEdit }: Props) {
  const { units } = useShowing();
  const buried = bed.buried ?? [];
  const set = (change: (solids: readonly Solid[]) => Solid[]) =>
    onEdit((now) => ({ ...now, buried: change(now.buried ?? []) }));
  const put = (index: number, changed: Partial<Solid>) =>
    set((solids) => solids.map((each, at) => (at === index ? { ...each, ...changed } : each)));
  return (
    <FormControl component="fieldset" fullWidth sx={{ gap: 2 }}>
      <FormLabel component="legend">Buried in it, taking room from the fill</FormLabel>
      {buried.map((solid, index) => {
        const { name, sizes } = KINDS[solid.kind];
        return (
          <Row key={index} sx={{ alignItems: "flex-end" }}>
            <Typography variant="strong" sx={{ width: 84, paddingBottom: 1.5 }}>
              {name}
            </Typography>
            {[...sizes, ["bottom_m", "above the floor"] as const].map(([key, label]) => (
              <MeasureField
                key={key}
                label={`${name} ${index + 1}, ${label}`}
                limit={key === "bottom_m" ? "offset" : "length"}
                width={key === "bottom_m" ? "140px" : "100px"}
                shown={typedLength(solid[key] ?? 0, units)}
                onMeaning={({ values: [value] }) => put(index, { [key]: value })}
              />
            ))}
            <MeasureField
              label="how many"
              limit="count"
              width="72px"
              shown={String(solid.count ?? 1)}
              onMeaning={({ values: [count] }) => put(index, { count })}
            />
            {solid.kind === "pipe" && (
              <Tick
                label="wrapped in geotextile"
                checked={solid.wrap != null}
                onTick={(ticked) => put(index, { wrap: ticked ? "geotextile" : null })}
              />
            )}
            <IconButton
              aria-label={`Remove ${name} ${index + 1}`}
              onClick={() => set((solids) => solids.filter((_, at) => at !== index))}
            >
              ×
            </IconButton>
            {solid.kind === "pipe" && (
              <SoakPipe pipe={solid} name={`${name} ${index + 1}`} onPut={(changed) => put(index, changed)} />
            )}
          </Row>
        );
      })}
      {figures.runoff && <Runoff runoff={figures.runoff} />}
      <Row>
        {Object.values(KINDS).map(({ name, first }) => (
          <Button key={name} onClick={() => set((solids) => [...solids, first])}>
            + {name}
          </Button>
        ))}
      </Row>
    </FormControl>
  );
}

const FROM = [
  ["", "not said"],
  ["roof", "a roof"],
  ["paving", "paving"],
  ["drive", "a drive"],
  ["ground", "open ground"],
] as const;

type PipeProps = { pipe: Solid; name: string; onPut: (changed: Partial<Solid>) => void };

/** A pipe that leads rain into the fill: its inlet, and the roof or ground that runs off into it. */
function SoakPipe({ pipe, name, onPut }: PipeProps) {
  const { units } = useShowing();
  return (
    <Row sx={{ flexBasis: "100%", alignItems: "flex-end" }} data-part="soak-pipe">
      <MeasureField
        label={`${name}, inlet tube`}
        limit="length"
        width="110px"
        placeholder="none"
        shown={pipe.inlet_m == null ? "" : typedLength(pipe.inlet_m, units)}
        onMeaning={({ values: [inlet_m] }) => onPut({ inlet_m })}
      />
      <MeasureField
        label={`${name}, takes rain off`}
        limit="catchment"
        width="130px"
        placeholder="nothing"
        shown={pipe.runoff_m2 == null ? "" : showArea(pipe.runoff_m2, units)}
        onMeaning={({ values: [runoff_m2] }) => onPut({ runoff_m2 })}
      />
      {pipe.runoff_m2 != null && (
        <Pick
          label={`${name}, off what`}
          options={FROM}
          value={pipe.runoff_from ?? ""}
          onChoose={(from) => onPut({ runoff_from: from || null })}
        />
      )}
    </Row>
  );
}

/** What a hard rain brings, and what the gaps hold of it. */
function Runoff({ runoff }: { runoff: NonNullable<BedFigures["runoff"]> }) {
  const { units } = useShowing();
  const most_l = Math.max(...runoff.month_l);
  return (
    <Note data-part="runoff">
      A rain of {showRain(runoff.rain_mm, units)} brings{" "}
      <Quantity kind="volume" value={runoff.rain_l / 1000} />, the gaps in the fill hold up to{" "}
      <Quantity kind="volume" value={runoff.held_l / 1000} />; the wettest month brings{" "}
      <Quantity kind="volume" value={most_l / 1000} />.
    </Note>
  );
}
