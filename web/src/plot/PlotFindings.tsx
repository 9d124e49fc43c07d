import { Note } from "../kit/Note";
import type { FindingFigures, PlotFigures } from "../api/client";
import { Findings } from "../findings/Findings";

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
  const keyOf = (finding: FindingFigures) => findings.find((each) => each.finding === finding)?.beds[0] ?? "";
  const shown = findings.slice(0, MOST);
  return (
    <section>
      {shown.length > 0 && (
        <Findings
          findings={shown.map(({ finding }) => finding)}
          onMend={(finding) => onMend(keyOf(finding), finding)}
          onShow={(finding) => onShow(keyOf(finding))}
          onSeen={(code, reason, finding) => onSeen(keyOf(finding), code, reason)}
        />
      )}
      {findings.length > MOST && <Note>and {findings.length - MOST} more</Note>}
    </section>
  );
}
