import Accordion from "@mui/material/Accordion";
import AccordionDetails from "@mui/material/AccordionDetails";
import AccordionSummary from "@mui/material/AccordionSummary";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import { memo, useState } from "react";
import type { FindingFigures } from "../api/client";
import { Row } from "../kit/Row";
import { glued } from "../quantities/format";
import css from "./findings.module.css";

type Props = {
  findings: readonly FindingFigures[];
  title?: string;
  onMend?: (finding: FindingFigures) => void;
  /** Show what it is about. */
  onShow?: (finding: FindingFigures) => void;
  /** Whether there is anything to show of it; of all unless said. */
  canShow?: (finding: FindingFigures) => boolean;
  onSeen?: (code: string, reason: string | null, finding: FindingFigures) => void;
};

/** Judgements, the gravest first, each with the click that mends it; those seen stand last. */
export const Findings = memo(function Findings({ findings, title = "Worth a look", ...rest }: Props) {
  if (findings.length === 0) return null;
  return (
    <section aria-label={title} data-part="findings">
      <Typography variant="panelTitle" sx={{ marginBottom: 1.5 }}>
        {title}
      </Typography>
      <ul>
        {findings.map((finding) => (
          <OneFinding
            key={`${finding.code} ${finding.layer} ${finding.message}`}
            finding={finding}
            {...rest}
          />
        ))}
      </ul>
    </section>
  );
});

const Judged = styled(Alert)(({ theme }) => ({
  padding: "9px 0",
  border: 0,
  borderTop: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 0,
  backgroundColor: "transparent",
  fontSize: "var(--text-small)",
  lineHeight: 1.4,
  "& .MuiAlert-icon": { marginRight: 10, padding: 0, opacity: 1 },
  "& .MuiAlert-message": { padding: 0 },
  "&[data-seen] p": { color: theme.vars.palette.soft },
}));

type OneProps = Omit<Props, "findings" | "title"> & { finding: FindingFigures };

/** One judgement with its mend, and where it can be marked as seen. */
function OneFinding({ finding, onMend, onShow, canShow, onSeen }: OneProps) {
  const [asking, setAsking] = useState(false);
  const { seen } = finding;
  return (
    <li data-part="finding">
      <Judged
        role="presentation"
        icon={<LevelSign level={finding.level} />}
        data-seen={seen != null || undefined}
      >
        <Typography variant="strong" component="p">
          {glued(finding.message)}
        </Typography>
        {seen != null ? (
          <>
            <p>Seen: {seen}</p>
            <Button variant="link" onClick={() => onSeen?.(finding.code, null, finding)}>
              Look again
            </Button>
          </>
        ) : (
          <>
            <Typography variant="note">{finding.why}</Typography>
            <p>{glued(finding.advice)}</p>
            {finding.sides.length > 0 && <Sides sides={finding.sides} />}
            <Row sx={{ gap: "2px 14px" }}>
              {finding.mend && onMend && (
                <Button
                  variant="link"
                  color="primary"
                  data-part="finding-mend"
                  onClick={() => onMend(finding)}
                >
                  {finding.mend.label}
                </Button>
              )}
              {onShow && (canShow?.(finding) ?? true) && (
                <Button variant="link" onClick={() => onShow(finding)}>
                  Show it
                </Button>
              )}
              {onSeen && !asking && (
                <Button variant="link" onClick={() => setAsking(true)}>
                  Seen, because ...
                </Button>
              )}
            </Row>
            {onSeen && asking && (
              <Reason
                onReason={(reason) => onSeen(finding.code, reason, finding)}
                onLeave={() => setAsking(false)}
              />
            )}
          </>
        )}
      </Judged>
    </li>
  );
}

function Sides({ sides }: { sides: readonly string[] }) {
  return (
    <Accordion sx={{ border: 0 }}>
      <AccordionSummary>
        <span>Where schools differ</span>
      </AccordionSummary>
      <AccordionDetails>
        {sides.map((side) => (
          <p key={side}>{side}</p>
        ))}
      </AccordionDetails>
    </Accordion>
  );
}

function Reason({ onReason, onLeave }: { onReason: (reason: string) => void; onLeave: () => void }) {
  const [reason, setReason] = useState("");
  const keep = () => (reason.trim() ? onReason(reason.trim().slice(0, 500)) : onLeave());
  return (
    <Row sx={{ marginTop: 1.5, flexWrap: "nowrap" }}>
      <TextField
        placeholder="why it can stay"
        value={reason}
        autoFocus
        fullWidth
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter") keep();
          if (event.key === "Escape") onLeave();
        }}
        slotProps={{ htmlInput: { "aria-label": "Why it can stay as it is", maxLength: 500 } }}
      />
      <Button onClick={keep}>Keep</Button>
    </Row>
  );
}

const LEVELS = { stop: "Stop", caution: "Caution", advice: "Advice", note: "Note" } as const;

function LevelSign({ level }: { level: FindingFigures["level"] }) {
  const shape = {
    stop: <path className={css.signStop} d="M6 1h8l5 5v8l-5 5H6l-5-5V6zM7 7l6 6M13 7l-6 6" />,
    caution: <path className={css.signCaution} d="M10 1.5l9 16.5H1zM10 7v5M10 14.6v.8" />,
    advice: <path className={css.signAdvice} d="M10 1a9 9 0 1 1 0 18a9 9 0 1 1 0-18zM10 9v5.5M10 5.4v.8" />,
    note: <path className={css.signNote} d="M2.5 2.5h15v15h-15zM6 7.5h8M6 11h8" />,
  }[level];
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" role="img" aria-label={LEVELS[level]}>
      {shape}
    </svg>
  );
}
