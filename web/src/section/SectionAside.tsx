import { memo, useMemo } from "react";
import type { Bed, BedFigures, FindingFigures, ForecastFigures, BoughtAlone } from "../api/client";
import { Findings } from "../findings/Findings";
import { Aside } from "../kit/View";
import { useSureDraft } from "../sure/useSure";
import { Prospects } from "./Prospects";
import { Tally } from "./Tally";

type Props = {
  gardenId: number;
  /** The bed that the figures are of. */
  bed: Bed | null;
  figures: BedFigures;
  buying: BoughtAlone | null;
  forecast: ForecastFigures | null;
  waiting: boolean;
  onDose: (material: string) => void;
  onMend: (finding: FindingFigures) => void;
  onShow: (finding: FindingFigures) => void;
  onSeen: (code: string, reason: string | null) => void;
};

/** What the bed takes, what it will do and what is worth a look. */
export const SectionAside = memo(function SectionAside(props: Props) {
  const { figures, buying, forecast } = props;
  const sure = useSureDraft(props.gardenId, props.bed, !props.waiting);
  const findings = useMemo(() => allFindings(figures.findings, buying), [figures.findings, buying]);
  return (
    <Aside variant="outlined" component="aside" aria-label="What it takes">
      <Tally figures={figures} buying={buying} waiting={props.waiting} sure={sure?.figures} />
      <Prospects gardenId={props.gardenId} figures={figures} forecast={forecast} onDose={props.onDose} />
      <Findings
        findings={findings}
        onMend={props.onMend}
        onShow={props.onShow}
        canShow={hasLayer}
        onSeen={props.onSeen}
      />
    </Aside>
  );
});

/** The bed's own findings, and those that came with the buying (a request later), the gravest first. */
function allFindings(own: readonly FindingFigures[], buying: BoughtAlone | null): FindingFigures[] {
  const added = buying?.findings ?? [];
  return [...own, ...added].toSorted((one, two) => one.rank - two.rank);
}

/** Whether there is a layer that it can be shown at. */
function hasLayer({ layer }: FindingFigures): boolean {
  return layer != null;
}
