import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import { memo, lazy, Suspense, useCallback, useState } from "react";
import { Link } from "react-router";
import type { Bed, BedFigures } from "../api/client";
import { meant } from "../api/meant";
import { SHAPES } from "../api/words";
import type { BedDraft } from "../draft/bedDraft";
import { ShapeSign } from "../drawing/ShapeSign";
import { NameField } from "../kit/NameField";
import { showLength, trimmed, typedLength, type Units } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { asideOf, schoolName } from "../schools/ways";
import { STATES } from "../api/states";
import { acrossLess, kindOf, valueOf, withMeasure, type Measure } from "../shapes/kinds";

const BedMore = lazy(() => import("./BedMore"));
const BedState = lazy(() => import("./BedState"));

export type BedEdit = (change: (bed: Bed) => Bed) => void;
type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  onEdit: BedEdit;
  draft: BedDraft;
  undoable: { canUndo: boolean; canRedo: boolean };
  saved: boolean;
};

const Head = styled("header")({ display: "flex", gap: "6px 14px", alignItems: "center", flexWrap: "wrap" });

const Measures = styled("div")({
  display: "flex",
  gap: 6,
  alignItems: "center",
  flexWrap: "wrap",
  color: "var(--palette-soft)",
  fontSize: "var(--text-plain)",
});

const OneMeasure = styled("span")({ display: "inline-flex", gap: 6, alignItems: "center" });

/** The bed's name and its measures as the tape gives them; all else about it opens beside the drawing. */
export const BedHead = memo(function BedHead(props: Props) {
  const { gardenId, bed, figures, onEdit } = props;
  const [open, setOpen] = useState(false);
  const [stateOpen, setStateOpen] = useState(false);
  const rename = useCallback((name: string) => onEdit((now) => ({ ...now, name })), [onEdit]);
  const here = `/garden/${gardenId}/section/bed/${bed.key}`;
  return (
    <Head>
      <Typography
        variant="view"
        sx={{ maxWidth: "100%", "@media (max-width: 760px)": { fontSize: "var(--text-large)" } }}
      >
        <NameField label="Name of the bed" name={bed.name ?? ""} onName={rename} />
      </Typography>
      <Measures>
        <Chip
          clickable
          component="button"
          onClick={() => setStateOpen(true)}
          aria-haspopup="dialog"
          label={stateSaid(figures)}
          data-part="bed-state"
        />
        {figures.count > 1 && <Chip label={`${figures.count} alike`} />}
      </Measures>
      <Measures>
        <ShapeMeasures
          waitsAs={`${gardenId} ${bed.key}`}
          shape={bed.shape}
          measured={meant("Bed", bed, "measured")}
          elsewhere={saidElsewhere(bed)}
          onEdit={onEdit}
        />
        {bed.along_m && <AlongIts length_m={figures.outer_length_m} />}
        <Ways here={here} school={bed.school} aside={asideOf(bed).length} />
        <Button onClick={() => setOpen(true)} aria-haspopup="dialog">
          More measures
        </Button>
      </Measures>
      {stateOpen && (
        <Suspense>
          <BedState {...props} onClose={() => setStateOpen(false)} />
        </Suspense>
      )}
      {open && (
        <Suspense>
          <BedMore {...props} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </Head>
  );
});

function stateSaid({ state, layers }: BedFigures): string {
  if (state !== "filling") return STATES[state];
  return `${STATES.filling}, ${layers.filter(({ laid }) => laid >= 1).length} of ${layers.length} layers`;
}

function AlongIts({ length_m }: { length_m: number }) {
  const { units } = useShowing();
  return <span>{showLength(length_m, units)} along its line</span>;
}

/** Measures that its line or its facing says in the shape's place. */
function saidElsewhere({ along_m, faced }: Bed): string {
  return [...(along_m ? ["length_m", "top_length_m"] : []), ...(faced ? ["slope_deg"] : [])].join(" ");
}

type WaysProps = { here: string; school: Bed["school"]; aside: number };

/** How the bed is filled, and what is kept to compare. */
const Ways = memo(function Ways({ here, school, aside }: WaysProps) {
  return (
    <>
      <Chip
        component={Link}
        clickable
        to={`${here}/schools`}
        label={schoolName(school) ?? "How to fill it"}
        title="Ways to fill it"
      />
      {aside > 0 && <Chip component={Link} clickable to={`${here}/compare`} label={`Compare ${aside + 1}`} />}
    </>
  );
});

type ShapeProps = {
  waitsAs: string;
  shape: Bed["shape"];
  measured: string;
  /** Keys of measures that aren't asked here. */
  elsewhere: string;
  onEdit: BedEdit;
};

/** The measures of the bed's shape, as the tape gives them. */
const ShapeMeasures = memo(function ShapeMeasures({
  waitsAs,
  shape,
  measured,
  elsewhere,
  onEdit,
}: ShapeProps) {
  const { units } = useShowing();
  const { kind, measures: all } = kindOf(shape);
  const measures = all.filter(({ key }) => !elsewhere.split(" ").includes(key));
  const { walled } = SHAPES[kind];
  const plain = kind === "box";
  return (
    <>
      {!plain && <ShapeSign kind={kind} />}
      {walled && <span>{measured}</span>}
      {shape.kind === "polygon" && <span>{shape.corners_m.length} corners</span>}
      {measures.map(({ key, label, limit }, index) => (
        <OneMeasure key={key}>
          {plain && index > 0 && <span aria-hidden="true">×</span>}
          {!plain && <span aria-hidden="true">{label.toLowerCase()}</span>}
          <MeasureField
            waitsAs={waitsAs}
            label={label}
            hideLabel
            limit={limit}
            width={limit === "count" || limit === "slope" ? "64px" : "92px"}
            shown={shownMeasure((valueOf(shape, key) ?? 0) - acrossLess(shape, key), limit, units)}
            onMeaning={({ values: [value] }) =>
              value !== undefined &&
              onEdit((now) => withMeasure(now, key, value + acrossLess(now.shape, key)))
            }
          />
        </OneMeasure>
      ))}
      {plain && <span>deep</span>}
    </>
  );
});

function shownMeasure(value: number, limit: Measure["limit"], units: Units): string {
  return limit === "count" || limit === "slope" ? trimmed(value, 1) : typedLength(value, units);
}
