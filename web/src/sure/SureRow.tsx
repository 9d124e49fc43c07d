import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";
import { useId, useState } from "react";
import { Note } from "../kit/Note";
import { useShowing } from "../quantities/UnitsContext";
import { BandBar } from "./BandBar";
import { narrowerSaid, FIGURES, showBand, showSure, sourceSaid, waySaid } from "./sureWords";
import type { SureFigure } from "./sureApi";

const Line = styled(ButtonBase)(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1.5fr) minmax(70px, 0.8fr) minmax(80px, 1fr) minmax(0, 1.2fr)",
  gap: "2px 14px",
  alignItems: "center",
  width: "100%",
  minHeight: 40,
  padding: "5px 4px",
  textAlign: "left",
  borderTop: `1px solid ${theme.vars.palette.line}`,
  ...theme.typography.body2,
  "& b, & .band-said": { textAlign: "right", whiteSpace: "nowrap" },
  "& b": { fontWeight: 650 },
  "& .band-said": { color: theme.vars.palette.soft },
  "&:hover": { backgroundColor: theme.vars.palette.ground },
  "@media (max-width: 560px)": {
    gridTemplateColumns: "minmax(0, 1fr) auto",
    "& .bar": { gridColumn: 1 },
  },
}));

const Behind = styled("div")({ display: "grid", gap: 4, padding: "4px 4px 14px" });

const Share = styled("div")(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 90px 40px",
  gap: 10,
  alignItems: "center",
  ...theme.typography.body2,
  "& meter": { display: "none" },
  "& .share": { height: 8, backgroundColor: theme.vars.palette.ground },
  "& .share > i": { display: "block", height: "100%", backgroundColor: theme.vars.palette.straw },
  "& > :last-child": { textAlign: "right" },
}));

/** One figure with its band; behind it what the band rests on, and what would narrow it. */
export function SureRow({ figure, reach, name }: { figure: SureFigure; reach: number; name?: string }) {
  const { units, currency } = useShowing();
  const [open, setOpen] = useState(false);
  const id = useId();
  return (
    <div data-part="sure-row" data-figure={figure.figure}>
      <Line aria-expanded={open} aria-controls={id} onClick={() => setOpen(!open)} focusRipple={false}>
        <span>{name ?? FIGURES[figure.figure]}</span>
        <b>{showSure(figure, figure.usual, units, currency, figure.high)}</b>
        <span className="bar">
          <BandBar usual={figure.usual} low={figure.low} high={figure.high} reach={reach} />
        </span>
        <span className="band-said" data-part="band">
          {showBand(figure, units, currency)}
        </span>
      </Line>
      <div id={id} hidden={!open}>
        {open && <RestsOn figure={figure} />}
      </div>
    </div>
  );
}

function RestsOn({ figure }: { figure: SureFigure }) {
  return (
    <Behind data-part="rests-on">
      <Note>What spreads it:</Note>
      {figure.rests_on.map((each) => (
        <Share key={`${each.source} ${each.of}`}>
          <span>{sourceSaid(each)}</span>
          <span className="share">
            <i style={{ width: `${Math.round(each.share * 100)}%` }} />
          </span>
          <span>{Math.round(each.share * 100)} %</span>
        </Share>
      ))}
      {figure.rests_on.length === 0 && <Note>Many things, none of them much.</Note>}
      {figure.narrows.map((each) => (
        <Note key={`${each.way} ${each.of}`}>
          {waySaid(each)}: {narrowerSaid(each.leaves)}.
        </Note>
      ))}
    </Behind>
  );
}
