import Button from "@mui/material/Button";
import { useState } from "react";
import type { Bed, BedFigures } from "../api/client";
import { meant } from "../api/meant";
import { SHAPES } from "../api/words";
import type { BedDraft } from "../draft/bedDraft";
import { Choice } from "../kit/Choice";
import { Facing } from "../ground/Facing";
import { OverPit } from "../ground/OverPit";
import { StandsOn } from "../ground/StandsOn";
import { Group } from "../kit/Group";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Side } from "../kit/Side";
import { showLength, typedLength, type Units } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Corners } from "../shapes/Corners";
import { shapeLike, TAPE_LAY, withMeasure, withShape } from "../shapes/kinds";
import { ShapePicker } from "../shapes/ShapePicker";
import { BedActions } from "./BedActions";
import type { BedEdit } from "./BedHead";
import { Buried } from "./Buried";
import { FloorFit } from "./FloorFit";
import { Future } from "./Future";
import { PlantingHoles } from "./PlantingHoles";

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  onEdit: BedEdit;
  draft: BedDraft;
  undoable: { canUndo: boolean; canRedo: boolean };
  onClose: () => void;
};

const WORKED_FROM = [
  ["both_sides", "both sides"],
  ["one_side", "one side"],
] as const;

const BURIED_IN: readonly Bed["shape"]["kind"][] = [
  "trench",
  "herb_spiral",
  "ring_spiral",
  "hipped_mound",
  "round_mound",
];

const CORNERS = ["Left front", "Right front", "Right back", "Left back"] as const;

function sides(length_m: number, width_m: number, units: Units): string {
  return `${showLength(length_m, units)} × ${showLength(width_m, units)}`;
}

/** All else that can be said of a bed, its history and the bin. */
export default function BedMore({ gardenId, bed, figures, onEdit, draft, undoable, onClose }: Props) {
  const { units } = useShowing();
  const { walled, cornered } = SHAPES[bed.shape.kind];
  return (
    <Side title={`${bed.name}: measures`} onClose={onClose}>
      <Note data-part="more-note">
        {figures.section.form === "vessel" || figures.section.form === "trench"
          ? `Inside ${sides(figures.inside_length_m, figures.inside_width_m, units)}, outside `
          : "From end to end it is "}
        {sides(figures.outer_length_m, figures.outer_width_m, units)}.
        {figures.wall_loss_share > 0.0005 &&
          ` The walls take ${Math.round(figures.wall_loss_share * 100)} % of the ground.`}
      </Note>
      {walled && <Walls bed={bed} onEdit={onEdit} />}
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="How many alike"
          limit="count"
          width="100px"
          shown={String(meant("Bed", bed, "count"))}
          onMeaning={({ values: [count = 1] }) => onEdit((now) => ({ ...now, count }))}
        />
        <MeasureField
          label="Reach over the edge"
          limit="reach"
          width="130px"
          shown={typedLength(meant("Bed", bed, "reach_m"), units)}
          onMeaning={({ values: [reach_m] }) => onEdit((now) => ({ ...now, reach_m }))}
        />
        <Choice
          label="Worked from"
          shown
          options={WORKED_FROM}
          value={meant("Bed", bed, "worked_from")}
          onChoose={(each) => onEdit((now) => ({ ...now, worked_from: each }))}
        />
      </Row>
      <Future gardenId={gardenId} bed={bed} onEdit={onEdit} />
      <OverPit gardenId={gardenId} bed={bed} figures={figures} onEdit={onEdit} />
      {bed.shape.kind === "hipped_mound" && <Facing bed={bed} figures={figures} onEdit={onEdit} />}
      <StandsOn gardenId={gardenId} bed={bed} figures={figures} onEdit={onEdit} />
      <PlantingHoles gardenId={gardenId} bed={bed} figures={figures} onEdit={onEdit} />
      {cornered && <CornerDepths bed={bed} figures={figures} onEdit={onEdit} />}
      {(walled || BURIED_IN.includes(bed.shape.kind)) && (
        <Buried bed={bed} figures={figures} onEdit={onEdit} />
      )}
      {figures.section.form === "vessel" && <FloorFit gardenId={gardenId} bed={bed} />}
      <ShapeChange gardenId={gardenId} bed={bed} figures={figures} onEdit={onEdit} />
      <BedActions gardenId={gardenId} bed={bed} draft={draft} undoable={undoable} />
    </Side>
  );
}

