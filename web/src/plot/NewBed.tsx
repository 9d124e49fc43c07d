import Button from "@mui/material/Button";
import { NewBedBox, NewFill, NewName, NewProblem, NewRow } from "./new-bed.styles";
import { SHAPES } from "../api/words";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState, type FormEvent } from "react";
import {
  api,
  saidOf,
  type Bed,
  type KeptGarden,
  type Material,
  type Shape,
  type ShapeKind,
} from "../api/client";
import { Choice } from "../kit/Choice";
import { MeasureField } from "../quantities/MeasureField";
import { Corners } from "../shapes/Corners";
import { kindOf, type Measure } from "../shapes/kinds";
import { ShapePicker } from "../shapes/ShapePicker";
import { TapeDrawing } from "../shapes/TapeDrawing";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material>; onMade: (key: string) => void };

const FIRST_FILL = "raised_bed_mix";

type Measures = Record<string, number | undefined>;

const FIRST_CORNERS = [
  [0, 0],
  [2.4, 0],
  [2.4, 1.2],
  [0, 1.2],
];

function pick(measures: Measures, wanted: readonly Measure[]): Measures {
  return Object.fromEntries(wanted.map(({ key }) => [key, measures[key]]));
}

/** Measure a new bed: what the tape says, inside or outside, and what it is filled with to begin with. */
export function NewBed({ garden, materials, onMade }: Props) {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [measures, setMeasures] = useState<Measures>({});
  const [measured, setMeasured] = useState<"inside" | "outside">("inside");
  const [wall_m, setWall] = useState(0);
  const [fill, setFill] = useState<Material | null>(materials.get(FIRST_FILL) ?? null);
  const [reading, setReading] = useState<Partial<Record<string, string>>>({});
  const [shapeKind, setShapeKind] = useState<ShapeKind>("box");
  const [corners, setCorners] = useState<number[][]>(FIRST_CORNERS);
  const kind = kindOf({ kind: shapeKind });
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

  const wallRead = reading.wall ?? "";
  const notUnderstood = SHAPES[kind.kind].walled && ["refused", "either", "waiting"].includes(wallRead);
  const lacking = kind.measures.filter(({ key }) => measures[key] === undefined).map(({ label }) => label);
  if (notUnderstood) lacking.push("Wall thickness");
  const asking = Object.values(reading).includes("asking");

  const send = () => {
    if (lacking.length > 0) return;
    setSent(false);
    const shape = { kind: shapeKind, ...pick(measures, kind.measures) } as Shape;
    const first = fill ? { material: fill.key } : null;
    make.mutate({
      key: "new_bed",
      name: name.trim() || `Bed ${garden.beds.length + 1}`,
      shape: shapeKind === "polygon" ? ({ ...shape, corners_m: corners } as Shape) : shape,
      measured,
      wall_m: SHAPES[kind.kind].walled ? wall_m : 0,
      layers: first
        ? [shapeKind === "flat_area" ? { ...first, thickness_m: 0.1 } : { ...first, fill: true }]
        : [],
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

  const ft = garden.garden.units === "ft_in";
  const field = ({ key, label, limit, ft: feet, metric }: Measure) => (
    <MeasureField
      key={`${shapeKind} ${key}`}
      label={label}
      limit={limit}
      width={limit === "count" || limit === "slope" ? "112px" : "150px"}
      eager
      placeholder={ft ? feet : metric}
      shown=""
      onMeaning={({ values: [value] }) => setMeasures((before) => ({ ...before, [key]: value }))}
      onReading={(state) => {
        setReading((before) => (before[key] === state ? before : { ...before, [key]: state }));
        if (state !== "read")
          setMeasures((before) => (before[key] === undefined ? before : { ...before, [key]: undefined }));
      }}
    />
  );

  return (
    <NewBedBox>
      <h1>{garden.beds.length === 0 ? "Measure the first bed" : "Measure a bed"}</h1>
      <form onSubmit={submit} noValidate>
        <NewName>
          <span>What it is called</span>
          <input
           
            value={name}
            maxLength={80}
            placeholder={`Bed ${garden.beds.length + 1}`}
            onChange={(event) => setName(event.currentTarget.value)}
          />
        </NewName>
        <ShapePicker
          value={shapeKind}
          onChoose={(chosen) => {
            setShapeKind(chosen);
            setMeasures({});
            setReading((before) => ({ wall: before.wall }));
            setSent(false);
          }}
        />
        <TapeDrawing kind={shapeKind} />
        {shapeKind === "polygon" && <Corners gardenId={garden.id} corners={corners} onChange={setCorners} />}
        <NewRow>{kind.measures.map(field)}</NewRow>
        <NewRow>
          {SHAPES[kind.kind].walled && (
            <>
              <Choice label="The tape lay" shown options={TAPE_LAY} value={measured} onChoose={setMeasured} />
              <MeasureField
                label="Wall thickness, 0 if none"
                limit="wall"
                width="150px"
                eager
                shown=""
                placeholder={ft ? "1 1/2 in" : "38 mm"}
                onMeaning={({ values: [value = 0] }) => setWall(value)}
                onReading={(state) => {
                  setReading((before) => (before.wall === state ? before : { ...before, wall: state }));
                  if (state === "empty") setWall(0);
                }}
              />
            </>
          )}
          <NewFill>
            <MaterialFinder
              gardenId={garden.id}
              label="Filled with, to begin with"
              value={fill}
              onChoose={setFill}
              suits={isBulk}
            />
          </NewFill>
        </NewRow>
        {((sent && lacking.length > 0) || make.error) && (
          <NewProblem role="alert">
            {sent && lacking.length > 0
              ? `Still to be measured: ${lacking.join(", ").toLowerCase()}.`
              : saidOf(make.error)}
          </NewProblem>
        )}
        <Button variant="contained" type="submit" disabled={make.isPending}>
          Cut it open
        </Button>
      </form>
    </NewBedBox>
  );
}

function isBulk(material: Material): boolean {
  return !material.is_sheet;
}
