import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PageNote } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Note } from "../kit/Note";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Refused, saidOf, type KeptBed, type KeptGarden, type Material } from "../api/client";
import { useSaveState } from "../draft/SaveStateContext";
import { useUndoKeys } from "../kit/useUndoKeys";
import { Findings } from "../findings/Findings";
import { NameField } from "../kit/NameField";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import { Aside, PlainView, View, ViewHead, Work } from "../kit/View";
import { Pick } from "../theme/controls/Pick";
import Alert from "@mui/material/Alert";
import { Buckets } from "./Buckets";
import { blendApi, type KeptMix, type Mix } from "./blendApi";
import { copyOf, firstMix, USES, withTarget } from "./edits";
import { Bands, FreeFigures, Marks } from "./Marks";
import { MixTally } from "./MixTally";
import { MixedIn } from "./MixedIn";
import { useLastGood } from "./useLastGood";
import { forgetMixDraft, useMixDraft, type MixEdit } from "./useMixDraft";
import { Wishes } from "./Wishes";
import { useZones, Zones } from "./Zones";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material>; bedKey: string | undefined };

const BARROW_M3 = 0.08;

/** Soil mixes: their recipes, what they are like, what they take, and the cheapest that fit. */
export default function BlendView({ garden, materials, bedKey }: Props) {
  const wanted = useParams().mix;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const tell = useTell();
  const found = useQuery({ queryKey: ["mixes", garden.id], queryFn: () => blendApi.mixes(garden.id) });
  const mixPath = (key: string) => `/garden/${garden.id}/blend/${key}`;
  const again = async () => {
    await queries.invalidateQueries({ queryKey: ["mixes", garden.id] });
    void queries.invalidateQueries({ queryKey: ["shelf", garden.id] });
  };
  const add = useMutation({
    mutationFn: (mix: Mix) => blendApi.add(garden.id, mix),
    onSuccess: async ({ mix }) => {
      await again();
      void navigate(mixPath(mix.key));
    },
  });
  const remove = useMutation({
    mutationFn: (mix: Mix) => blendApi.remove(garden.id, mix.key),
    onSuccess: async (_answer, mix) => {
      forgetMixDraft(garden.id, mix.key);
      tell(`${mix.name ?? "The mix"} is forgotten.`, () => add.mutate(mix));
      await again();
      void navigate(`/garden/${garden.id}/blend`);
    },
  });
  if (found.error) return <PageNote>{saidOf(found.error)}</PageNote>;
  if (!found.data) return <PageNote>Fetching the mixes ...</PageNote>;
  const mixes = found.data;
  const bed = garden.beds.find(({ key }) => key === bedKey);
  const kept =
    mixes.find(({ mix }) => mix.key === wanted) ??
    mixes.find(({ mix }) => bed && lyingIn(bed, mix.key)) ??
    mixes[0] ??
    null;
  const problem = add.error ?? remove.error;
  return (
    <PlainView>
      <Row role="navigation" aria-label="Mixes">
        {mixes.map(({ mix }) => (
          <Button
            key={mix.key}
            component={Link}
            to={mixPath(mix.key)}
            variant={mix.key === kept?.mix.key ? "outlined" : "text"}
            aria-current={mix.key === kept?.mix.key ? "page" : undefined}
          >
            {mix.name ?? mix.key}
          </Button>
        ))}
        <Button variant="text" onClick={() => add.mutate(firstMix("New mix"))}>
          + New mix
        </Button>
      </Row>
      {problem && <Problem>{saidOf(problem)}</Problem>}
      {kept ? (
        <OneMix
          key={kept.mix.key}
          garden={garden}
          kept={kept}
          materials={materials}
          bedKey={bedKey}
          mixPath={mixPath}
          onCopy={(mix) => add.mutate(copyOf(mix))}
          onForget={(mix) => remove.mutate(mix)}
        />
      ) : (
        <Sheet
          data-part="water-start"
          sx={{
            maxWidth: 560,
            display: "grid",
            gridTemplateColumns: "minmax(0, 1fr)",
            gap: 3,
            justifyItems: "start",
          }}
        >
          <Typography>
            No soil is mixed yet. A mix is parts by the bucket: start with soil and compost, half and half.
          </Typography>
          <Button variant="contained" onClick={() => add.mutate(firstMix("First mix"))}>
            Mix the first soil
          </Button>
        </Sheet>
      )}
    </PlainView>
  );
}

