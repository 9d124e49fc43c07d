import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import FormControl from "@mui/material/FormControl";
import FormLabel from "@mui/material/FormLabel";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import { Sheet } from "../kit/Sheet";
import { meant } from "../api/meant";
import type { Bed, Reservoir } from "../api/client";
import { showArea, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Fittings } from "./Fittings";
import { withReservoir } from "./reservoirs";

type Edit = (change: (bed: Bed) => Bed) => void;
type Props = { bed: Bed; onEdit: Edit };

/** What stands in the reservoir, what lines it, and what is led in. */
export function ReservoirFields({ bed, onEdit }: Props) {
  const { units } = useShowing();
  const { reservoir } = bed;
  if (!reservoir) return null;
  const set = (change: Partial<Reservoir>) => onEdit((now) => withReservoir(now, change));
  const liner = reservoir.liner_m;
  const [long, wide] = liner ?? [];
  return (
    <Sheet sx={{ display: "flex", flexWrap: "wrap", gap: 4, alignItems: "flex-end" }}>
      <Parts title="Wicks" reservoir={reservoir} onSet={set} />
      <Fittings reservoir={reservoir} onSet={set} />
      <MeasureField
        label="Out of level by"
        limit="offset"
        width="104px"
        shown={typedLength(meant("Reservoir", reservoir, "tilt_m"), units)}
        onMeaning={({ values: [tilt_m] }) => set({ tilt_m })}
      />
      <MeasureField
        label="Stone under the liner"
        limit="offset"
        width="150px"
        placeholder="none"
        shown={reservoir.under ? typedLength(reservoir.under.height_m, units) : ""}
        onMeaning={({ values: [height_m] }) =>
          set({
            under: height_m ? { material: reservoir.under?.material ?? "rubble", height_m } : null,
          })
        }
      />
      <MeasureField
        label="Liner turned over by"
        limit="offset"
        width="140px"
        placeholder="no liner"
        shown={reservoir.liner_lap_m == null ? "" : typedLength(reservoir.liner_lap_m, units)}
        onMeaning={({ values: [liner_lap_m] }) => set({ liner_lap_m })}
      />
      <MeasureField
        label="Liner there is"
        limit="length"
        dimensions
        width="150px"
        placeholder="not known"
        shown={long && wide ? `${typedLength(long, units)} × ${typedLength(wide, units)}` : ""}
        onMeaning={({ values }) => set({ liner_m: values.slice(0, 2) })}
      />
      <MeasureField
        label="Roof led in"
        limit="catchment"
        width="104px"
        shown={showArea(meant("Reservoir", reservoir, "catchment_m2"), units)}
        onMeaning={({ values: [catchment_m2] }) => set({ catchment_m2 })}
      />
      <Button
        variant="text"
        color="primary"

        onClick={() => onEdit((now) => ({ ...now, reservoir: null }))}
      >
        No reservoir after all
      </Button>
    </Sheet>
  );
}

type PartsProps = { title: string; reservoir: Reservoir; onSet: (change: Partial<Reservoir>) => void };
type Wick = NonNullable<Reservoir["wicks"]>[number];

const NEW_WICKS: readonly (readonly [string, Wick])[] = [
  ["+ Soil column", { kind: "soil_column", diameter_m: 0.15, count: 2 }],
  ["+ Strip", { kind: "strip", width_m: 0.1, count: 4 }],
  ["+ Fabric", { kind: "fabric", count: 1 }],
];

/** A crate as it is usually had, low enough for the reservoir. */
function crateFor(height_m: number): NonNullable<Reservoir["crates"]>[number] {
  return { length_m: 0.4, width_m: 0.3, height_m: Math.min(0.15, height_m), count: 1 };
}

