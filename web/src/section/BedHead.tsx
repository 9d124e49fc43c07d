import Button from "@mui/material/Button";
import {
  BedChip,
  BedHeadBox,
  BedMeasure,
  BedMeasures,
  BedTitle,
  CornerDepthsBox,
  MoreMeasuresBox,
  MoreNote,
  ShapeChangeBox,
} from "./bed-head.styles";
import { SHAPES } from "../api/words";
import { meant } from "../api/meant";
import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import type { Bed, BedFigures } from "../api/client";
import { Choice } from "../kit/Choice";
import { trimmed, typedLength, type Units } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Corners } from "../shapes/Corners";
import { kindOf, shapeLike, valueOf, withMeasure, withShape, type Measure } from "../shapes/kinds";
import { ShapePicker } from "../shapes/ShapePicker";
import { ShapeSign } from "../shapes/ShapeSign";
import { asideOf, schoolName } from "../schools/ways";
import { Future } from "./Future";
import { BedActions } from "./BedActions";
import { Buried } from "./Buried";
import type { BedSession } from "./session";

type Props = { bed: Bed; figures: BedFigures; onEdit: (change: (bed: Bed) => Bed) => void };
type HeadProps = Props & {
  gardenId: number;
  session: BedSession;
  undoable: { canUndo: boolean; canRedo: boolean };
};

/** The bed's name and its measures as the tape gives them. */
export function BedHead({ gardenId, bed, figures, onEdit, session, undoable }: HeadProps) {
  const [open, setOpen] = useState(false);
  const here = `/garden/${gardenId}/section/bed/${bed.key}`;
  const aside = asideOf(bed).length;
  return (
    <BedHeadBox>
      <BedName key={bed.name} bed={bed} onEdit={onEdit} />
      <BedMeasures>
        <ShapeMeasures bed={bed} onEdit={onEdit} />
        <BedChip to={`${here}/schools`} title="Ways to fill it">
          {schoolName(bed.school) ?? "Choose a school"}
        </BedChip>
        {aside > 0 && (
          <BedChip to={`${here}/compare`}>
            Compare {aside + 1}
          </BedChip>
        )}
        {figures.count > 1 && (
          <BedChip as="span">
            {figures.count} alike
          </BedChip>
        )}
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Fewer" : "More"}
          <span> measures</span>
        </Button>
      </BedMeasures>
      {open && (
        <MoreMeasures gardenId={gardenId} bed={bed} figures={figures} onEdit={onEdit}>
          <BedActions gardenId={gardenId} bed={bed} session={session} undoable={undoable} />
        </MoreMeasures>
      )}
    </BedHeadBox>
  );
}

/** The measures of the bed's shape, as the tape gives them. */
function ShapeMeasures({ bed, onEdit }: Omit<Props, "figures">) {
  const { units } = useShowing();
  const { kind, measures } = kindOf(bed.shape);
  const { walled } = SHAPES[kind];
  const plain = kind === "box";
  return (
    <>
      {!plain && <ShapeSign kind={kind} />}
      {walled && <span>{meant("Bed", bed, "measured")}</span>}
      {kind === "polygon" && (
        <span>{bed.shape.kind === "polygon" && bed.shape.corners_m.length} corners</span>
      )}
      {measures.map(({ key, label, limit }, index) => (
        <BedMeasure key={key}>
          {plain && index > 0 && <span aria-hidden="true">×</span>}
          {!plain && <span aria-hidden="true">{label.toLowerCase()}</span>}
          <MeasureField
            label={label}
            hideLabel
            limit={limit}
            width={limit === "count" || limit === "slope" ? "56px" : "84px"}
            shown={shownMeasure(valueOf(bed.shape, key) ?? 0, limit, units)}
            onMeaning={({ values: [value] }) =>
              value !== undefined && onEdit((bed) => withMeasure(bed, key, value))
            }
          />
        </BedMeasure>
      ))}
      {plain && <span>deep</span>}
    </>
  );
}

function shownMeasure(value: number, limit: Measure["limit"], units: Units): string {
  return limit === "count" || limit === "slope" ? trimmed(value, 1) : typedLength(value, units);
}

/** Another shape for the bed, of about its size; its corners, where it is a free outline. */
function ShapeChange({ gardenId, bed, figures, onEdit }: Props & { gardenId: number }) {
  const [open, setOpen] = useState(false);
  const { shape } = bed;
  const size = {
    length_m: figures.inside_length_m,
    width_m: figures.inside_width_m,
    depth_m: Math.max(figures.rim_m, 0.1),
  };
  return (
    <ShapeChangeBox>
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
          onChange={(corners_m) => onEdit((now) => withMeasure(now, "corners_m", corners_m))}
        />
      )}
    </ShapeChangeBox>
  );
}