function Walls({ bed, onEdit }: { bed: Bed; onEdit: BedEdit }) {
  const { units } = useShowing();
  return (
    <Row sx={{ alignItems: "flex-end" }}>
      <Choice
        label="The tape lay"
        shown
        options={TAPE_LAY}
        value={meant("Bed", bed, "measured")}
        onChoose={(each) => onEdit((now) => ({ ...now, measured: each }))}
      />
      <MeasureField
        label="Wall thickness"
        limit="wall"
        width="104px"
        shown={typedLength(meant("Bed", bed, "wall_m"), units)}
        onMeaning={({ values: [wall_m = 0] }) => onEdit((now) => ({ ...now, wall_m }))}
      />
      <MeasureField
        label="Headspace"
        limit="wall"
        width="92px"
        shown={typedLength(meant("Bed", bed, "headspace_m"), units)}
        onMeaning={({ values: [headspace_m = 0] }) => onEdit((now) => ({ ...now, headspace_m }))}
      />
    </Row>
  );
}

/** Another shape for the bed, of about its size; its corners, where it is a free outline. */
function ShapeChange({ gardenId, bed, figures, onEdit }: Pick_<"gardenId" | "bed" | "figures" | "onEdit">) {
  const [open, setOpen] = useState(false);
  const { shape } = bed;
  const size = {
    length_m: figures.inside_length_m,
    width_m: figures.inside_width_m,
    depth_m: Math.max(figures.rim_m, 0.1),
  };
  return (
    <Column sx={{ justifyItems: "start" }}>
      <Button aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Keep this shape" : "Another shape"}
      </Button>
      {open && (
        <ShapePicker
          value={shape.kind}
          onChoose={(kind) => {
            setOpen(false);
            if (kind !== shape.kind) onEdit((now) => withShape(now, shapeLike(kind, size)));
          }}
        />
      )}
      {shape.kind === "polygon" && (
        <Corners
          gardenId={gardenId}
          corners={shape.corners_m}
          onChange={(change) =>
            onEdit((now) =>
              now.shape.kind === "polygon" ? withMeasure(now, "corners_m", change(now.shape.corners_m)) : now,
            )
          }
        />
      )}
    </Column>
  );
}

type Pick_<K extends keyof Props> = Pick<Props, K>;

/** Depth at each corner, for a bed on ground that isn't level. */
function CornerDepths({ bed, figures, onEdit }: Pick_<"bed" | "figures" | "onEdit">) {
  const { units } = useShowing();
  const { corner_depths_m: depths } = bed;
  if (!depths) {
    const level = Array.from({ length: 4 }, () => figures.rim_m);
    return (
      <Row>
        <Button onClick={() => onEdit((now) => ({ ...now, corner_depths_m: level }))}>
          The ground isn&apos;t level
        </Button>
      </Row>
    );
  }
  return (
    <Group label="Depth at each corner, going round">
      {CORNERS.map((corner, index) => (
        <MeasureField
          key={corner}
          label={corner}
          limit="depth"
          width="96px"
          shown={typedLength(depths[index] ?? 0, units)}
          onMeaning={({ values: [value = 0] }) =>
            onEdit((now) => ({
              ...now,
              corner_depths_m: (now.corner_depths_m ?? depths).map((each, at) =>
                at === index ? value : each,
              ),
            }))
          }
        />
      ))}
      <Button onClick={() => onEdit((now) => ({ ...now, corner_depths_m: null }))}>It is level</Button>
    </Group>
  );
}
