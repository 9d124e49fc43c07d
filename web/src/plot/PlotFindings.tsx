import { Note } from "../kit/Note";
import { FindingsBox } from "../section/tally.styles";
import type { FindingFigures, PlotFigures } from "../api/client";
import { OneFinding } from "../section/Findings";

type Props = {
  findings: PlotFigures["findings"];
  onShow: (key: string) => void;
  onMend: (key: string, finding: FindingFigures) => void;
  onSeen: (key: string, code: string, reason: string | null) => void;
};

const MOST = 12;

/** What is amiss on the plot, the gravest first, those seen last. */
export function PlotFindings({ findings, onShow, onMend, onSeen }: Props) {
  if (findings.length === 0) return null;
  return (
    <FindingsBox aria-labelledby="plot-findings-title">
      <h2 id="plot-findings-title">Worth a look</h2>
      <ul>
        {findings.slice(0, MOST).map(({ beds, finding }, index) => {
          const key = beds[0] ?? "";
          return (
            <OneFinding
              key={`${finding.code} ${finding.message} ${index}`}
              finding={{ ...finding, layer: finding.layer ?? 0 }}
              onMend={() => onMend(key, finding)}
              onSelectLayer={() => onShow(key)}
              onSeen={(code, reason) => onSeen(key, code, reason)}
            />
          );
        })}
      </ul>
      {findings.length > MOST && <Note>and {findings.length - MOST} more</Note>}
    </FindingsBox>
  );
}
