import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { KeptGarden, Material } from "../api/client";
import { Choice } from "../kit/Choice";
import { Column } from "../kit/Row";
import { todayHere } from "../kit/todayHere";
import { EntryForm } from "./EntryForm";
import { KIND_NAMES } from "./entrySaid";
import { freshKey } from "./freshKey";
import { send } from "./outbox";
import type { EntryKind } from "./seasonApi";

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  bedKey: string | null;
  /** The bed that is thought of while none is chosen. */
  first: string | undefined;
};

const USUAL: readonly EntryKind[] = ["surface", "dip", "harvest", "watered", "note"];
const OTHERS = (Object.keys(KIND_NAMES) as EntryKind[]).filter((kind) => !USUAL.includes(kind));
const OF_THE_GARDEN: readonly EntryKind[] = ["note", "rain", "soil_test"];

/** What was seen or done, in three taps: what, how much, kept. It waits in the browser where there is no connection. */
export function WriteDown({ garden, materials, bedKey, first }: Props) {
  const [kind, setKind] = useState<EntryKind>("surface");
  const [last, setLast] = useState<{ bed: string | null; on: string; who: string }>({
    bed: bedKey,
    on: todayHere(),
    who: "",
  });
  const [count, setCount] = useState(0);
  const holdsWater = garden.beds.some(({ bed: { reservoir } }) => reservoir != null);
  const bed = last.bed ?? (OF_THE_GARDEN.includes(kind) ? "" : (first ?? ""));
  return (
    <section aria-labelledby="write-title">
      <Typography variant="panelTitle" id="write-title" sx={{ marginBottom: 1.5 }}>
        Write down
      </Typography>
      <Column>
        <Choice
          label="What was seen or done"
          options={USUAL.filter((each) => each !== "dip" || holdsWater).map(
            (each) => [each, KIND_NAMES[each]] as const,
          )}
          value={kind}
          onChoose={setKind}
        />
        <Choice
          label="What else was seen or done"
          options={OTHERS.map((each) => [each, KIND_NAMES[each]] as const)}
          value={kind}
          onChoose={setKind}
          sx={{ "& > div": { flexWrap: "wrap" }, "& button": { flex: "1 0 auto" } }}
        />
        <EntryForm
          key={`${kind} ${count} ${first}`}
          garden={garden}
          materials={materials}
          kind={kind}
          start={{ ...last, bed, typed: {} }}
          photographed={0}
          keepLabel="Keep it"
          onKeep={(entry, photos) => {
            void send({ gardenId: garden.id, key: freshKey(), revision: 0, entry }, photos);
            setLast({ bed: entry.bed ?? null, on: entry.on.slice(0, 10), who: entry.who ?? "" });
            setCount((kept) => kept + 1);
          }}
        />
      </Column>
    </section>
  );
}
