import Button from "@mui/material/Button";
import Pagination from "@mui/material/Pagination";
import { styled } from "@mui/material/styles";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { saidOf, type KeptGarden, type Material } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { useShowing } from "../quantities/UnitsContext";
import { Card, EntryCard } from "./EntryCard";
import { dayOf, KIND_NAMES, said } from "./entrySaid";
import { takeBack, type Waiting } from "./outbox";
import { seasonApi, type Entry } from "./seasonApi";

/** As many as the server tells at once. */
const ENTRIES_A_PAGE = 100;

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
  const [page, setPage] = useState(0);
  const top = useRef<HTMLElement>(null);
  const found = useQuery({
    queryKey: ["season", garden.id, bedKey, page],
    queryFn: () => seasonApi.entries(garden.id, bedKey ?? undefined, page * ENTRIES_A_PAGE),
    placeholderData: keepPreviousData,
  });
  const turnTo = (wanted: number) => {
    setPage(wanted);
    top.current?.scrollIntoView();
  };
  const shown = { units, currency, materialName: (key: string) => materials.get(key)?.name ?? key };
  const kept = found.data?.entries ?? [];
  const total = found.data?.total ?? 0;
  const onTheirWay = waiting.filter(({ entry }) => bedKey === null || entry.bed === bedKey);
  const where = (entry: Entry) => (entry.bed == null ? "The garden" : (bedNames.get(entry.bed) ?? entry.bed));
  const error = kept.length === 0 ? found.error : null;
  return (
    <section ref={top} aria-label="What was written down" data-part="entries">
      {error && <Problem>{saidOf(error)}</Problem>}
      {found.data && total + onTheirWay.length === 0 && (
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
      {total > ENTRIES_A_PAGE && (
        <Row sx={{ marginTop: 2 }}>
          <Pagination
            count={Math.ceil(total / ENTRIES_A_PAGE)}
            page={page + 1}
            shape="rounded"
            aria-label="Pages of what was written down"
            onChange={(_event, wanted) => turnTo(wanted - 1)}
          />
          <Note component="span">
            {page * ENTRIES_A_PAGE + 1} to {page * ENTRIES_A_PAGE + kept.length} of {total}, the last first
          </Note>
        </Row>
      )}
    </section>
  );
}
