import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { saidOf, type Material } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { useShowing } from "../quantities/UnitsContext";
import { dayOf, KIND_NAMES, said } from "./entrySaid";
import { takeBack, type Waiting } from "./outbox";
import { seasonApi, type Entry } from "./seasonApi";

const List = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(250px, 1fr))",
  gap: 10,
  margin: 0,
  padding: 0,
  listStyle: "none",
});

const Card = styled("li")(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) auto",
  gap: "2px 8px",
  alignContent: "start",
  padding: "8px 12px",
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 6,
  background: theme.vars.palette.background.paper,
  overflowWrap: "anywhere",
  contentVisibility: "auto",
  containIntrinsicSize: "auto 76px",
}));

type Props = {
  gardenId: number;
  bedKey: string | null;
  bedNames: ReadonlyMap<string, string>;
  materials: ReadonlyMap<string, Material>;
  waiting: readonly Waiting[];
};

/** What was written down, the last first: what waits for a connection, then what is kept. */
export function Entries({ gardenId, bedKey, bedNames, materials, waiting }: Props) {
  const queries = useQueryClient();
  const { units, currency } = useShowing();
  const pages = useInfiniteQuery({
    queryKey: ["season", gardenId, bedKey],
    queryFn: ({ pageParam }) => seasonApi.entries(gardenId, bedKey ?? undefined, pageParam),
    initialPageParam: 0,
    getNextPageParam: (last, all) => {
      const told = all.reduce((sum, { entries }) => sum + entries.length, 0);
      return told < last.total && last.entries.length > 0 ? told : null;
    },
  });
  const takeOut = useMutation({
    mutationFn: (key: string) => seasonApi.takeOut(gardenId, key),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["season", gardenId] });
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  const shown = { units, currency, materialName: (key: string) => materials.get(key)?.name ?? key };
  const kept = pages.data?.pages.flatMap(({ entries }) => entries) ?? [];
  const onTheirWay = waiting.filter(({ entry }) => bedKey === null || entry.bed === bedKey);
  const where = (entry: Entry) => (entry.bed == null ? "The garden" : (bedNames.get(entry.bed) ?? entry.bed));
  const error = takeOut.error ?? (kept.length === 0 ? pages.error : null);
  return (
    <section aria-label="What was written down" data-part="entries">
      {error && <Problem>{saidOf(error)}</Problem>}
      {pages.data && kept.length + onTheirWay.length === 0 && (
        <Note>Nothing is written down yet. A reading of the surface once a season is worth most.</Note>
      )}
      <List>
        {onTheirWay.map(({ key, entry, problem }) => (
          <Card key={key} data-part="entry-waiting">
            <b>{KIND_NAMES[entry.kind]}</b>
            <span>{dayOf(entry)}</span>
            <span>{said(entry, shown)}</span>
            <Button variant="link" onClick={() => takeBack(key)}>
              Take back
            </Button>
            <Note>{problem ?? "Waits for a connection; it is kept in this browser."}</Note>
          </Card>
        ))}
        {kept.map(({ key, entry }) => (
          <Card key={key} data-part="entry">
            <b>{KIND_NAMES[entry.kind]}</b>
            <span>{dayOf(entry)}</span>
            <span>{said(entry, shown)}</span>
            <Button
              variant="link"
              aria-label={`Take out: ${KIND_NAMES[entry.kind]}, ${dayOf(entry)}`}
              onClick={() => takeOut.mutate(key)}
            >
              Take out
            </Button>
            <Note>
              {where(entry)}
              {entry.who ? `, ${entry.who}` : ""}
              {entry.kind === "note" && entry.differently ? " · would do differently" : ""}
            </Note>
          </Card>
        ))}
      </List>
      {pages.hasNextPage && (
        <Button disabled={pages.isFetchingNextPage} onClick={() => void pages.fetchNextPage()}>
          Show earlier ones
        </Button>
      )}
    </section>
  );
}
