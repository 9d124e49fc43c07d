import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { saidOf, type KeptGarden, type Material } from "../api/client";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useSize } from "../kit/useSize";
import { useWhenReady } from "../kit/useWhenReady";
import { ViewHead } from "../kit/View";
import { useReadings } from "../quantities/useReadings";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { COSTS, COST_NAMES, easeSaid, type Cost } from "./costs";
import { ProposalChart } from "./ProposalChart";
import { ProposalList } from "./ProposalList";
import { useLook } from "./useLook";
import { WishFields } from "./WishFields";
import { wishesApi, type Proposal, type Wishes, type WishesLooked } from "./wishesApi";

const Beside = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(280px, 360px) minmax(0, 1fr)",
  gap: "14px 22px",
  alignItems: "start",
  padding: "14px 20px 28px",
  "@media (max-width: 960px)": { gridTemplateColumns: "minmax(0, 1fr)" },
  "@media (max-width: 760px)": { padding: "10px 12px 40px" },
});

const Found = styled("div")({ display: "grid", gap: 12, alignContent: "start", minWidth: 0 });

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material> };

/** Planning backwards: from what there is, what is wanted and what is allowed, to beds that could be built. */
export default function WishesView({ garden, materials }: Props) {
  const start = useQuery({
    queryKey: ["wishes", garden.id],
    queryFn: () => wishesApi.start(garden.id),
    gcTime: 0,
  });
  if (start.error) return <PageNote>{saidOf(start.error)}</PageNote>;
  if (!start.data) return <PageNote>Looking at what there is ...</PageNote>;
  return <WithWishes garden={garden} materials={materials} first={kept(garden.id) ?? start.data} />;
}

const said = (count: number) => count.toLocaleString("en");

const placeOf = (gardenId: number) => `nolbet.wishes.${gardenId}`;

/** Wishes as they were typed last in this browser. */
function kept(gardenId: number): Wishes | null {
  try {
    return JSON.parse(localStorage.getItem(placeOf(gardenId)) ?? "null") as Wishes | null;
  } catch {
    return null;
  }
}

function WithWishes({ garden, materials, first }: Props & { first: Wishes }) {
  const [wishes, setWishes] = useState(first);
  const look = useLook(garden.id);
  const readings = useReadings();
  const [unread, setUnread] = useState<string | null>(null);
  // pressed while a wish is still being understood, it waits for that
  const start = useWhenReady(!readings.asking, () => {
    const unread = readings.refused();
    setUnread(unread);
    if (unread === null) look.start(wishes);
  });
  const change = (changed: Wishes) => {
    setWishes(changed);
    localStorage.setItem(placeOf(garden.id), JSON.stringify(changed));
  };
  return (
    <Beside data-part="wishes-view">
      <Sheet component="section" aria-label="Wishes">
        <ViewHead>
          <Typography variant="view">Wishes</Typography>
        </ViewHead>
        <Note sx={{ marginBottom: 2 }}>
          Say what there is; Nolbet proposes whole beds, each judged by the same rules as any bed here.
        </Note>
        <WishFields
          gardenId={garden.id}
          wishes={wishes}
          materials={materials}
          onChange={change}
          readings={readings.of}
        />
        <Row>
          <Button variant="contained" onClick={start} disabled={look.looks}>
            Look for beds
          </Button>
          {look.looks && <Button onClick={look.end}>Leave off</Button>}
        </Row>
        {unread !== null && <Problem>{unread} isn&apos;t understood yet.</Problem>}
      </Sheet>
      <Found aria-busy={look.looks || undefined} data-part="wishes-found">
        {look.error !== null && <Problem>{saidOf(look.error as Error)}</Problem>}
        {look.told ? (
          <WhatWasFound
            told={look.told}
            looks={look.looks}
            garden={garden}
            materials={materials}
            wishes={wishes}
          />
        ) : (
          <Note>
            {look.looks
              ? "Looking ..."
              : "Proposals come here: schools, sizes that your boards make, depths and mixes, judged by money, work, sinking and the first sowing."}
          </Note>
        )}
      </Found>
    </Beside>
  );
}

type FoundProps = Props & { told: WishesLooked; looks: boolean; wishes: Wishes };

function WhatWasFound({ told, looks, garden, materials, wishes }: FoundProps) {
  const { units, currency } = useShowing();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [across, setAcross] = useState<Cost>("money");
  const [up, setUp] = useState<Cost>("area_m2");
  const [chosen, setChosen] = useState<number | null>(null);
  const [room, { width }] = useSize<HTMLDivElement>();
  const options = COSTS.map((cost) => [cost, COST_NAMES[cost]] as const);
  const take = useMutation({
    mutationFn: (proposal: Proposal) => wishesApi.take(garden.id, proposal.bed, wishes.have?.stock ?? []),
    onSuccess: async (bed) => {
      await queries.invalidateQueries();
      await navigate(`/garden/${garden.id}/section/bed/${bed.key}`);
    },
  });
  return (
    <>
      <div>
        <Note role="status" data-part="looked">
          {looks
            ? `${said(told.judged)} of ${said(told.of)} ways judged, ${told.found} worth keeping so far`
            : told.found > 0
              ? `${said(told.of)} ways judged. ${told.found === 1 ? "One is beaten by no other" : `${told.found} are beaten by no other in everything`}; here are those that differ most, and the other schools.`
              : `${said(told.of)} ways judged, and none can be built.`}
        </Note>
        {told.left_out > 0 && (
          <Note data-part="left-out">
            {said(told.left_out)} more sizes and counts aren&apos;t looked at: say which boards there are, and
            only those are.
          </Note>
        )}
        {looks && (
          <LinearProgress
            variant="determinate"
            value={told.of ? (100 * told.judged) / told.of : 0}
            aria-label="Ways judged"
          />
        )}
      </div>
      {told.ended && told.proposals.length === 0 && (
        <Sheet component="section" aria-label="What to ease">
          <Typography variant="panelTitle">Nothing can be built so. What to ease:</Typography>
          {told.eases.map((ease) => (
            <Note key={ease.kind} data-part="ease">
              {easeSaid(ease, units, currency)}
            </Note>
          ))}
          {told.eases.length === 0 && (
            <Note>Too many wishes stand in the way at once: ask for a smaller area, or leave one out.</Note>
          )}
        </Sheet>
      )}
      {told.proposals.length > 0 && (
        <>
          <Row>
            <Pick label="Across" options={options} value={across} onChoose={setAcross} />
            <Pick label="Up" options={options} value={up} onChoose={setUp} />
          </Row>
          <div ref={room}>
            {width > 0 && (
              <ProposalChart
                proposals={told.proposals}
                across={across}
                up={up}
                materials={materials}
                chosen={chosen}
                onChoose={setChosen}
                width={width}
              />
            )}
          </div>
          {take.error && <Problem>{saidOf(take.error)}</Problem>}
          <ProposalList
            proposals={told.proposals}
            materials={materials}
            chosen={chosen}
            taking={take.isPending}
            onTake={(proposal) => take.mutate(proposal)}
          />
          <Note>
            Weight, decks and balconies are for somebody licensed to judge; local codes come before any
            proposal.
          </Note>
        </>
      )}
    </>
  );
}
