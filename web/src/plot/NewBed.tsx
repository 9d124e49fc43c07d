import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState, type FormEvent } from "react";
import { api, saidOf, type Bed, type KeptGarden, type Material } from "../api/client";
import { Choice, TAPE_LAY } from "../quantities/Choice";
import { MeasureField } from "../quantities/MeasureField";
import { MaterialFinder } from "../shelf/MaterialFinder";
import "./new-bed.css";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material>; onMade: (key: string) => void };

const FIRST_FILL = "raised_bed_mix";

type Measures = { length_m?: number; width_m?: number; depth_m?: number };
type Measured = keyof Measures | "wall_m";

/** Measure a new bed: what the tape says, inside or outside, and what it is filled with to begin with. */
export function NewBed({ garden, materials, onMade }: Props) {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [measures, setMeasures] = useState<Measures>({});
  const [measured, setMeasured] = useState<"inside" | "outside">("inside");
  const [wall_m, setWall] = useState(0);
  const [fill, setFill] = useState<Material | null>(materials.get(FIRST_FILL) ?? null);
  const [reading, setReading] = useState<Partial<Record<Measured, string>>>({});
  const [sent, setSent] = useState(false);

  const make = useMutation({
    mutationFn: (bed: Bed) => api.createBed(garden.id, bed),
    onSuccess: (kept) => {
      queries.setQueryData<KeptGarden>(["garden", garden.id], (before) =>
        before ? { ...before, beds: [...before.beds, kept] } : before,
      );
      void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
      onMade(kept.key);
    },
  });

  const notUnderstood =
    reading.wall_m === "refused" || reading.wall_m === "either" || reading.wall_m === "waiting";
  const lacking: Measured[] = (["length_m", "width_m", "depth_m"] as const).filter((key) => !measures[key]);
  if (notUnderstood) lacking.push("wall_m");
  const asking = Object.values(reading).includes("asking");

  const send = () => {
    const { length_m, width_m, depth_m } = measures;
    if (!length_m || !width_m || !depth_m || notUnderstood) return;
    setSent(false);
    make.mutate({
      key: "new_bed",
      name: name.trim() || `Bed ${garden.beds.length + 1}`,
      shape: { kind: "box", length_m, width_m, depth_m },
      measured,
      wall_m,
      layers: fill ? [{ material: fill.key, fill: true }] : [],
    });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (asking) setHasty(true);
    else if (lacking.length > 0) setSent(true);
    else send();
  };
  // Sent before the last measure was read: what was typed is waited for, not called missing.
  const [hasty, setHasty] = useState(false);
  useEffect(() => {
    if (!hasty || asking) return;
    setHasty(false);
    if (lacking.length > 0) setSent(true);
    else send();
  });

  const field = (key: keyof Measures, label: string, placeholder: string) => (
    <MeasureField
      label={label}
      limit={key === "depth_m" ? "depth" : "length"}
      width="150px"
      eager
      placeholder={placeholder}
      shown=""
      onMeaning={({ values: [value] }) => setMeasures((before) => ({ ...before, [key]: value }))}
      onReading={(state) => {
        setReading((before) => (before[key] === state ? before : { ...before, [key]: state }));
        if (state !== "read")
          setMeasures((before) => (before[key] ? { ...before, [key]: undefined } : before));
      }}
    />
  );

  return (
    <main className="new-bed">
      <h1>{garden.beds.length === 0 ? "Measure the first bed" : "Measure a bed"}</h1>
      <form onSubmit={submit} noValidate>
        <label className="new-name">
          <span className="measure-label">What it is called</span>
          <input
            className="measure-input"
            value={name}
            maxLength={80}
            placeholder={`Bed ${garden.beds.length + 1}`}
            onChange={(event) => setName(event.currentTarget.value)}
          />
        </label>
        <TapeDrawing />
        <div className="new-row">
          {field("length_m", "Length, the longer way", garden.garden.units === "ft_in" ? "8 ft" : "2.4 m")}
          {field("width_m", "Width", garden.garden.units === "ft_in" ? "4 ft" : "1.2 m")}
          {field("depth_m", "Depth, floor to rim", garden.garden.units === "ft_in" ? "10 in" : "30 cm")}
        </div>
        <div className="new-row">
          <Choice label="The tape lay" shown options={TAPE_LAY} value={measured} onChoose={setMeasured} />
          <MeasureField
            label="Wall thickness, 0 if none"
            limit="wall"
            width="150px"
            eager
            shown=""
            placeholder={garden.garden.units === "ft_in" ? "1 1/2 in" : "38 mm"}
            onMeaning={({ values: [value = 0] }) => setWall(value)}
            onReading={(state) => {
              setReading((before) => (before.wall_m === state ? before : { ...before, wall_m: state }));
              if (state === "empty") setWall(0);
            }}
          />
          <div className="new-fill">
            <MaterialFinder
              gardenId={garden.id}
              label="Filled with, to begin with"
              value={fill}
              onChoose={setFill}
              suits={isBulk}
            />
          </div>
        </div>
        {((sent && lacking.length > 0) || make.error) && (
          <p className="new-problem" role="alert">
            {sent && lacking.length > 0
              ? `Still to be measured: ${lacking.map((key) => (key === "wall_m" ? "wall thickness" : key.replace("_m", ""))).join(", ")}.`
              : saidOf(make.error)}
          </p>
        )}
        <button type="submit" className="main-button" disabled={make.isPending}>
          Cut it open
        </button>
      </form>
    </main>
  );
}

function isBulk(material: Material): boolean {
  return !material.is_sheet;
}

/** Where the tape goes: length and width inside the walls, depth from floor to rim. */
function TapeDrawing() {
  return (
    <svg
      className="tape-drawing"
      viewBox="0 0 360 150"
      width="360"
      height="150"
      role="img"
      aria-label="Where the tape goes"
    >
      <path className="tape-wall" d="M40 50L120 20H320L250 50ZM40 50V110H250V50M250 110L320 76V20" />
      <path
        className="tape-line"
        d="M48 58H242M48 54v8M242 54v8M258 54L312 29M256 50l5 8M309 26l5 8M30 52V110M25 52h10M25 110h10"
      />
      <text x="145" y="74" textAnchor="middle">
        length
      </text>
      <text x="300" y="16" textAnchor="start">
        width
      </text>
      <text x="22" y="140" textAnchor="start">
        depth
      </text>
    </svg>
  );
}
