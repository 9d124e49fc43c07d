import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column } from "../kit/Row";
import { showDay } from "../quantities/format";
import { HoldGate } from "./HoldGate";
import { StepChanges } from "./StepChanges";
import { StepPhotos } from "./StepPhotos";
import { TimeTaken } from "./TimeTaken";
import type { Working } from "./useWorks";
import type { WorkStep } from "./worksApi";

const Sides = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)",
  gap: "12px 24px",
  padding: "2px 12px 16px 44px",
  "@media (max-width: 760px)": { gridTemplateColumns: "minmax(0, 1fr)", padding: "2px 8px 14px 12px" },
});

const Steps = styled("ol")({
  listStyle: "decimal",
  paddingLeft: 20,
  display: "grid",
  gap: 4,
  fontSize: "var(--text-body)",
});

type Props = {
  gardenId: number;
  step: WorkStep;
  working: Working;
  titles: ReadonlyMap<string, string>;
};

/** All about one step: why and how, what it takes, its gate, the time it took, and what else is said of it. */
export function StepDetail({ gardenId, step, working, titles }: Props) {
  const before = step.after.flatMap((key) => titles.get(key) ?? []);
  return (
    <Sides data-part="step-detail">
      <Column sx={{ alignContent: "start" }}>
        <StepTexts step={step} />
        {step.hold !== "" && <HoldGate step={step} working={working} />}
        {working.problem !== null && <Problem>{working.problem}</Problem>}
      </Column>
      <Column sx={{ alignContent: "start" }}>
        <StepTakes step={step} />
        {before.length > 0 && <Fact name="After">{before.join("; ")}</Fact>}
        {step.on != null && (
          <Fact name="Days">
            {showDay(step.on)}
            {step.until !== step.on && step.until != null && ` to ${showDay(step.until)}`}
            {step.latest != null && step.earliest != null && (
              <>
                ; could begin {showDay(step.earliest)}, at the latest {showDay(step.latest)}
              </>
            )}
          </Fact>
        )}
        {step.usual_hours > 0 && <TimeTaken key={step.key} step={step} working={working} />}
        <StepPhotos gardenId={gardenId} step={step.key} />
        <StepChanges step={step} working={working} />
      </Column>
    </Sides>
  );
}

/** Why it is done, how, and when it is. */
export function StepTexts({ step }: { step: WorkStep }) {
  return (
    <>
      {step.why !== "" && <Typography>{step.why}</Typography>}
      {step.lines.length > 0 && (
        <Steps>
          {step.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Steps>
      )}
      <Fact name="Done when">{step.done_when}</Fact>
      {step.cautions.map((caution) => (
        <Alert key={caution} severity="warning">
          {caution}
        </Alert>
      ))}
      {step.weather.map(({ gate, said, known }) => (
        <Note key={gate}>
          {said} {gate !== "wind" && (known ? "From your weather." : "As is usual there.")}
        </Note>
      ))}
    </>
  );
}

/** Materials, barrows, tools and gear. */
export function StepTakes({ step }: { step: WorkStep }) {
  return (
    <>
      {step.materials.length > 0 && <Fact name="Takes">{step.materials.join("; ")}</Fact>}
      {step.barrows > 0 && (
        <Fact name="Barrows">{step.barrows === 1 ? "1 load" : `up to ${step.barrows} loads`}</Fact>
      )}
      {step.tools.length > 0 && <Fact name="Tools">{step.tools.join(", ")}</Fact>}
      {step.gear.length > 0 && <Fact name="Wear">{step.gear.join(", ")}</Fact>}
    </>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Box>
      <Typography variant="note" component="span">
        {name}:{" "}
      </Typography>
      {children}
    </Box>
  );
}
