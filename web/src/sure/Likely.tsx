import Tooltip from "@mui/material/Tooltip";
import { styled } from "@mui/material/styles";
import { useShowing } from "../quantities/UnitsContext";
import { showBand, sourceSaid } from "./sureWords";
import type { SureFigure } from "./sureApi";

const Light = styled("span")(({ theme }) => ({
  ...theme.typography.caption,
  display: "block",
  color: theme.vars.palette.soft,
  fontWeight: 450,
  cursor: "help",
}));

type Props = { figures: readonly SureFigure[] | undefined; figure: SureFigure["figure"] };

/** Where a figure lies in four gardens of five, lightly under it; on hover and on focus what it rests on. */
export function Likely({ figures, figure }: Props) {
  const { units, currency } = useShowing();
  const found = figures?.find((each) => each.figure === figure);
  if (!found) return null;
  const rests = found.rests_on.map(sourceSaid).join("; ");
  return (
    <Tooltip title={`In four gardens of five. ${rests ? `It rests on ${rests}.` : ""}`} describeChild>
      <Light tabIndex={0} data-part="likely" data-figure={figure}>
        {showBand(found, units, currency)}
      </Light>
    </Tooltip>
  );
}
