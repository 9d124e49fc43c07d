import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import Typography from "@mui/material/Typography";
import { Problem } from "../kit/Problem";
import { PlotAside, PlotHeading, PlotHint, PlotLeft, PlotPage, PlotStage } from "./plot-sheet.styles";
import { PlotBed, PlotBeds, PlotNew, PlotDrawing, PlotFact, PlotViewBox } from "./plot.styles";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useCallback, useState } from "react";
import {
  api,
  type Bed,
  type BedFigures,
  type KeptGarden,
  type Material,
  type Plot,
  type Schemas,
} from "../api/client";
import { Sign } from "../drawing/Sign";
import { useSaveState } from "../draft/SaveStateContext";
import { showLength } from "../quantities/format";
import { withSeen } from "../draft/edits";
import { Troubles } from "../gardens/Troubles";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { useSize } from "../kit/useSize";
import { Align } from "./Align";
import { AlongLine } from "./AlongLine";
import { BarrowWays } from "./BarrowWays";
import { Bin } from "./Bin";
import { GroundFacts } from "./GroundFacts";
import { Levels } from "./Levels";
import { MeasureGround } from "./MeasureGround";
import { MoreRoom, type RoomShown } from "./MoreRoom";
import { Paths } from "./Paths";
import { PlacePanel } from "./PlacePanel";
import { PlotFindings } from "./PlotFindings";
import { PlotSheet, type Chosen } from "./PlotSheet";
import { Sizing } from "./Sizing";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import type { Placing } from "./placing";
import { Things } from "./Things";
import { STATES } from "../api/states";
import { Unplaced } from "./Unplaced";
import { usePlot } from "./usePlot";
import { useRows } from "./useRows";
import { useUndoKeys } from "../kit/useUndoKeys";

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  bedPath: (key: string) => string;
};

const CARD_WIDTH = 228;
const CARD_HEIGHT = 120;
const MOST_HEIGHT = 620;
const NO_POINTS: readonly (readonly number[])[] = [];
const FOLLOWS_A_LINE: readonly Bed["shape"]["kind"][] = ["trench", "hipped_mound", "round_mound"];

/** The measured ground with the beds on it; beneath, all beds cut open, and where a new one starts. */
export default function PlotView({ garden, materials, bedPath }: Props) {
  const answer = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const beds = answer.data?.figures.beds ?? [];
  const { plot } = garden.garden;
  return (
    <PlotPage>
      <Typography variant="view" data-part="view-title">
        Plot
      </Typography>
      <Troubles gardenId={garden.id} troubles={garden.troubles} bedPath={bedPath} />
      {answer.error && <Problem>{answer.error.message}</Problem>}
      {plot ? (
        <OnGround garden={garden} plot={plot} beds={beds} materials={materials} bedPath={bedPath} />
      ) : (
        // a plot that can't be read still lies there, and measuring anew would write over it
        !garden.troubles.some(({ kind }) => kind === "plot") && <MeasureGround garden={garden} />
      )}
      <PlotViewBox data-part="plot-view">
        <AllBeds garden={garden} beds={beds} materials={materials} bedPath={bedPath} />
        <Sizing garden={garden} materials={materials} />
      </PlotViewBox>
    </PlotPage>
  );
}

type GroundProps = Props & { plot: Plot; beds: readonly BedFigures[] };