/** Wicks, pipes and crates, each with its measures. */
function Parts({ title, reservoir, onSet }: PartsProps) {
  const { units } = useShowing();
  const wicks = reservoir.wicks ?? [];
  const pipes = reservoir.pipes ?? [];
  const crates = reservoir.crates ?? [];
  const changeWick = (index: number, change: Partial<Wick>) =>
    onSet({ wicks: wicks.map((each, at) => (at === index ? { ...each, ...change } : each)) });
  return (
    <FormControl component="fieldset" fullWidth sx={{ gap: 2 }}>
      <FormLabel component="legend">{title} and pipes in it</FormLabel>
      {wicks.map((wick, index) => (
        <Row key={index} sx={{ alignItems: "flex-end" }}>
          <Typography variant="strong" sx={{ width: 96, paddingBottom: 1.5 }}>
            {wick.kind.replace("_", " ")}
          </Typography>
          {wick.kind !== "fabric" && (
            <MeasureField
              label={wick.kind === "strip" ? `Width of strip ${index + 1}` : `Across column ${index + 1}`}
              limit="length"
              width="104px"
              shown={typedLength((wick.kind === "strip" ? wick.width_m : wick.diameter_m) ?? 0, units)}
              onMeaning={({ values: [size] }) =>
                changeWick(index, wick.kind === "strip" ? { width_m: size } : { diameter_m: size })
              }
            />
          )}
          {wick.kind !== "fabric" && (
            <MeasureField
              label={`How many ${index + 1}`}
              limit="count"
              width="72px"
              shown={String(wick.count ?? 1)}
              onMeaning={({ values: [count] }) => changeWick(index, { count })}
            />
          )}
          {wick.kind === "soil_column" && (
            <MeasureField
              label="Hangs down"
              limit="offset"
              width="110px"
              placeholder="to the floor"
              shown={wick.height_m == null ? "" : typedLength(wick.height_m, units)}
              onMeaning={({ values: [height_m] }) => changeWick(index, { height_m })}
            />
          )}
          {wick.kind === "strip" && (
            <MeasureField
              label="Length of one"
              limit="offset"
              width="110px"
              placeholder="floor to roots"
              shown={wick.length_m == null ? "" : typedLength(wick.length_m, units)}
              onMeaning={({ values: [length_m] }) => changeWick(index, { length_m })}
            />
          )}
          {wick.kind === "fabric" && (
            <Tick
              label="dips to the floor"
              checked={wick.dips ?? false}
              onTick={(dips) => changeWick(index, { dips })}
            />
          )}
          <IconButton
            aria-label={`Take wick ${index + 1} out`}
            onClick={() => onSet({ wicks: wicks.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </Row>
      ))}
      {pipes.map((pipe, index) => (
        <Row key={`pipe ${index}`} sx={{ alignItems: "flex-end" }}>
          <Typography variant="strong" sx={{ width: 96, paddingBottom: 1.5 }}>
            pipe
          </Typography>
          <MeasureField
            label={`Across pipe ${index + 1}`}
            limit="length"
            width="104px"
            shown={typedLength(pipe.diameter_m, units)}
            onMeaning={({ values: [diameter_m = pipe.diameter_m] }) =>
              onSet({ pipes: pipes.map((each, at) => (at === index ? { ...each, diameter_m } : each)) })
            }
          />
          <MeasureField
            label={`Length of pipe ${index + 1}`}
            limit="length"
            width="104px"
            shown={typedLength(pipe.length_m, units)}
            onMeaning={({ values: [length_m = pipe.length_m] }) =>
              onSet({ pipes: pipes.map((each, at) => (at === index ? { ...each, length_m } : each)) })
            }
          />
          <Tick
            label="ends capped"
            checked={(pipe.caps ?? 0) > 0}
            onTick={(ticked) =>
              onSet({
                pipes: pipes.map((each, at) => (at === index ? { ...each, caps: ticked ? 2 : 0 } : each)),
              })
            }
          />
          <Tick
            label="wrapped"
            checked={pipe.wrap != null}
            onTick={(ticked) =>
              onSet({
                pipes: pipes.map((each, at) =>
                  at === index ? { ...each, wrap: ticked ? "geotextile" : null } : each,
                ),
              })
            }
          />
          <IconButton
            aria-label={`Take pipe ${index + 1} out`}
            onClick={() => onSet({ pipes: pipes.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </Row>
      ))}
      {crates.map((crate, index) => (
        <Row key={`crate ${index}`} sx={{ alignItems: "flex-end" }}>
          <Typography variant="strong" sx={{ width: 96, paddingBottom: 1.5 }}>
            crate
          </Typography>
          <MeasureField
            label={`One crate ${index + 1} is`}
            limit="length"
            dimensions
            width="170px"
            shown={[crate.length_m, crate.width_m, crate.height_m]
              .map((each) => typedLength(each, units))
              .join(" × ")}
            onMeaning={({ values: [length_m, width_m, height_m] }) => {
              if (length_m && width_m && height_m)
                onSet({
                  crates: crates.map((each, at) =>
                    at === index ? { ...each, length_m, width_m, height_m } : each,
                  ),
                });
            }}
          />
          <MeasureField
            label={`How many crates ${index + 1}`}
            limit="count"
            width="72px"
            shown={String(crate.count ?? 1)}
            onMeaning={({ values: [count] }) =>
              onSet({ crates: crates.map((each, at) => (at === index ? { ...each, count } : each)) })
            }
          />
          <IconButton
            aria-label={`Take crate ${index + 1} out`}
            onClick={() => onSet({ crates: crates.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </Row>
      ))}
      <Row>
        {NEW_WICKS.map(([name, wick]) => (
          <Button key={name} onClick={() => onSet({ wicks: [...wicks, wick] })}>
            {name}
          </Button>
        ))}
        <Button onClick={() => onSet({ pipes: [...pipes, { diameter_m: 0.08, length_m: 1, count: 1 }] })}>
          + Pipe
        </Button>
        <Button onClick={() => onSet({ crates: [...crates, crateFor(reservoir.height_m)] })}>+ Crate</Button>
      </Row>
    </FormControl>
  );
}
