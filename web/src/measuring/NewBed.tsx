import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { api, saidOf, type Bed, type KeptGarden, type Material, type ShapeKind } from "../api/client";
import { SHAPES, USUAL_M } from "../api/words";
import { meant } from "../api/meant";
import { TapeDrawing } from "../drawing/TapeDrawing";
import { Choice } from "../kit/Choice";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useWhenReady } from "../kit/useWhenReady";
import { PlainView } from "../kit/View";
import { MeasureField } from "../quantities/MeasureField";
import { SaidLastTime } from "../season/SaidLastTime";
import { Corners } from "../shapes/Corners";
import { kindOf, TAPE_LAY } from "../shapes/kinds";
import { ShapePicker } from "../shapes/ShapePicker";
import { Filling, type Fill } from "./Filling";
import { Holds } from "./Holds";
import { Measures } from "./Measures";
import { useMeasures } from "./useMeasures";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material>; onMade: (key: string) => void };

const FIRST_FILL = "raised_bed_mix";

/** Measure a new bed: its shape, what the tape says, what it holds at once, and how it will be filled. */
export default function NewBed({ garden, materials, onMade }: Props) {
  const queries = useQueryClient();
  const units = meant("Garden", garden.garden, "units");
  const [name, setName] = useState("");
  const [shapeKind, setShapeKind] = useState<ShapeKind>("box");
  const [measured, setMeasured] = useState<"inside" | "outside">("inside");
  const [wall_m, setWall] = useState(0);
  const [fill, setFill] = useState<Fill>({ material: FIRST_FILL });
  const measures = useMeasures(shapeKind);
  const [count, setCount] = useState(1);
  const [sent, setSent] = useState(false);
  const { walled, fills } = SHAPES[shapeKind];

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

  const usual = USUAL_M[units];
  const empty: Bed | null = measures.shape && {
    key: "new_bed",
    name: name.trim() || `Bed ${garden.beds.length + 1}`,
    count,
    shape: measures.shape,
    measured,
    wall_m: walled ? wall_m : 0,
    headspace_m: walled ? usual.headspace_m : null,
    reach_m: usual.reach_m,
    layers: [],
  };
  const lacking = measures.lacking(walled);
  const send = () => {
    if (!empty || lacking.length > 0) return setSent(true);
    setSent(false);
    make.mutate(filled(empty, fill, fills, usual.thickness_m));
  };
  // sent before the last measure was read: what was typed is waited for, not called missing
  const sendSoon = useWhenReady(!measures.isAsking, send);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    sendSoon();
  };

  return (
    <PlainView>
      <Typography variant="view">
        {garden.beds.length === 0 ? "Measure the first bed" : "Measure a bed"}
      </Typography>
      {garden.beds.length > 0 && <SaidLastTime gardenId={garden.id} />}
      <Sheet
        component="form"
        onSubmit={submit}
        {...{ noValidate: true }}
        sx={{
          display: "grid",
          gridTemplateColumns: "minmax(0, 1fr)",
          gap: 4,
          maxWidth: 1120,
          "& input, & button": { scrollMarginBottom: "84px" },
        }}
      >
        <Row sx={{ alignItems: "flex-end", gap: 4 }}>
          <TextField
            label="What it is called"
            value={name}
            placeholder={`Bed ${garden.beds.length + 1}`}
            onChange={(event) => setName(event.target.value)}
            slotProps={{ htmlInput: { maxLength: 80 } }}
            sx={{ width: 340, maxWidth: "100%" }}
          />
          <MeasureField
            label="How many alike"
            limit="count"
            width="110px"
            eager
            shown="1"
            onMeaning={({ values: [many = 1] }) => setCount(many)}
            onReading={(state) => {
              measures.read("count", state);
              if (state === "empty") setCount(1);
            }}
          />
        </Row>
        <ShapePicker
          value={shapeKind}
          onChoose={(chosen) => {
            setShapeKind(chosen);
            setSent(false);
          }}
        />
        <Row sx={{ gap: 5, alignItems: "flex-start" }}>
          <Column sx={{ flex: "1 1 420px" }}>
            <Measures key={shapeKind} kind={kindOf({ kind: shapeKind })} units={units} measures={measures} />
            {shapeKind === "polygon" && (
              <Corners gardenId={garden.id} corners={measures.corners} onChange={measures.setCorners} />
            )}
            {walled && (
              <Row sx={{ alignItems: "flex-end", gap: 4 }}>
                <Choice
                  label="The tape lay"
                  shown
                  options={TAPE_LAY}
                  value={measured}
                  onChoose={setMeasured}
                />
                <MeasureField
                  label="Wall thickness, 0 if none"
                  limit="wall"
                  width="170px"
                  eager
                  shown=""
                  placeholder={units === "ft_in" ? "1 1/2 in" : "38 mm"}
                  onMeaning={({ values: [value = 0] }) => setWall(value)}
                  onReading={(state) => {
                    measures.read("wall", state);
                    if (state === "empty") setWall(0);
                  }}
                />
              </Row>
            )}
            <Holds gardenId={garden.id} bed={empty} material={fillMaterial(fill)} />
          </Column>
          <TapeDrawing kind={shapeKind} />
        </Row>
        <Filling gardenId={garden.id} bed={empty} materials={materials} fill={fill} onFill={setFill} />
        {sent && lacking.length > 0 && (
          <Problem>Still to be measured: {lacking.join(", ").toLowerCase()}.</Problem>
        )}
        {make.error && <Problem>{saidOf(make.error)}</Problem>}
        {/* held in sight: what is drawn above comes later, and would push it from under the finger */}
        <Row sx={HELD}>
          <Button variant="contained" type="submit" disabled={make.isPending}>
            Cut it open
          </Button>
        </Row>
      </Sheet>
    </PlainView>
  );
}

const HELD = {
  position: "sticky",
  bottom: 0,
  zIndex: 1,
  backgroundColor: "sheet",
  borderTop: "1px solid",
  borderColor: "line",
  paddingBlock: 2,
} as const;

function fillMaterial(fill: Fill): string {
  return "material" in fill ? fill.material : FIRST_FILL;
}

/** The bed with what was chosen to fill it: one material, or a school's layers. */
function filled(bed: Bed, fill: Fill, fills: boolean, first_m: number): Bed {
  if (!("material" in fill)) return { ...bed, ...fill };
  const { material } = fill;
  return { ...bed, layers: [fills ? { material, fill: true } : { material, thickness_m: first_m }] };
}
