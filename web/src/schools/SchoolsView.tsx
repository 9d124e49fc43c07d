import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PageNote } from "../kit/Page";
import {
  SchoolActions,
  SchoolCardBox,
  SchoolDrawn,
  SchoolFiguresBox,
  SchoolWords,
  SchoolsFull,
  SchoolsList,
  SchoolsOthers,
  SchoolsViewBox,
} from "./schools.styles";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import {
  api,
  saidOf,
  type Bed,
  type KeptBed,
  type Layer,
  type Material,
  type Reservoir,
  type School,
  type SchoolFigures,
} from "../api/client";
import { useSaveState } from "../app/SaveStateContext";
import { SmallSection, smallScale } from "../plot/SmallSection";
import { Quantity } from "../quantities/Quantity";
import { firstSowing } from "../planting/Sowing";
import { useSession } from "../section/useSession";
import { asideOf, layWay, roomAside, setAside, wayName, type Way } from "./ways";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

const DRAWN = { width: 250, height: 150 };

/** The schools that suit a bed, each with the stack it starts with, what speaks for it and who argues against it. */
export function SchoolsView({ gardenId, kept, materials, back }: Props) {
  const [state, session] = useSession(gardenId, kept);
  const { bed } = state;
  const navigate = useNavigate();
  useSaveState(state.save);
  const found = useQuery({
    queryKey: ["schools", gardenId, shapeOf(bed)],
    queryFn: () => api.figureSchools(gardenId, { ...bed, set_aside: [] }),
  });
  const schools = found.data?.schools ?? [];
  const suited = schools.filter(({ unsuited }) => unsuited == null);
  const scale = Math.min(
    ...suited.flatMap(({ figures }) => (figures ? smallScale(figures, DRAWN.width, DRAWN.height) : [])),
  );
  const lay = (way: Way) => {
    session.edit(layWay(session.snapshot().bed, way, wayName(session.snapshot().bed)));
    void navigate(back);
  };
  const keepAside = (way: Way) => session.edit(setAside(session.snapshot().bed, way));
  return (
    <SchoolsViewBox>
      <header>
        <Typography variant="view" data-part="view-title">
          {bed.name}: ways to fill it
        </Typography>
        <Button component={Link} to={back}>
          Back to the section
        </Button>
        {asideOf(bed).length > 0 && (
          <Button component={Link} to={`${back}/compare`}>
            Compare {asideOf(bed).length + 1}
          </Button>
        )}
      </header>
      {!roomAside(bed) && (
        <SchoolsFull variant="outlined" component="p" role="status">
          Three ways are set aside already. Leave one out in <Link to={`${back}/compare`}>Compare</Link>{" "}
          first.
        </SchoolsFull>
      )}
      {found.error && <p role="alert">{saidOf(found.error)}</p>}
      {!found.data && !found.error && <PageNote data-part="page-note">Laying each out ...</PageNote>}
      <SchoolsList>
        {suited.map((school) => (
          <SchoolCard
            key={school.key}
            school={school}
            bed={bed}
            materials={materials}
            scale={scale}
            onLay={lay}
            onAside={keepAside}
          />
        ))}
      </SchoolsList>
      {schools.length > suited.length && (
        <SchoolsOthers aria-labelledby="schools-others">
          <h2 id="schools-others">Not for this bed</h2>
          <ul>
            {schools
              .filter(({ unsuited }) => unsuited != null)
              .map(({ key, unsuited }) => (
                <li key={key}>{unsuited}</li>
              ))}
          </ul>
        </SchoolsOthers>
      )}
    </SchoolsViewBox>
  );
}

function shapeOf({
  shape,
  measured,
  wall_m,
  headspace_m,
  corner_depths_m,
  built_on,
  dampness,
  reservoir,
}: Bed) {
  return JSON.stringify({
    shape,
    measured,
    wall_m,
    headspace_m,
    corner_depths_m,
    built_on,
    dampness,
    reservoir,
  });
}

type CardProps = {
  school: SchoolFigures;
  bed: Bed;
  materials: ReadonlyMap<string, Material>;
  scale: number;
  onLay: (way: Way) => void;
  onAside: (way: Way) => void;
};

function SchoolCard({ school, bed, materials, scale, onLay, onAside }: CardProps) {
  const { figures } = school;
  const way: Way = {
    name: school.name,
    school: school.key as School,
    layers: school.layers as Layer[],
    reservoir: school.reservoir as Reservoir | null,
  };
  const aside = asideOf(bed).some((each) => each.school === school.key);
  const laid = bed.school === school.key;
  const empty = bed.layers.length === 0;
  const facts = [
    ["Cost", school.cost],
    ["Effort", school.effort],
    ["Sinks", school.settling],
    ["Planting", school.planting],
    ["Feeds", school.feeds],
  ] as const;
  return (
    <SchoolCardBox variant="outlined" component="li" data-part="school-card">
      <SchoolDrawn>
        {figures && <SmallSection figures={figures} materials={materials} scale={scale} />}
      </SchoolDrawn>
      <SchoolWords>
        <h2>
          {school.name}
          {laid && <span>laid now</span>}
          {aside && <span>set aside</span>}
        </h2>
        <p>{school.summary}</p>
        {figures && (
          <SchoolFiguresBox>
            <Quantity kind="bulk" value={figures.loose_m3} /> loose{figures.count > 1 && " a bed"}, sinks{" "}
            <Quantity kind="length" value={(figures.surface_m[0] ?? 0) - (figures.surface_m[12] ?? 0)} /> in a
            year, sown {firstSowing(figures)}
          </SchoolFiguresBox>
        )}
        <SchoolActions>
          <Button disabled={!empty && !roomAside(bed)} onClick={() => onLay(way)}>
            {empty ? "Lay it" : "Lay it, set mine aside"}
          </Button>
          {!empty && (
            <Button disabled={aside || !roomAside(bed)} onClick={() => onAside(way)}>
              Keep mine, compare with it
            </Button>
          )}
        </SchoolActions>
      </SchoolWords>
      <dl>
        {facts.map(([name, said]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{said}</dd>
          </div>
        ))}
        <div>
          <dt>Against it</dt>
          <dd>{school.against}</dd>
        </div>
      </dl>
    </SchoolCardBox>
  );
}