const WORKED_FROM = [
  ["both_sides", "both sides"],
  ["one_side", "one side"],
] as const;

const CORNERS = ["Left front", "Right front", "Right back", "Left back"] as const;

/** Depth at each corner, for a bed on ground that isn't level. */
function CornerDepths({ bed, figures, onEdit }: Props) {
  const { units } = useShowing();
  const { corner_depths_m: depths } = bed;
  if (!depths) {
    const level = Array.from({ length: 4 }, () => figures.rim_m);
    return (
      <Button onClick={() => onEdit((bed) => ({ ...bed, corner_depths_m: level }))}>
        The ground isn&apos;t level
      </Button>
    );
  }
  return (
    <CornerDepthsBox>
      <legend>Depth at each corner, going round</legend>
      {CORNERS.map((corner, index) => (
        <MeasureField
          key={corner}
          label={corner}
          limit="depth"
          width="84px"
          shown={typedLength(depths[index] ?? 0, units)}
          onMeaning={({ values: [value = 0] }) =>
            onEdit((bed) => ({
              ...bed,
              corner_depths_m: (bed.corner_depths_m ?? depths).map((each, at) =>
                at === index ? value : each,
              ),
            }))
          }
        />
      ))}
      <Button onClick={() => onEdit((bed) => ({ ...bed, corner_depths_m: null }))}>
        It is level
      </Button>
    </CornerDepthsBox>
  );
}

function BedName({ bed, onEdit }: Omit<Props, "figures">) {
  const [name, setName] = useState(bed.name ?? "");
  const commit = () => {
    const wanted = name.trim();
    if (wanted && wanted !== bed.name) onEdit((bed) => ({ ...bed, name: wanted.slice(0, 80) }));
    else setName(bed.name ?? "");
  };
  return (
    <BedTitle>
      <input
        aria-label="Name of the bed"
        value={name}
        maxLength={80}
        size={Math.max(name.length, 4)}
        onChange={(event) => setName(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
    </BedTitle>
  );
}

function MoreMeasures({
  gardenId,
  bed,
  figures,
  onEdit,
  children,
}: Props & { gardenId: number; children: ReactNode }) {
  const { units } = useShowing();
  const { walled, cornered } = SHAPES[bed.shape.kind];
  const measured = meant("Bed", bed, "measured");
  return (
    <MoreMeasuresBox variant="outlined" component="div">
      {walled && (
        <>
          <Choice
            label="The tape lay"
            shown
            options={TAPE_LAY}
            value={measured}
            onChoose={(each) => onEdit((bed) => ({ ...bed, measured: each }))}
          />
          <MeasureField
            label="Wall thickness"
            limit="wall"
            width="92px"
            shown={typedLength(meant("Bed", bed, "wall_m"), units)}
            onMeaning={({ values: [wall_m = 0] }) => onEdit((bed) => ({ ...bed, wall_m }))}
          />
          <MeasureField
            label="Headspace"
            limit="wall"
            width="92px"
            shown={typedLength(meant("Bed", bed, "headspace_m"), units)}
            onMeaning={({ values: [headspace_m = 0] }) => onEdit((bed) => ({ ...bed, headspace_m }))}
          />
        </>
      )}
      <MeasureField
        label="How many alike"
        limit="count"
        width="74px"
        shown={String(meant("Bed", bed, "count"))}
        onMeaning={({ values: [count = 1] }) => onEdit((bed) => ({ ...bed, count }))}
      />
      <Choice
        label="Worked from"
        shown
        options={WORKED_FROM}
        value={meant("Bed", bed, "worked_from")}
        onChoose={(each) => onEdit((bed) => ({ ...bed, worked_from: each }))}
      />
      <MeasureField
        label="Reach over the edge"
        limit="reach"
        width="92px"
        shown={typedLength(meant("Bed", bed, "reach_m"), units)}
        onMeaning={({ values: [reach_m] }) => onEdit((bed) => ({ ...bed, reach_m }))}
      />
      <Future gardenId={gardenId} bed={bed} onEdit={onEdit} />
      {cornered && <CornerDepths bed={bed} figures={figures} onEdit={onEdit} />}
      <MoreNote data-part="more-note">
        Inside {typedLength(figures.inside_length_m, units)} × {typedLength(figures.inside_width_m, units)},
        outside {typedLength(figures.outer_length_m, units)} × {typedLength(figures.outer_width_m, units)}.
        {figures.wall_loss_share > 0.0005 &&
          ` The walls take ${Math.round(figures.wall_loss_share * 100)} % of the ground.`}
      </MoreNote>
      {(walled || bed.shape.kind === "trench") && <Buried bed={bed} onEdit={onEdit} />}
      <ShapeChange gardenId={gardenId} bed={bed} figures={figures} onEdit={onEdit} />
      {children}
    </MoreMeasuresBox>
  );
}
