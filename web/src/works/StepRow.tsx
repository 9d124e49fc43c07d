import ButtonBase from "@mui/material/ButtonBase";
import Checkbox from "@mui/material/Checkbox";
import { styled } from "@mui/material/styles";
import { memo } from "react";
import { showHours } from "../quantities/format";
import { GateSign } from "./GateSign";
import { StepDetail } from "./StepDetail";
import type { Working } from "./useWorks";
import type { WorkStep } from "./worksApi";

const Item = styled("li")(({ theme }) => ({
  borderTop: `1px solid ${theme.vars.palette.line}`,
  "&[data-open]": { backgroundColor: theme.vars.palette.sheet },
  breakInside: "avoid",
}));

const Head = styled("div")({
  display: "grid",
  gridTemplateColumns: "44px minmax(0, 1fr)",
  alignItems: "stretch",
});

const Opens = styled(ButtonBase)(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) auto",
  gap: "0 12px",
  alignItems: "center",
  minHeight: 48,
  padding: "6px 8px 6px 0",
  textAlign: "left",
  fontFamily: "inherit",
  fontSize: "var(--text-lead)",
  "& > span:first-of-type": { fontWeight: 600, lineHeight: 1.3 },
  "& small": { color: theme.vars.palette.soft, fontSize: "var(--text-note)", whiteSpace: "nowrap" },
  "& small:last-of-type": { gridColumn: "1 / -1", whiteSpace: "normal" },
  "&[data-done] > span:first-of-type": { fontWeight: 500, color: theme.vars.palette.soft },
}));

type Props = {
  gardenId: number;
  step: WorkStep;
  working: Working;
  isOpen: boolean;
  onOpen: (key: string | null) => void;
  titles: ReadonlyMap<string, string>;
};

/** One step: a large tick, what is done, how long it takes, and all else about it once it is opened. */
export const StepRow = memo(function StepRow({ gardenId, step, working, isOpen, onOpen, titles }: Props) {
  const pending = working.ticking?.step === step.key ? working.ticking : null;
  const done = pending ? pending.done && pending.passed !== false : step.done;
  const asks = step.hold !== "" && step.passed !== true;
  return (
    <Item data-part="work-step" data-key={step.key} data-open={isOpen || undefined}>
      <Head>
        <Checkbox
          checked={done}
          disabled={pending !== null || step.left_out !== ""}
          slotProps={{ input: { "aria-label": step.title } }}
          sx={{ alignSelf: "center", transform: "scale(1.25)" }}
          onChange={(_event, ticked) => {
            // a gate has to be answered before anybody goes through
            if (ticked && asks) onOpen(step.key);
            else working.tick({ step: step.key, done: ticked });
          }}
        />
        <Opens
          aria-expanded={isOpen}
          data-done={done || undefined}
          onClick={() => onOpen(isOpen ? null : step.key)}
        >
          <span>{step.title}</span>
          <small>
            {step.hold !== "" && <GateSign passed={step.passed} />}
            {step.people > 1 && "two people · "}
            {step.usual_hours > 0
              ? showHours(step.hours)
              : `${step.wait_days || "a winter"}${step.wait_days ? " days" : ""}`}
          </small>
          <small>{underline(step)}</small>
        </Opens>
      </Head>
      {isOpen && <StepDetail gardenId={gardenId} step={step} working={working} titles={titles} />}
    </Item>
  );
});

/** What stands under a step's name: why it isn't done, what weather is against it, what is waited for. */
function underline(step: WorkStep): string {
  if (step.left_out) return `Left out: ${step.left_out}`;
  const [against] = step.weather;
  if (against) return against.said;
  if (step.passed === false) return "Not yet right: answer it again once it is.";
  if (step.wait_days && step.wait_for && step.usual_hours > 0) {
    const days = step.wait_days === 1 ? "a day" : `${step.wait_days} days`;
    return `Then wait ${days} for ${step.wait_for}`;
  }
  return "";
}
