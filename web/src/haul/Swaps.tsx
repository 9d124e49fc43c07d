import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { saidOf, type Schemas } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import { showDay, showDose, showLength, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { haulApi } from "./haulApi";
import { takeSwap } from "./takeSwap";

type Swap = Schemas["SwapFigures"];
type Props = { gardenId: number; onLeave: () => void };

/** Ways to pay less: what each saves and what it costs otherwise, and the fewest that get under the budget. */
export function Swaps({ gardenId, onLeave }: Props) {
  const { currency } = useShowing();
  const tell = useTell();
  const queries = useQueryClient();
  const answer = useQuery({
    queryKey: ["figure", gardenId, "swaps"],
    queryFn: ({ signal }) => haulApi.swaps(gardenId, signal),
  });
  const anew = () => {
    for (const key of ["figure", "garden", "mixes"])
      void queries.invalidateQueries({ queryKey: [key, gardenId] });
  };
  const take = useMutation({
    mutationFn: async (chosen: readonly Swap[]) => {
      const back: (() => Promise<unknown>)[] = [];
      for (const swap of chosen) back.push(await takeSwap(gardenId, swap));
      return back.toReversed();
    },
    onSuccess: (back, chosen) => {
      anew();
      tell(chosen.length === 1 ? `Done: ${chosen[0]?.title}.` : `Done: ${chosen.length} changes.`, () => {
        void (async () => {
          for (const undo of back) await undo();
          anew();
        })();
      });
    },
    onError: anew,
  });
  const found = answer.data;
  const proposed = found?.swaps.filter(({ key }) => found.proposed.includes(key)) ?? [];
  return (
    <Sheet component="section" aria-label="Ways to pay less" data-part="swaps">
      <Column>
        <Row>
          <Typography variant="sheetTitle" sx={{ marginRight: "auto" }}>
            Ways to pay less
          </Typography>
          <Button onClick={onLeave}>Leave them</Button>
        </Row>
        {answer.isFetching && (
          <>
            <Note role="status">Working out the cheapest haul for each way ...</Note>
            <LinearProgress aria-label="Working out ways to pay less" />
          </>
        )}
        {(answer.error ?? take.error) && <Problem>{saidOf(answer.error ?? take.error)}</Problem>}
        {found && !answer.isFetching && (
          <>
            <Proposal
              found={found}
              proposed={proposed}
              busy={take.isPending}
              onTake={() => take.mutate(proposed)}
            />
            {found.swaps.length > 0 && (
              <TableContainer>
                <Table>
                  <TableHead>
                    <TableRow>
                      <TableCell>Instead</TableCell>
                      <TableCell align="right">saves</TableCell>
                      <TableCell>and otherwise</TableCell>
                      <TableCell />
                    </TableRow>
                  </TableHead>
                  <TableBody>
                    {found.swaps.map((swap) => (
                      <TableRow key={swap.key} data-part="swap">
                        <TableCell>{swap.title}</TableCell>
                        <TableCell align="right">{showMoney(swap.saves, currency)}</TableCell>
                        <TableCell>
                          <Otherwise swap={swap} />
                        </TableCell>
                        <TableCell align="right">
                          <Button
                            aria-label={`Take: ${swap.title}`}
                            disabled={take.isPending}
                            onClick={() => take.mutate([swap])}
                          >
                            Take it
                          </Button>
                        </TableCell>
                      </TableRow>
                    ))}
                  </TableBody>
                </Table>
              </TableContainer>
            )}
          </>
        )}
      </Column>
    </Sheet>
  );
}

type ProposalProps = {
  found: Schemas["SwapsFigures"];
  proposed: readonly Swap[];
  busy: boolean;
  onTake: () => void;
};

function Proposal({ found, proposed, busy, onTake }: ProposalProps) {
  const { currency } = useShowing();
  if (found.swaps.length === 0)
    return <Note>Nothing that Nolbet knows of costs less than what is planned.</Note>;
  if (found.budget == null)
    return (
      <Note>Say what all of it is to cost at most, and the fewest changes that get there are named.</Note>
    );
  if (found.short_by != null)
    return (
      <Problem>
        Even all of them together stay {showMoney(found.short_by, currency)} over your{" "}
        {showMoney(found.budget, currency)}.
      </Problem>
    );
  if (proposed.length === 0) return <Note>It stays under {showMoney(found.budget, currency)} as it is.</Note>;
  return (
    <Row data-part="proposal">
      <span>
        Under {showMoney(found.budget, currency)} with: <b>{proposed.map(({ title }) => title).join("; ")}</b>
        {found.proposed_total != null && ` (${showMoney(found.proposed_total, currency)} to pay)`}
      </span>
      <Button variant="contained" disabled={busy} onClick={onTake}>
        {proposed.length === 1 ? "Take it" : `Take these ${proposed.length}`}
      </Button>
    </Row>
  );
}

/** What a way costs beside money: soil, sinking, nitrogen, when the first is sown. */
function Otherwise({ swap: { bed, before, after } }: { swap: Swap }) {
  const { units } = useShowing();
  if (!bed || !before) return <>nothing in a bed</>;
  if (!after) return <>nothing grows in it this year</>;
  const far = (one: number, two: number, least: number) => Math.abs(one - two) >= least;
  const said = [
    far(before.soil_m, after.soil_m, 0.005) &&
      `soil ${showLength(after.soil_m, units)} instead of ${showLength(before.soil_m, units)}`,
    far(before.sinks_m, after.sinks_m, 0.005) &&
      `sinks ${showLength(after.sinks_m, units)} instead of ${showLength(before.sinks_m, units)} in the first year`,
    far(before.nitrogen_short_kg, after.nitrogen_short_kg, 0.005) &&
      `${showDose(after.nitrogen_short_kg, units)} nitrogen short instead of ${showDose(before.nitrogen_short_kg, units)}`,
    before.first_sowing !== after.first_sowing &&
      `first sown ${after.first_sowing == null ? "later" : showDay(after.first_sowing)}`,
  ].filter((each) => each !== false);
  return <>{said.length > 0 ? said.join("; ") : "much as before"}</>;
}
