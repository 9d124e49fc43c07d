import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PageNote } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Note } from "../kit/Note";
import {
  BlendBody,
  BlendLike,
  BlendMixes,
  BlendName,
  BlendUse,
  BlendViewBox,
  BlendWork,
} from "./blend.styles";
import { WaterAside, WaterHead, WaterStart } from "../water/water.styles";
import { FindingsBox } from "../section/tally.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Refused, saidOf, type KeptBed, type KeptGarden, type Material } from "../api/client";
import { useSaveState } from "../app/SaveStateContext";
import { useUndoKeys } from "../kit/useUndoKeys";
import { OneFinding } from "../section/Findings";
import { Buckets } from "./Buckets";
import { blendApi, type Mix, type MixUse } from "./blendApi";
import { copyOf, firstMix, USES, withTarget } from "./edits";
import { Bands, FreeFigures, Marks } from "./Marks";
import { MixTally } from "./MixTally";
import { useLastGood } from "./useLastGood";
import { useMixDraft } from "./useMixDraft";
import { Wishes } from "./Wishes";
import { useZones, Zones } from "./Zones";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material>; bedKey: string | undefined };

const BARROW_M3 = 0.08;

/** Soil mixes: their recipes, what they are like, what they take, and the cheapest that fit. */
export function BlendView({ garden, materials, bedKey }: Props) {
  const wanted = useParams().mix;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [gone, setGone] = useState<Mix | null>(null);
  const found = useQuery({ queryKey: ["mixes", garden.id], queryFn: () => blendApi.mixes(garden.id) });
  const mixPath = (key: string) => `/garden/${garden.id}/blend/${key}`;
  const again = async () => {
    await queries.invalidateQueries({ queryKey: ["mixes", garden.id] });
    void queries.invalidateQueries({ queryKey: ["shelf", garden.id] });
  };
  const add = useMutation({
    mutationFn: (mix: Mix) => blendApi.add(garden.id, mix),
    onSuccess: async ({ key }) => {
      setGone(null);
      await again();
      void navigate(mixPath(key));
    },
  });
  const remove = useMutation({
    mutationFn: (mix: Mix) => blendApi.remove(garden.id, mix.key),
    onSuccess: async (_answer, mix) => {
      setGone(mix);
      await again();
      void navigate(`/garden/${garden.id}/blend`);
    },
  });
  if (found.error) return <PageNote data-part="page-note">{saidOf(found.error)}</PageNote>;
  if (!found.data) return <PageNote data-part="page-note">Fetching the mixes ...</PageNote>;
  const mixes = found.data;
  const bed = garden.beds.find(({ key }) => key === bedKey);
  const kept =
    mixes.find(({ key }) => key === wanted) ??
    mixes.find(({ key }) => bed && lyingIn(bed, key)) ??
    mixes[0] ??
    null;
  const problem = add.error ?? remove.error;
  return (
    <BlendViewBox>
      <BlendMixes aria-label="Mixes">
        {mixes.map((each) => (
          <Link
            key={each.key}
            to={mixPath(each.key)}
            aria-current={each.key === kept?.key ? "page" : undefined}
          >
            {each.name ?? each.key}
          </Link>
        ))}
        <Button onClick={() => add.mutate(firstMix("New mix"))}>
          + New mix
        </Button>
        {gone && (
          <span role="status">
            {gone.name} is forgotten.{" "}
            <Button onClick={() => add.mutate(gone)}>
              Put it back
            </Button>
          </span>
        )}
      </BlendMixes>
      {problem && <p role="alert">{saidOf(problem)}</p>}
      {kept ? (
        <OneMix
          key={kept.key}
          garden={garden}
          kept={kept}
          materials={materials}
          bedKey={bedKey}
          mixPath={mixPath}
          onCopy={(mix) => add.mutate(copyOf(mix))}
          onForget={(mix) => remove.mutate(mix)}
        />
      ) : (
        <WaterStart variant="outlined" component="div" data-part="water-start">
          <p>
            No soil is mixed yet. A mix is parts by the bucket: start with soil and compost, half and half.
          </p>
          <Button
            variant="contained"
           
            onClick={() => add.mutate(firstMix("First mix"))}
          >
            Mix the first soil
          </Button>
        </WaterStart>
      )}
    </BlendViewBox>
  );
}

type OneProps = Props & {
  kept: Mix;
  mixPath: (key: string) => string;
  onCopy: (mix: Mix) => void;
  onForget: (mix: Mix) => void;
};

