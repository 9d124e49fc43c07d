import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { Link, useSearchParams } from "react-router";
import { saidOf, type KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { PlainView, ViewHead } from "../kit/View";
import { showHours, showWeekday } from "../quantities/format";
import { Pick } from "../theme/controls/Pick";
import { SCREEN_ONLY } from "../theme/sizes";
import { StepTakes, StepTexts } from "./StepDetail";
import { useWorksFigures } from "./useWorks";
import type { WorkStep } from "./worksApi";

const Box = styled("span")(({ theme }) => ({
  flex: "none",
  width: 18,
  height: 18,
  border: `2px solid ${theme.vars.palette.ink}`,
  borderRadius: 2,
}));

const Told = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)",
  gap: "2px 24px",
  padding: "4px 0 0 28px",
  "& > div": { display: "grid", gap: 4, alignContent: "start" },
  "@media (max-width: 760px)": { gridTemplateColumns: "minmax(0, 1fr)" },
});

const Answer = styled("span")(({ theme }) => ({
  borderBottom: `1px solid ${theme.vars.palette.ink}`,
  display: "inline-block",
  width: 130,
}));

/** The steps of a day, or of a bed, on paper: with boxes to tick and room for what is measured. */
export default function SheetView({ garden }: { garden: KeptGarden }) {
  const figures = useWorksFigures(garden.id);
  const [query, setQuery] = useSearchParams();
  if (figures.error) return <PageNote>{saidOf(figures.error)}</PageNote>;
  if (!figures.data) return <PageNote>Putting the steps in order ...</PageNote>;
  const { days, steps } = figures.data;
  const [day, bed] = [query.get("day") ?? "", query.get("bed") ?? ""];
  const wanted = steps.filter(
    (step) =>
      !step.done &&
      step.left_out === "" &&
      (bed === "" || step.bed === bed) &&
      (day === "" || step.by_day.some(([on]) => on === day)),
  );
  const put = (key: "day" | "bed", value: string) => {
    const next = new URLSearchParams(query);
    if (value) next.set(key, value);
    else next.delete(key);
    setQuery(next, { replace: true });
  };
  const bedName = garden.beds.find(({ key }) => key === bed)?.bed.name;
  return (
    <PlainView data-part="works-sheet">
      <ViewHead>
        <Typography variant="view">
          {[bedName, day && showWeekday(day)].filter(Boolean).join(", ") || "All steps"}
        </Typography>
        <Note sx={{ marginRight: "auto" }}>
          {garden.garden.name}; {wanted.length === 1 ? "1 step" : `${wanted.length} steps`},{" "}
          {showHours(wanted.reduce((sum, step) => sum + step.hours, 0))}
        </Note>
        <Row sx={{ ...SCREEN_ONLY, alignItems: "flex-end" }}>
          <Pick
            label="Day"
            options={[["", "All days"], ...days.map(({ on }) => [on, showWeekday(on)] as const)]}
            value={day}
            onChoose={(value) => put("day", value)}
          />
          <Pick
            label="Bed"
            options={[
              ["", "All beds"],
              ...garden.beds.map(({ key, bed: each }) => [key, each.name ?? key] as const),
            ]}
            value={bed}
            onChoose={(value) => put("bed", value)}
          />
          <Button component={Link} to={`/garden/${garden.id}/works`}>
            Works
          </Button>
          <Button variant="contained" onClick={() => window.print()}>
            Print
          </Button>
        </Row>
      </ViewHead>
      {wanted.map((step, index) => (
        <PaperStep key={step.key} step={step} number={index + 1} />
      ))}
      {wanted.length === 0 && <Note>Nothing is to be done there.</Note>}
    </PlainView>
  );
}

export function PaperStep({ step, number }: { step: WorkStep; number: number }) {
  return (
    <Sheet component="section" aria-label={step.title} sx={{ breakInside: "avoid" }} data-part="paper-step">
      <Row sx={{ flexWrap: "nowrap", alignItems: "baseline" }}>
        <Box aria-hidden="true" />
        <Typography variant="sheetTitle" sx={{ marginRight: "auto" }}>
          {number}. {step.title}
        </Typography>
        <Note component="span" sx={{ whiteSpace: "nowrap" }}>
          {step.usual_hours > 0 ? showHours(step.hours) : `${step.wait_days} days`}
          {step.people > 1 && ", two people"}
        </Note>
      </Row>
      <Told>
        <div>
          <StepTexts step={step} />
        </div>
        <div>
          <StepTakes step={step} />
          {step.hold !== "" && (
            <Typography>
              {step.hold} <Answer /> right <Box sx={{ display: "inline-block", verticalAlign: "-4px" }} />
            </Typography>
          )}
          <Typography>
            Took <Answer sx={{ width: 60 }} /> h
          </Typography>
        </div>
      </Told>
    </Sheet>
  );
}