function OnGround({ garden, plot, beds, materials, bedPath }: GroundProps) {
  const work = usePlot(garden, plot);
  const { state } = work;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [placing, setPlacing] = useState<Placing>(null);
  const [room, setRoom] = useState<RoomShown>(null);
  const [ways, setWays] = useState<readonly Schemas["WayFigures"][]>([]);
  const rows = useRows(garden, work, setChosen);
  const [stage, size] = useSize<HTMLDivElement>();
  useSaveState(state.save);
  useUndoKeys(work.undo, work.redo);
  const bed = chosen ? beds.find((each) => each.key === chosen.key) : undefined;
  const keptBed = chosen ? garden.beds.find((each) => each.key === chosen.key)?.bed : undefined;
  const place = chosen ? work.placesOf(chosen.key)[chosen.index] : undefined;
  const show = useCallback((key: string) => setChosen({ key, index: 0 }), []);
  const parts = { gardenId: garden.id, plot: state.plot, figures: state.figures, onEdit: work.edit };
  return (
    <PlotStage>
      <PlotLeft ref={stage}>
        {state.problem && <Problem>{state.problem} The figures are those from before.</Problem>}
        {state.save.state === "refused" && (
          <Problem>{state.save.problem.detail} Nothing of this is saved yet.</Problem>
        )}
        {state.save.state === "stale" && (
          <Alert severity="error" role="alert">
            The plot was changed elsewhere. Yours is not saved yet; whichever you keep, undo brings the other
            back.
            <Row>
              <Button onClick={() => work.settle("mine")}>Keep mine</Button>
              <Button onClick={() => work.settle("theirs")}>Take the newer one</Button>
            </Row>
          </Alert>
        )}
        {size.width > 0 && (
          <PlotSheet
            garden={garden}
            work={work}
            beds={beds}
            materials={materials}
            width={size.width}
            height={MOST_HEIGHT}
            chosen={chosen}
            onChoose={setChosen}
            onPlace={placing?.put ?? null}
            sketch={placing?.line ?? NO_POINTS}
            ways={ways}
            drawing={rows.drawing}
            ghosts={rows.ghosts}
            room={room?.middles ?? []}
            roomSize={room?.size ?? null}
          />
        )}
        <PlotHint>
          Drag a bed to move it (Alt for no snapping), turn it by its handle. Keys: arrows, Shift for far, [
          and ] turn. Dashed beds are planned.
        </PlotHint>
        <Unplaced garden={garden} rows={rows} />
        <Row>
          <Button component={Link} to={`/garden/${garden.id}/plot/setting-out`}>
            Set it out with two tapes
          </Button>
        </Row>
      </PlotLeft>
      <PlotAside>
        {chosen && bed && place ? (
          <PlacePanel
            key={`${chosen.key} ${chosen.index}`}
            chosen={chosen}
            bed={bed}
            place={place}
            figures={state.figures}
            to={bedPath(chosen.key)}
            onPut={(next) => work.put(chosen.key, chosen.index, next)}
            onTakeOff={() => {
              setChosen(null);
              work.takeOff(chosen.key, chosen.index);
            }}
          >
            {keptBed && FOLLOWS_A_LINE.includes(keptBed.shape.kind) && (
              <AlongLine
                bed={keptBed}
                length_m={bed.outer_length_m}
                figures={state.figures}
                placing={placing}
                onPlacing={setPlacing}
                onEdit={(change) => work.editBed(chosen.key, change)}
              />
            )}
            <Align
              garden={garden}
              work={work}
              chosen={chosen}
              onTwin={(place) => work.putTwin(chosen.key, place)}
            />
          </PlacePanel>
        ) : (
          <GroundFacts {...parts} />
        )}
        <Paths {...parts} materials={materials} placing={placing} onPlacing={setPlacing} />
        <PlotFindings
          findings={state.figures?.findings ?? []}
          onShow={show}
          onMend={work.mend}
          onSeen={(key, code, reason) => work.editBed(key, (now) => withSeen(now, code, reason))}
        />
        <BarrowWays
          gardenId={garden.id}
          plot={state.plot}
          placing={placing}
          onPlacing={setPlacing}
          onEdit={work.edit}
          onShow={setWays}
        />
        <MoreRoom gardenId={garden.id} state={state} onShow={setRoom} />
        <Things plot={state.plot} placing={placing} onEdit={work.edit} onPlacing={setPlacing} />
        <Levels plot={state.plot} figures={state.figures} onEdit={work.edit} onPlacing={setPlacing} />
      </PlotAside>
    </PlotStage>
  );
}

function AllBeds({ garden, beds, materials, bedPath }: Props & { beds: readonly BedFigures[] }) {
  return (
    <div>
      <PlotHeading>The beds, cut open</PlotHeading>
      <PlotBeds data-part="plot-beds">
        {beds.map((bed) => (
          <li key={bed.key}>
            <BedCard bed={bed} materials={materials} to={bedPath(bed.key)} />
          </li>
        ))}
        <li>
          <PlotNew to={`/garden/${garden.id}/new`}>
            <Sign name="new" />
            <span>{garden.beds.length === 0 ? "Measure the first bed" : "Measure another bed"}</span>
          </PlotNew>
        </li>
      </PlotBeds>
      <Bin gardenId={garden.id} materials={materials} />
    </div>
  );
}

type CardProps = { bed: BedFigures; materials: ReadonlyMap<string, Material>; to: string };

function BedCard({ bed, materials, to }: CardProps) {
  const { units } = useShowing();
  const size = [bed.inside_length_m, bed.inside_width_m, bed.rim_m]
    .map((each) => showLength(each, units))
    .join(" × ");
  const grave = bed.findings.filter((finding) => !finding.seen && finding.level !== "note").length;
  return (
    <PlotBed data-part="plot-bed" to={to}>
      <PlotDrawing>
        <SmallSection figures={bed} materials={materials} scale={smallScale(bed, CARD_WIDTH, CARD_HEIGHT)} />
      </PlotDrawing>
      <strong>
        {bed.name}
        {bed.count > 1 && <span>{bed.count} alike</span>}
      </strong>
      <PlotFact data-part="bed-state">
        {STATES[bed.state]}
        {bed.today_m != null && (
          <>
            , its surface at <Quantity kind="length" value={bed.today_m} />
          </>
        )}
      </PlotFact>
      <PlotFact data-part="plot-fact">
        {size} {HOW[bed.section.form]}
      </PlotFact>
      <PlotFact data-part="plot-fact">
        <Quantity kind="volume" value={bed.placed_m3} /> placed{bed.count > 1 && ", each"} ·{" "}
        <Quantity kind="mass" value={bed.mass_saturated_kg} /> wet
      </PlotFact>
      <PlotFact>
        {grave === 0
          ? "nothing to mend"
          : grave === 1
            ? "1 thing worth a look"
            : `${grave} things worth a look`}
      </PlotFact>
    </PlotBed>
  );
}

const HOW = { vessel: "deep, inside", trench: "deep", mound: "high", spiral: "high", flat: "thick" } as const;
