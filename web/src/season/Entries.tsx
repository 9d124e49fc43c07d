import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { useInfiniteQuery } from "@tanstack/react-query";
import { saidOf, type KeptGarden, type Material } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { useShowing } from "../quantities/UnitsContext";
import { Card, EntryCard } from "./EntryCard";
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

type Props = {
  garden: KeptGarden;
  bedKey: string | null;
  bedNames: ReadonlyMap<string, string>;
  materials: ReadonlyMap<string, Material>;
  waiting: readonly Waiting[];
};

/** What was written down, the last first: what waits for a connection, then what is kept. */
export function Entries({ garden, bedKey, bedNames, materials, waiting }: Props) {
  const { units, currency } = useShowing();
  const pages = useInfiniteQuery({
    queryKey: ["season", garden.id, bedKey],
    queryFn: ({ pageParam }) => seasonApi.entries(garden.id, bedKey ?? undefined, pageParam),
    initialPageParam: 0,
    getNextPageParam: (last, all) => {
      const told = all.reduce((sum, { entries }) => sum + entries.length, 0);
      return told < last.total && last.entries.length > 0 ? told : null;
    },
  });
  const shown = { units, currency, materialName: (key: string) => materials.get(key)?.name ?? key };
  const kept = pages.data?.pages.flatMap(({ entries }) => entries) ?? [];
  const onTheirWay = waiting.filter(({ entry }) => bedKey === null || entry.bed === bedKey);
  const where = (entry: Entry) => (entry.bed == null ? "The garden" : (bedNames.get(entry.bed) ?? entry.bed));
  const error = kept.length === 0 ? pages.error : null;
  return (
    <section aria-label="What was written down" data-part="entries">
      {error && <Problem>{saidOf(error)}</Problem>}
      {pages.data && kept.length + onTheirWay.length === 0 && (
        <Note>Nothing is written down yet. A reading of the surface once a season is worth most.</Note>
      )}
      <List>
        {onTheirWay.map(({ key, entry, photos, arrived, problem }) => (
          <Card key={key} data-part="entry-waiting">
            <b>{KIND_NAMES[entry.kind]}</b>
            <span>{dayOf(entry)}</span>
            <span>{said(entry, shown)}</span>
            <Button variant="link" onClick={() => takeBack(key)}>
              Take back
            </Button>
            <Note>
              {problem ??
                (arrived
                  ? "It arrived; its photographs are on their way."
                  : `Waits for a connection; it is kept in this browser${photos?.length ? " with its photographs" : ""}.`)}
            </Note>
          </Card>
        ))}
        {kept.map((each) => (
          <EntryCard
            key={each.key}
            garden={garden}
            materials={materials}
            kept={each}
            where={where(each.entry)}
          />
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