type OneProps = Props & {
  kept: KeptMix;
  mixPath: (key: string) => string;
  onCopy: (mix: Mix) => void;
  onForget: (mix: Mix) => void;
};

function OneMix({ garden, kept, materials, bedKey, mixPath, onCopy, onForget }: OneProps) {
  const [{ document: mix, save, canUndo }, draft] = useMixDraft(garden.id, kept);
  const edit: MixEdit = (change, gesture) => draft.edit(change, gesture ?? null);
  const endGesture = () => draft.endGesture();
  useSaveState(save);
  useUndoKeys(
    () => draft.undo(),
    () => draft.redo(),
  );
  const [ownBed, setOwnBed] = useState<string | null>(null);
  const wanted = garden.beds.find(({ key }) => key === (ownBed ?? bedKey));
  const holder = garden.beds.find((each) => lyingIn(each, mix.key));
  const bed = ownBed || (wanted && lyingIn(wanted, mix.key)) ? wanted : (holder ?? wanted);
  const zones = useZones(garden.id, bed?.key);
  const lies = zones.data?.zones.some(({ material }) => material === mix.key) ?? false;
  const over = lies ? (zones.data?.soil_over_water_m ?? null) : null;
  const drawn = JSON.stringify(mix);
  const figured = useQuery({
    queryKey: ["mix", garden.id, drawn, over],
    queryFn: ({ signal }) => blendApi.figure(garden.id, mix, over, signal),
    placeholderData: (before) => before,
  });
  const amounts = useQuery({
    queryKey: ["figure", garden.id, "mix amounts", drawn, bed?.key],
    queryFn: ({ signal }) => blendApi.amounts(garden.id, mix, bed?.key ?? null, signal),
    placeholderData: (before) => before,
  });
  const figures = useLastGood(figured.data);
  const taken = useLastGood(amounts.data);
  const problem = figured.error ?? (save.state === "refused" ? new Refused(save.problem) : null);
  const forBed = taken?.amounts.find((each) => each.bed === bed?.key);
  return (
    <View as="div" sx={{ padding: 0 }}>
      <Work>
        <ViewHead>
          <Typography variant="view">
            <NameField
              label="Name of the mix"
              name={mix.name ?? ""}
              onName={(name) => edit((now) => ({ ...now, name }))}
            />
          </Typography>
          <Pick
            label="What it is for"
            hideLabel
            options={USES}
            value={mix.target?.use ?? "raised_bed"}
            onChoose={(use) => edit((now) => withTarget(now, { use }))}
          />
          <Button disabled={!canUndo} onClick={() => draft.undo()}>
            Undo
          </Button>
          <Button onClick={() => onCopy(mix)}>Copy</Button>
          <Button onClick={() => onForget(mix)}>Forget</Button>
        </ViewHead>
        {save.state === "stale" && (
          <Alert severity="error">
            This mix was changed elsewhere. Yours is not saved yet; whichever you keep, undo brings the other
            back.
            <Row>
              <Button onClick={() => draft.settle("mine")}>Keep mine</Button>
              <Button onClick={() => draft.settle("theirs")}>Take the newer one</Button>
            </Row>
          </Alert>
        )}
        {problem && (
          <Problem>
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
        <MixedIn gardenId={garden.id} mix={mix} figures={figures} materials={materials} onEdit={edit} />
        {figures && (
          <Sheet component="section" data-part="blend-like" aria-labelledby="like-title">
            <Typography variant="panelTitle" id="like-title" sx={{ marginBottom: 2 }}>
              What it is like
            </Typography>
            <Marks marks={figures.marks} />
            {figures.unknown.length > 0 && (
              <Note>
                Not known as soil: {figures.unknown.join(", ")}. Give its figures on the Shelf, or leave it
                out.
              </Note>
            )}
            <FreeFigures marks={figures.marks} />
            <Bands gardenId={garden.id} mix={mix} marks={figures.marks} materials={materials} onEdit={edit} />
          </Sheet>
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
      </Work>
      <Aside variant="outlined" component="aside" data-part="water-aside" aria-label="What it takes">
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
        {figures && <Findings findings={figures.findings} />}
      </Aside>
    </View>
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
