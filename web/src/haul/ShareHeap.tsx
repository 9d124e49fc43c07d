import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type KeptGarden, type Schemas } from "../api/client";
import { bedDraftOf } from "../draft/useBedDraft";
import { Choice } from "../kit/Choice";
import { FigureTable } from "../kit/FigureTable";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { useTell } from "../kit/Tell";
import { Quantity } from "../quantities/Quantity";

type Props = { gardenId: number; material: string; name: string; volume_m3: number };
type Share = Schemas["ShareOfBed"];

const BY = [
  ["need", "by need"],
  ["equal", "equally"],
  ["depth", "equally deep"],
] as const;
type By = (typeof BY)[number][0];

/** A heap shared over beds: what each gets, and laid on top of what lies there. */
export function ShareHeap({ gardenId, material, name, volume_m3 }: Props) {
  const queries = useQueryClient();
  const tell = useTell();
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const open = (garden.data?.beds ?? []).filter(({ state }) => state === "planned" || state === "filling");
  const [by, setBy] = useState<By>("need");
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const beds = open.map(({ key }) => key).filter((key) => !left.has(key));
  const shared = useQuery({
    queryKey: ["figure", gardenId, "shares", material, volume_m3, by, beds],
    queryFn: ({ signal }) => api.figureShares(gardenId, { material, volume_m3, beds, by }, signal),
    enabled: garden.data !== undefined,
    placeholderData: (before) => before,
  });
  const lay = useMutation({
    mutationFn: (shares: readonly Share[]) => Promise.resolve(layOn(garden.data, shares)),
    onSuccess: (count) => tell(`${name} was laid on ${count === 1 ? "1 bed" : `${count} beds`}.`),
  });
  /** One layer more on each bed, by the bed's own draft so that it can be undone there. */
  const layOn = (kept: KeptGarden | undefined, shares: readonly Share[]): number => {
    let laid = 0;
    for (const { bed, placed_m3 } of shares) {
      const own = kept?.beds.find(({ key }) => key === bed);
      if (!own || placed_m3 <= 0) continue;
      bedDraftOf(gardenId, own, queries).edit((now) => ({
        ...now,
        layers: [...now.layers, { material, volume_m3: placed_m3 }],
      }));
      laid += 1;
    }
    return laid;
  };
  const shares = shared.data?.shares ?? [];
  return (
    <>
      <Row>
        <Choice label="Shared" options={BY} value={by} onChoose={setBy} />
        <Button
          disabled={shares.every(({ placed_m3 }) => placed_m3 <= 0) || lay.isPending}
          onClick={() => lay.mutate(shares)}
        >
          Lay it on top of each
        </Button>
      </Row>
      <FigureTable size="small">
        <TableHead>
          <TableRow>
            <TableCell>Bed</TableCell>
            <TableCell>Gets, loose</TableCell>
            <TableCell>Deep</TableCell>
            <TableCell>Still lacks</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {open.map(({ key, bed }) => {
            const share = shares.find((each) => each.bed === key);
            if (by === "need" && share?.needs_m3 === 0) return null;
            return (
              <TableRow key={key}>
                <TableCell component="th" scope="row">
                  <Checkbox
                    size="small"
                    checked={!left.has(key)}
                    onChange={() => setLeft(toggled(left, key))}
                    slotProps={{ input: { "aria-label": `${bed.name ?? key} gets some` } }}
                  />
                  {bed.name}
                </TableCell>
                <TableCell>{share && <Quantity kind="volume" value={share.loose_m3} />}</TableCell>
                <TableCell>{share && <Quantity kind="length" value={share.depth_m} />}</TableCell>
                <TableCell>
                  {share && share.lacks_m3 > 0 && <Quantity kind="volume" value={share.lacks_m3} />}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </FigureTable>
      {shared.data && shared.data.left_m3 > 0 && (
        <Note>
          <Quantity kind="volume" value={shared.data.left_m3} /> stays on the heap.
        </Note>
      )}
      {shared.error && <Problem>{saidOf(shared.error)}</Problem>}
    </>
  );
}

function toggled(keys: ReadonlySet<string>, key: string): ReadonlySet<string> {
  const next = new Set(keys);
  if (!next.delete(key)) next.add(key);
  return next;
}
