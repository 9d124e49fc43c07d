import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PageNote } from "../kit/Page";
import Alert from "@mui/material/Alert";
import Chip from "@mui/material/Chip";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { PlainView, ViewHead } from "../kit/View";
import { SchoolCardBox, SchoolDrawn, SchoolFacts, SchoolsList } from "./schools.styles";

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
import { useSaveState } from "../draft/SaveStateContext";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { Quantity } from "../quantities/Quantity";
import { firstSowing } from "../planting/Sowing";
import { useBedDraft } from "../draft/useBedDraft";
import { asideOf, layWay, roomAside, setAside, wayName, type Way } from "./ways";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

const DRAWN = { width: 250, height: 150 };

/** The schools that suit a bed, each with the stack it starts with, what speaks for it and who argues against it. */
export default function SchoolsView({ gardenId, kept, materials, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
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
    draft.edit((now) => layWay(now, way, wayName(now)));
    void navigate(back);
  };
  const keepAside = (way: Way) => draft.edit((now) => setAside(now, way));
  return (
    <PlainView>
      <ViewHead>
        <Typography variant="view">{bed.name}: ways to fill it</Typography>
        <Button component={Link} to={back}>
          Back to the section
        </Button>
        {asideOf(bed).length > 0 && (
          <Button component={Link} to={`${back}/compare`}>
            Compare {asideOf(bed).length + 1}
          </Button>
        )}
      </ViewHead>
      {!roomAside(bed) && (
        <Alert severity="info" role="status">
          Three ways are kept to compare already. Leave one out in <Link to={`${back}/compare`}>Compare</Link>{" "}
          first.
        </Alert>
      )}
      {found.error && <Problem>{saidOf(found.error)}</Problem>}
      {!found.data && !found.error && <PageNote>Laying each out ...</PageNote>}
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
        <section aria-labelledby="schools-others">
          <Typography variant="panelTitle" id="schools-others">
            Not for this bed
          </Typography>
          <Note component="ul" sx={{ paddingLeft: 4, listStyle: "disc" }}>
            {schools
              .filter(({ unsuited }) => unsuited != null)
              .map(({ key, unsuited }) => (
                <li key={key}>{unsuited}</li>
              ))}
          </Note>
        </section>
      )}
    </PlainView>
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
      <Column sx={{ alignContent: "start", gap: 4 }}>
        <Typography variant="sheetTitle">
          {school.name} {laid && <Chip label="laid now" />} {aside && <Chip label="kept to compare" />}
        </Typography>
        <Typography variant="body2">{school.summary}</Typography>
        {figures && (
          <Typography variant="strong" component="p">
            <Quantity kind="bulk" value={figures.loose_m3} /> loose{figures.count > 1 && " a bed"}, sinks{" "}
            <Quantity kind="length" value={(figures.surface_m[0] ?? 0) - (figures.surface_m[12] ?? 0)} /> in a
            year, sown {firstSowing(figures)}
          </Typography>
        )}
        <Row>
          <Button variant="contained" disabled={!empty && !roomAside(bed)} onClick={() => onLay(way)}>
            {empty ? "Lay it" : "Lay it, keep mine to compare"}
          </Button>
          {!empty && (
            <Button disabled={aside || !roomAside(bed)} onClick={() => onAside(way)}>
              Keep mine, compare with it
            </Button>
          )}
        </Row>
      </Column>
      <SchoolFacts>
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
      </SchoolFacts>
    </SchoolCardBox>
  );
}
