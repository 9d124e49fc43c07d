import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import css from "./section.module.css";
import css2 from "./tally.module.css";
import { Finding, FindingMessage, FindingReason, FindingWhy, FindingsBox } from "./tally.styles";
import { useState } from "react";
import type { FindingFigures } from "../api/client";
import { glued } from "../quantities/format";

type Props = {
  findings: readonly FindingFigures[];
  onMend: (finding: FindingFigures) => void;
  onSelectLayer: (index: number) => void;
  onSeen: (code: string, reason: string | null) => void;
};

/** Judgements on this bed, the gravest first, each with the click that mends it; those seen stand last. */
export function Findings(props: Props) {
  const { findings } = props;
  if (findings.length === 0) return null;
  return (
    <FindingsBox aria-labelledby="findings-title">
      <h2 id="findings-title">Worth a look</h2>
      <ul>
        {findings.map((finding) => (
          <OneFinding
            key={`${finding.code} ${finding.layer} ${finding.message}`}
            finding={finding}
            {...props}
          />
        ))}
      </ul>
    </FindingsBox>
  );
}

type OneProps = Partial<Omit<Props, "findings">> & { finding: FindingFigures };

/** One judgement with its mend, and where it can be marked as seen. */
export function OneFinding({ finding, onMend, onSelectLayer, onSeen }: OneProps) {
  const [asking, setAsking] = useState(false);
  const { layer } = finding;
  if (finding.seen != null) {
    return (
      <Finding data-part="finding">
        <Sign level={finding.level} />
        <div>
          <FindingMessage>{glued(finding.message)}</FindingMessage>
          <p>Seen: {finding.seen}</p>
          <Button onClick={() => onSeen?.(finding.code, null)}>Look again</Button>
        </div>
      </Finding>
    );
  }
  return (
    <Finding data-part="finding">
      <Sign level={finding.level} />
      <div>
        <FindingMessage>{glued(finding.message)}</FindingMessage>
        <FindingWhy>{finding.why}</FindingWhy>
        <p>{glued(finding.advice)}</p>
        {finding.sides.length > 0 && (
          <details>
            <summary>Where schools differ</summary>
            {finding.sides.map((side) => (
              <p key={side}>{side}</p>
            ))}
          </details>
        )}
        <Row>
          {finding.mend && onMend && (
            <button type="button" data-part="finding-mend" onClick={() => onMend(finding)}>
              {finding.mend.label}
            </button>
          )}
          {layer != null && onSelectLayer && <Button onClick={() => onSelectLayer(layer)}>Show it</Button>}
          {onSeen && !asking && <Button onClick={() => setAsking(true)}>Seen, because ...</Button>}
        </Row>
        {onSeen && asking && (
          <Reason onReason={(reason) => onSeen(finding.code, reason)} onLeave={() => setAsking(false)} />
        )}
      </div>
    </Finding>
  );
}

function Reason({ onReason, onLeave }: { onReason: (reason: string) => void; onLeave: () => void }) {
  const [reason, setReason] = useState("");
  const keep = () => (reason.trim() ? onReason(reason.trim().slice(0, 500)) : onLeave());
  return (
    <FindingReason>
      <input
       
        aria-label="Why it can stay as it is"
        placeholder="why it can stay"
        value={reason}
        maxLength={500}
        autoFocus
        onChange={(event) => setReason(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter") keep();
          if (event.key === "Escape") onLeave();
        }}
      />
      <Button onClick={keep}>Keep</Button>
    </FindingReason>
  );
}

const LEVELS = { stop: "Stop", caution: "Caution", advice: "Advice", note: "Note" } as const;

function Sign({ level }: { level: FindingFigures["level"] }) {
  const shape = {
    stop: <path className={css.signStop} d="M6 1h8l5 5v8l-5 5H6l-5-5V6zM7 7l6 6M13 7l-6 6" />,
    caution: <path className={css.signCaution} d="M10 1.5l9 16.5H1zM10 7v5M10 14.6v.8" />,
    advice: <path className={css.signAdvice} d="M10 1a9 9 0 1 1 0 18a9 9 0 1 1 0-18zM10 9v5.5M10 5.4v.8" />,
    note: <path className={css.signNote} d="M2.5 2.5h15v15h-15zM6 7.5h8M6 11h8" />,
  }[level];
  return (
    <svg
      className={css2.findingSign}
      width="20"
      height="20"
      viewBox="0 0 20 20"
      role="img"
      aria-label={LEVELS[level]}
    >
      {shape}
    </svg>
  );
}
