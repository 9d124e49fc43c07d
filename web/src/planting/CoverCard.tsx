import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, type Bed, type BedFigures, type KeptBed } from "../api/client";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { Months } from "./Months";
import type { BedCover } from "./plantingApi";

const KINDS = [
  ["fleece", "Fleece on hoops"],
  ["film", "Film on hoops"],
  ["double_film", "Two layers of film"],
  ["net", "Net on hoops"],
  ["mesh_flat", "Mesh laid flat"],
  ["mesh_standing", "Mesh standing round it"],
  ["leaves", "Leaves for the winter"],
] as const;

const ANIMALS = [
  ["", "Nothing in particular"],
  ["birds", "Birds"],
  ["insects", "Insects"],
  ["cats", "Cats"],
  ["rabbits", "Rabbits"],
  ["deer", "Deer"],
  ["voles", "Voles"],
] as const;

const MESHES = ["net", "mesh_flat", "mesh_standing"];

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  onCover: (cover: BedCover | null) => void;
};

/** What lies over the bed: its pieces, the weeks it gains, and when it must be opened. */
export function CoverCard({ gardenId, bed, figures, onCover }: Props) {
  const { units } = useShowing();
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const beds = garden.data?.beds ?? [];
  const { cover } = bed;
  if (cover == null)
    return (
      <>
        <Note>
          Hoops with fleece or film gain weeks at both ends; nets and mesh keep animals out; leaves keep frost
          out of the ground.
        </Note>
        <Row>
          <Button variant="contained" onClick={() => onCover({ kind: "fleece" })}>
            Cover it
          </Button>
        </Row>
      </>
    );
  const change = (part: Partial<BedCover>) => onCover({ ...cover, ...part });
  const onHoops = figures.cover !== null && figures.cover.hoops > 0;
  return (
    <>
      <Pick label="Cover" options={KINDS} value={cover.kind} onChoose={(kind) => onCover({ kind })} />
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label={cover.kind === "leaves" ? "How deep" : "How high"}
          limit="length"
          width="108px"
          shown={cover.height_m == null ? "" : showLength(cover.height_m, units)}
          placeholder={figures.cover ? showLength(figures.cover.height_m, units) : undefined}
          onMeaning={({ values: [height_m] }) => change({ height_m })}
        />
        {onHoops && (
          <MeasureField
            label="Hoop to hoop"
            limit="length"
            width="108px"
            shown={cover.spacing_m == null ? "" : showLength(cover.spacing_m, units)}
            placeholder={figures.cover ? showLength(figures.cover.apart_m, units) : undefined}
            onMeaning={({ values: [spacing_m] }) => change({ spacing_m })}
          />
        )}
      </Row>
      {MESHES.includes(cover.kind) && (
        <Pick
          label="Keeps out"
          options={ANIMALS}
          value={cover.against ?? ""}
          onChoose={(against) => change({ against: against || null })}
        />
      )}
      {cover.kind === "mesh_standing" && beds.length > 1 && (
        <Pick
          label="Arch over to"
          options={[["", "No arch"], ...beds.filter(({ key }) => key !== bed.key).map(arched)]}
          value={cover.arch_to ?? ""}
          onChoose={(arch_to) => change({ arch_to: arch_to || null })}
        />
      )}
      {figures.cover && <CoverTold cover={figures.cover} />}
      <Tick
        label="It is there already"
        checked={cover.there === true}
        onTick={(there) => change({ there })}
      />
      <Row>
        <Button onClick={() => onCover(null)}>Take the cover away</Button>
      </Row>
    </>
  );
}

function arched({ key, bed }: KeptBed): readonly [string, string] {
  return [key, bed.name ?? key];
}

function CoverTold({ cover }: { cover: NonNullable<BedFigures["cover"]> }) {
  const [wide_m, long_m] = cover.sheet_m;
  const opened = cover.vent_days.reduce((all, each) => all + each, 0);
  return (
    <>
      {cover.hoops > 0 && (
        <Note>
          {cover.hoops} rods of <Quantity kind="length" value={cover.hoop_m} />, one each{" "}
          <Quantity kind="length" value={cover.apart_m} />, what goes into the ground with them; a line of{" "}
          <Quantity kind="length" value={cover.ridge_m} /> along the top.
        </Note>
      )}
      {cover.stakes > 0 && (
        <Note>
          {cover.stakes} stakes, one each <Quantity kind="length" value={cover.apart_m} />.
        </Note>
      )}
      {cover.sheets > 0 && (
        <Note>
          {cover.sheets === 1 ? "A sheet" : `${cover.sheets} sheets`} of{" "}
          <Quantity kind="length" value={wide_m} /> by <Quantity kind="length" value={long_m} />, its hem with
          it.
        </Note>
      )}
      {cover.leaves_m3 > 0 && (
        <Note>
          <Quantity kind="bulk" value={cover.leaves_m3} /> of leaves as they lie.
        </Note>
      )}
      {cover.weeks_spring && (
        <Typography>
          Gains <b>{weeks(cover.weeks_spring)}</b> in spring
          {cover.weeks_autumn && (
            <>
              {" "}
              and <b>{weeks(cover.weeks_autumn)}</b> in autumn
            </>
          )}
          .
        </Typography>
      )}
      {opened > 0 && <Months label="Days to open it" unit="days" values={cover.vent_days} />}
      {cover.told.map((each) => (
        <Note key={each}>{each}</Note>
      ))}
    </>
  );
}

/** So many weeks, from the least to the most. */
function weeks([, least, most]: readonly [number, number, number]): string {
  const [low, high] = [Math.round(least), Math.round(most)];
  return low === high ? `${low} weeks` : `${low} to ${high} weeks`;
}
