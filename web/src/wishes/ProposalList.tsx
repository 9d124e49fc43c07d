import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { useEffect, useRef } from "react";
import type { Material } from "../api/client";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { Note } from "../kit/Note";
import { FactLine, Lines } from "../kit/Lines";
import { useShowing } from "../quantities/UnitsContext";
import { COSTS, costOf, COST_NAMES, proposalSaid, showCost } from "./costs";
import type { Proposal } from "./wishesApi";

const Cards = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 250px), 1fr))",
  gap: 12,
});

const Card = styled("article")(({ theme }) => ({
  display: "grid",
  alignContent: "start",
  gap: 4,
  padding: "10px 12px",
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 4,
  backgroundColor: theme.vars.palette.sheet,
  "&[data-chosen=true]": { borderColor: theme.vars.palette.iron },
  "& svg": { maxWidth: "100%" },
}));

type Props = {
  proposals: readonly Proposal[];
  materials: ReadonlyMap<string, Material>;
  chosen: number | null;
  taking: boolean;
  onTake: (proposal: Proposal) => void;
};

/** Proposals beside each other with all that they cost. */
export function ProposalList({ proposals, materials, chosen, taking, onTake }: Props) {
  const { units, currency } = useShowing();
  const shown = useRef<HTMLElement>(null);
  useEffect(() => shown.current?.scrollIntoView({ block: "nearest" }), [chosen]);
  return (
    <Cards>
      {proposals.map((proposal, at) => (
        <Card
          key={at}
          ref={chosen === at ? shown : undefined}
          data-chosen={chosen === at || undefined}
          data-part="proposal"
          aria-label={`${proposal.school}, ${proposalSaid(proposal, units)}`}
        >
          <SmallSection
            figures={proposal.cut}
            materials={materials}
            scale={Math.min(80, smallScale(proposal.cut, 226, 92))}
          />
          <b>{proposal.school}</b>
          {!proposal.unbeaten && <Note>Beaten in all of these by another: here for what else it is.</Note>}
          <span>{proposalSaid(proposal, units)}</span>
          <Lines>
            {COSTS.map((cost) => {
              const value = costOf(proposal, cost);
              return (
                <FactLine key={cost} name={COST_NAMES[cost]}>
                  {value === null ? "not known" : showCost(value, cost, units, currency)}
                </FactLine>
              );
            })}
          </Lines>
          <Button variant="contained" disabled={taking} onClick={() => onTake(proposal)}>
            Take it
          </Button>
        </Card>
      ))}
    </Cards>
  );
}
