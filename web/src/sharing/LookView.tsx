import Checkbox from "@mui/material/Checkbox";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useParams } from "react-router";
import { Refused, saidOf, type BedFigures, type Material } from "../api/client";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { sizeOf } from "../haul/bags";
import { NeedsList } from "../haul/NeedsList";
import { Note } from "../kit/Note";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { PlainView, ViewHead } from "../kit/View";
import { ZoneMap } from "../lines/ZoneMap";
import { showDay, type Units } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { ShowingProvider, useShowing } from "../quantities/UnitsContext";
import { StepTakes, StepTexts } from "../works/StepDetail";
import type { WorkStep } from "../works/worksApi";
import { sharingApi, type SharedLook } from "./sharingApi";

const GONE = 404;
const NO_MATERIALS: ReadonlyMap<string, Material> = new Map();

/** What somebody sees who holds a link: no account, no way further. */
export default function LookView() {
  const { secret = "" } = useParams();
  const look = useQuery({ queryKey: ["look", secret], queryFn: () => sharingApi.look(secret) });
  const units: Units = look.data?.units === "metric" ? "metric" : "ft_in";
  const currency = look.data?.currency ?? "USD";
  const showing = useMemo(
    () => ({ units, told_in: units, currency, handful_kg: undefined }),
    [units, currency],
  );
  if (look.error) {
    const gone = look.error instanceof Refused && look.error.problem.status === GONE;
    return (
      <PageNote>
        {gone
          ? "This link doesn't open anything any more. Ask whoever sent it for another."
          : saidOf(look.error)}
      </PageNote>
    );
  }
  if (!look.data) return <PageWait saying="Opening ..." />;
  return (
    <ShowingProvider value={showing}>
      <Shown secret={secret} look={look.data} />
    </ShowingProvider>
  );
}

function Shown({ secret, look }: { secret: string; look: SharedLook }) {
  return (
    <PlainView data-part="look-view">
      <ViewHead>
        <Typography variant="view">
          {look.garden}
          {look.supplier != null && `: list for ${look.supplier}`}
        </Typography>
        <Note>Shown to you until {showDay(look.ends_at.slice(0, 10))}.</Note>
      </ViewHead>
      {look.plot && look.beds && <Ground look={look} />}
      {look.beds && <Beds beds={look.beds} />}
      {look.lines && <Lines lines={look.lines} />}
      {look.steps && <Steps secret={secret} steps={look.steps} mayTick={look.may_tick} />}
      {look.needs && <NeedsList needs={look.needs} materials={NO_MATERIALS} />}
    </PlainView>
  );
}

function Ground({ look: { plot, beds, places } }: { look: SharedLook }) {
  if (!plot || !beds) return null;
  const placed = beds.map((figures) => ({
    key: figures.key,
    name: figures.name,
    figures,
    places: (places ?? []).filter(({ bed }) => bed === figures.key),
  }));
  return (
    <Sheet component="section" aria-label="The plot">
      <ZoneMap plot={plot} beds={placed} zones={[]} named />
    </Sheet>
  );
}

const Cards = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 300px), 1fr))",
  gap: 14,
  alignItems: "start",
});

const DRAWN = { width: 250, height: 120 };

function Beds({ beds }: { beds: readonly BedFigures[] }) {
  return (
    <Cards>
      {beds.map((bed) => (
        <Sheet key={bed.key} component="section" aria-label={bed.name} data-part="looked-bed">
          <Typography variant="sheetTitle">
            {bed.name}
            {bed.count > 1 && `, ${bed.count} alike`}
          </Typography>
          <SmallSection
            figures={bed}
            materials={NO_MATERIALS}
            scale={smallScale(bed, DRAWN.width, DRAWN.height)}
          />
          <Note>
            <Quantity kind="length" value={bed.plan.length_m} /> by{" "}
            <Quantity kind="length" value={bed.plan.width_m} />; from the top down:
          </Note>
          <ol>
            {bed.layers.toReversed().map((layer, index) => (
              <li key={index}>
                {layer.name}{" "}
                {!layer.sheet && (
                  <b>
                    <Quantity kind="length" value={layer.thickness_m} />
                  </b>
                )}
              </li>
            ))}
          </ol>
        </Sheet>
      ))}
    </Cards>
  );
}

/** What is to be got from one supplier; ticks stay on this device. */
function Lines({ lines }: { lines: NonNullable<SharedLook["lines"]> }) {
  const { units } = useShowing();
  const [got, setGot] = useState<ReadonlySet<number>>(new Set());
  const flip = (index: number) =>
    setGot((now) => new Set(now.has(index) ? [...now].filter((each) => each !== index) : [...now, index]));
  return (
    <Sheet component="section" aria-label="The list">
      {lines.length === 0 && <Note>Nothing is to be got here this time.</Note>}
      {lines.map((line, index) => (
        <Row key={index} data-part="looked-line">
          <Checkbox
            checked={got.has(index)}
            onChange={() => flip(index)}
            slotProps={{ input: { "aria-label": `${line.name}: got it` } }}
          />
          <b>{[line.count, sizeOf(line, units)].filter((each) => each != null && each !== "").join(" × ")}</b>
          <span>
            {line.name}
            {line.form === "bulk" ? ", loose" : ""}
          </span>
        </Row>
      ))}
      {lines.length > 0 && <Note>What you tick here stays on this device.</Note>}
    </Sheet>
  );
}

const StepRow = styled("div")(({ theme }) => ({
  display: "flex",
  alignItems: "flex-start",
  gap: 8,
  padding: "8px 0",
  borderTop: `1px solid ${theme.vars.palette.line}`,
}));

type StepsProps = { secret: string; steps: readonly WorkStep[]; mayTick: boolean };

function Steps({ secret, steps, mayTick }: StepsProps) {
  const queries = useQueryClient();
  const tick = useMutation({
    mutationFn: ({ step, ticked }: { step: string; ticked: boolean }) =>
      sharingApi.tick(secret, step, ticked),
    onSettled: () => queries.invalidateQueries({ queryKey: ["look", secret] }),
  });
  const asked = steps.filter((step) => step.left_out === "");
  // what is to be done comes first to whoever helps
  const shown = [...asked.filter(({ done }) => !done), ...asked.filter(({ done }) => done)];
  return (
    <Sheet component="section" aria-label="Steps">
      <Typography variant="sheetTitle">Steps</Typography>
      {tick.error && <Problem>{saidOf(tick.error)}</Problem>}
      {shown.map((step) => (
        <StepRow key={step.key} data-part="looked-step">
          <Checkbox
            checked={step.done}
            // a gate is answered by the gardener
            disabled={!mayTick || tick.isPending || (step.hold !== "" && step.passed !== true)}
            onChange={(_event, ticked) => tick.mutate({ step: step.key, ticked })}
            slotProps={{ input: { "aria-label": step.title } }}
          />
          <div>
            <b>{step.title}</b>
            {!step.done && (
              <>
                <StepTexts step={step} />
                <StepTakes step={step} />
              </>
            )}
          </div>
        </StepRow>
      ))}
    </Sheet>
  );
}
