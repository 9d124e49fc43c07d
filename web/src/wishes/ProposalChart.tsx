import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";
import { useMemo } from "react";
import type { Material } from "../api/client";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { useShowing } from "../quantities/UnitsContext";
import { costOf, COST_NAMES, proposalSaid, showCost, type Cost } from "./costs";
import type { Proposal } from "./wishesApi";

const WIDE = 150;
const TALL = 62;
const STEP = 6;

const Field = styled("div")(({ theme }) => ({
  position: "relative",
  height: 430,
  borderLeft: `1px solid ${theme.vars.palette.soft}`,
  borderBottom: `1px solid ${theme.vars.palette.soft}`,
  margin: "4px 0 26px 4px",
  "@media (max-width: 760px)": { display: "none" },
}));

const Spot = styled(ButtonBase)(({ theme }) => ({
  position: "absolute",
  width: WIDE,
  height: TALL,
  display: "grid",
  justifyItems: "center",
  alignContent: "end",
  border: "1px solid transparent",
  borderRadius: 4,
  "&[aria-pressed=true]": { borderColor: theme.vars.palette.iron },
  "&:hover": { borderColor: theme.vars.palette.soft },
}));

const End = styled("span")(({ theme }) => ({
  position: "absolute",
  ...theme.typography.caption,
  color: theme.vars.palette.soft,
  backgroundColor: theme.vars.palette.ground,
  padding: "0 4px",
}));

type Props = {
  proposals: readonly Proposal[];
  across: Cost;
  up: Cost;
  materials: ReadonlyMap<string, Material>;
  chosen: number | null;
  onChoose: (at: number) => void;
  width: number;
};

type Placed = { at: number; left: number; bottom: number };

/** Proposals as cut-open beds where their two costs lie; one that would lie on another is moved aside. */
export function ProposalChart({ proposals, across, up, materials, chosen, onChoose, width }: Props) {
  const { units, currency } = useShowing();
  const height = 430;
  const ends = useMemo(
    () => [endsOf(proposals, across), endsOf(proposals, up)] as const,
    [proposals, across, up],
  );
  const placed = useMemo(
    () => placedApart(proposals, across, up, width - WIDE, height - TALL),
    [proposals, across, up, width],
  );
  const scale = Math.min(90, ...proposals.map(({ cut }) => smallScale(cut, WIDE, TALL - 4)));
  const [[left, right], [low, high]] = ends;
  return (
    <Field role="group" aria-label={`${COST_NAMES[up]} over ${COST_NAMES[across].toLowerCase()}`}>
      {placed.map(({ at, left: x, bottom }) => {
        const proposal = proposals[at];
        if (!proposal) return null;
        return (
          <Spot
            key={at}
            sx={{ left: x, bottom }}
            aria-pressed={chosen === at}
            aria-label={`${proposal.school}, ${proposalSaid(proposal, units)}`}
            onClick={() => onChoose(at)}
            data-part="proposal-spot"
          >
            <SmallSection figures={proposal.cut} materials={materials} scale={scale} />
          </Spot>
        );
      })}
      <End sx={{ left: 0, bottom: -22 }}>{showCost(left, across, units, currency)}</End>
      <End sx={{ right: 0, bottom: -22 }}>
        {showCost(right, across, units, currency)} · {COST_NAMES[across].toLowerCase()}
      </End>
      <End sx={{ left: 6, top: 2 }}>
        {showCost(low, up, units, currency)} at the foot to {showCost(high, up, units, currency)} ·{" "}
        {COST_NAMES[up].toLowerCase()}
      </End>
    </Field>
  );
}

function endsOf(proposals: readonly Proposal[], cost: Cost): [number, number] {
  const values = proposals.flatMap((each) => costOf(each, cost) ?? []);
  return [Math.min(...values), Math.max(...values)];
}

function placedApart(
  proposals: readonly Proposal[],
  across: Cost,
  up: Cost,
  width: number,
  height: number,
): Placed[] {
  const placed: Placed[] = [];
  const [least, most] = endsOf(proposals, across);
  const [low, high] = endsOf(proposals, up);
  const share = (value: number | null, from: number, to: number) =>
    value === null || to <= from ? 0.5 : (value - from) / (to - from);
  proposals.forEach((proposal, at) => {
    const x = share(costOf(proposal, across), least, most) * width;
    const y = share(costOf(proposal, up), low, high) * height;
    placed.push({ at, ...freeSpot(x, y, width, height, placed) });
  });
  return placed;
}

/** The nearest spot to where it should lie that overlaps nothing placed; the spot itself where none is free. */
function freeSpot(x: number, y: number, width: number, height: number, placed: readonly Placed[]) {
  const free = (left: number, bottom: number) =>
    left >= 0 &&
    left <= width &&
    bottom >= 0 &&
    bottom <= height &&
    placed.every((each) => Math.abs(each.left - left) >= WIDE || Math.abs(each.bottom - bottom) >= TALL);
  for (let far = 0; far < Math.max(width, height); far += STEP)
    for (let turn = 0; turn < 16; turn += 1) {
      const left = x + far * Math.cos((turn * Math.PI) / 8);
      const bottom = y + far * Math.sin((turn * Math.PI) / 8);
      if (free(left, bottom)) return { left, bottom };
    }
  return { left: x, bottom: y };
}