function OneMix({ garden, kept, materials, bedKey, mixPath, onCopy, onForget }: OneProps) {
  const { mix, edit, endGesture, undo, redo, canUndo, save, refusal } = useMixDraft(garden.id, kept);
  useSaveState(save);
  useUndoKeys(undo, redo);
  const [ownBed, setOwnBed] = useState<string | null>(null);
  const wanted = garden.beds.find(({ key }) => key === (ownBed ?? bedKey));
  const holder = garden.beds.find((each) => lyingIn(each, kept.key));
  const bed = ownBed || (wanted && lyingIn(wanted, kept.key)) ? wanted : (holder ?? wanted);
  const zones = useZones(garden.id, bed?.key);
  const lies = zones.data?.zones.some(({ material }) => material === mix.key) ?? false;
  const over = lies ? (zones.data?.soil_over_water_m ?? null) : null;
  const draft = JSON.stringify(mix);
  const figured = useQuery({
    queryKey: ["mix", garden.id, draft, over],
    queryFn: ({ signal }) => blendApi.figure(garden.id, mix, over, signal),
    placeholderData: (before) => before,
  });
  const amounts = useQuery({
    queryKey: ["figure", garden.id, "mix amounts", draft, bed?.key],
    queryFn: ({ signal }) => blendApi.amounts(garden.id, mix, bed?.key ?? null, signal),
    placeholderData: (before) => before,
  });
  const figures = useLastGood(figured.data);
  const taken = useLastGood(amounts.data);
  const problem = figured.error ?? refusal;
  const forBed = taken?.amounts.find((each) => each.bed === bed?.key);
  return (
    <BlendBody>
      <BlendWork>
        <WaterHead>
          <Typography variant="view" data-part="view-title">
            <BlendName
              aria-label="Name of the mix"
              value={mix.name ?? ""}
              maxLength={80}
              onChange={(event) => {
                const name = event.currentTarget.value;
                edit((now) => ({ ...now, name: name || null }), "name");
              }}
              onBlur={endGesture}
            />
          </Typography>
          <BlendUse>
            <span>for</span>
            <select
             
              aria-label="What it is for"
              value={mix.target?.use ?? "raised_bed"}
              onChange={(event) => {
                const use = event.currentTarget.value as MixUse;
                edit((now) => withTarget(now, { use }));
              }}
            >
              {USES.map(([use, name]) => (
                <option key={use} value={use}>
                  {name}
                </option>
              ))}
            </select>
          </BlendUse>
          <Button disabled={!canUndo} onClick={undo}>
            Undo
          </Button>
          <Button onClick={() => onCopy(mix)}>
            Copy
          </Button>
          <Button onClick={() => onForget(mix)}>
            Forget
          </Button>
        </WaterHead>
        {problem && (
          <Problem role="alert">
            {whyNot(problem)} The figures are those from before; nothing of this is saved yet.
          </Problem>
        )}
        <Buckets
          gardenId={garden.id}
          mix={mix}
          figures={figures}
          materials={materials}
          onEdit={edit}
          onEnd={endGesture}
        />
        {figures && (
          <BlendLike
            variant="outlined"
            component="section"
            data-part="blend-like"
            aria-labelledby="like-title"
          >
            <h2 id="like-title">What it is like</h2>
            <Marks marks={figures.marks} />
            {figures.unknown.length > 0 && (
              <Note>
                Not known as soil: {figures.unknown.join(", ")}. Give its figures on the Shelf, or leave it
                out.
              </Note>
            )}
            <FreeFigures marks={figures.marks} />
            <Bands gardenId={garden.id} mix={mix} marks={figures.marks} materials={materials} onEdit={edit} />
          </BlendLike>
        )}
        {bed && (
          <Zones
            bed={bed}
            beds={garden.beds}
            onBed={setOwnBed}
            materials={materials}
            zones={zones.data}
            chosen={mix.key}
            mixPath={mixPath}
            bedPath={`/garden/${garden.id}/section/bed/${bed.key}`}
          />
        )}
      </BlendWork>
      <WaterAside variant="outlined" component="aside" data-part="water-aside" aria-label="What it takes">
        {figures && <MixTally mix={mix} figures={figures} amounts={taken} bedKey={bed?.key} onEdit={edit} />}
        {taken && <Used beds={taken.amounts} mixes={taken.mixed_into} />}
        <Wishes
          gardenId={garden.id}
          mix={mix}
          materials={materials}
          volume_m3={forBed?.loose_m3 ?? BARROW_M3}
          soil_over_water_m={over}
          onEdit={edit}
        />
        {figures && figures.findings.length > 0 && (
          <FindingsBox aria-labelledby="mix-findings">
            <h2 id="mix-findings">Worth a look</h2>
            <ul>
              {figures.findings.map((finding) => (
                <OneFinding key={finding.code} finding={finding} />
              ))}
            </ul>
          </FindingsBox>
        )}
      </WaterAside>
    </BlendBody>
  );
}

/** What keeps a draft from being mixed, without the plan file's words for where. */
function whyNot(problem: Error): string {
  const [first] = problem instanceof Refused ? problem.problem.errors : [];
  return first ? `This can't be mixed: ${first.message}.` : saidOf(problem);
}

function lyingIn({ bed }: KeptBed, mix: string): boolean {
  return bed.layers.some(({ material }) => material === mix);
}

function Used({
  beds,
  mixes,
}: {
  beds: readonly { what: string; lies: boolean; name: string }[];
  mixes: readonly string[];
}) {
  const names = [
    ...beds.filter(({ what, lies }) => what === "bed" && lies).map(({ name }) => name),
    ...mixes,
  ];
  return (
    <Note>
      {names.length > 0
        ? `Used in ${names.join(", ")}.`
        : "Not used yet: lay it as a layer in a bed's section."}
    </Note>
  );
}
