import type { BedFigures, FindingFigures } from "../api/client";

type Props = {
  figures: BedFigures;
  onMend: (finding: FindingFigures) => void;
  onSelectLayer: (index: number) => void;
  onSeen: (finding: FindingFigures, reason: string | null) => void;
};

/** Judgements on this bed, the gravest first, each with the click that mends it. */
export function Findings({ figures, onMend, onSelectLayer }: Props) {
  if (figures.findings.length === 0) return null;
  return (
    <section className="findings" aria-labelledby="findings-title">
      <h2 id="findings-title">Worth a look</h2>
      <ul>
        {figures.findings.map((finding) => (
          <li
            key={`${finding.code} ${finding.layer}`}
            className={`finding ${finding.seen ? "finding-seen" : ""}`}
          >
            <Sign level={finding.level} />
            <div>
              <p className="finding-message">{finding.message}</p>
              <p className="finding-why">{finding.why}</p>
              <p>{finding.advice}</p>
              <div className="finding-row">
                {finding.mend && (
                  <button type="button" onClick={() => onMend(finding)}>
                    {finding.mend.label}
                  </button>
                )}
                {finding.layer != null && (
                  <button type="button" onClick={() => onSelectLayer(finding.layer ?? 0)}>
                    Show the layer
                  </button>
                )}
              </div>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

const LEVELS = { stop: "Stop", caution: "Caution", advice: "Advice", note: "Note" } as const;

function Sign({ level }: { level: FindingFigures["level"] }) {
  const shape = {
    stop: <path className="sign-stop" d="M6 1h8l5 5v8l-5 5H6l-5-5V6zM7 7l6 6M13 7l-6 6" />,
    caution: <path className="sign-caution" d="M10 1.5l9 16.5H1zM10 7v5M10 14.6v.8" />,
    advice: <path className="sign-advice" d="M10 1a9 9 0 1 1 0 18a9 9 0 1 1 0-18zM10 9v5.5M10 5.4v.8" />,
    note: <path className="sign-note" d="M2.5 2.5h15v15h-15zM6 7.5h8M6 11h8" />,
  }[level];
  return (
    <svg
      className="finding-sign"
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
