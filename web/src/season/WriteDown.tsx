import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { KeptGarden, Material } from "../api/client";
import { Choice } from "../kit/Choice";
import { Column } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { todayHere } from "../kit/todayHere";
import { Pick } from "../theme/controls/Pick";
import { EntryFields } from "./EntryFields";
import { KIND_NAMES } from "./entrySaid";
import { entryOf, type Typed } from "./typedEntry";
import { send } from "./outbox";
import type { EntryKind } from "./seasonApi";

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  bedKey: string | null;
  /** The bed that is thought of while none is chosen. */
  first: string | undefined;
};

const USUAL: readonly EntryKind[] = ["surface", "harvest", "watered", "note"];
const OTHERS = (Object.keys(KIND_NAMES) as EntryKind[]).filter((kind) => !USUAL.includes(kind));
const OF_A_BED: readonly EntryKind[] = [
  "surface",
  "harvest",
  "watered",
  "refill",
  "sown",
  "top_up",
  "soil_temperature",
];

/** A key that no other entry has; also on a phone that reaches the machine at home without a certificate. */
function freshKey(): string {
  return [...crypto.getRandomValues(new Uint8Array(16))]
    .map((each) => each.toString(16).padStart(2, "0"))
    .join("");
}

/** What was seen or done, in three taps: what, how much, kept. It waits in the browser where there is no connection. */
export function WriteDown({ garden, materials, bedKey, first }: Props) {
  const [kind, setKind] = useState<EntryKind>("surface");
  const [chosen, setChosen] = useState<string | null>(null);
  const [on, setOn] = useState(todayHere);
  const [typed, setTyped] = useState<Typed>({});
  const [count, setCount] = useState(0);
  const names = garden.beds.map(({ key, bed }) => [key, bed.name ?? key] as const);
  const needsBed = OF_A_BED.includes(kind);
  const bed = chosen ?? bedKey ?? (needsBed ? (first ?? "") : "");
  const entry = on && (bed || !needsBed) ? entryOf(kind, bed, on, typed) : null;
  const keep = () => {
    if (!entry) return;
    send({ gardenId: garden.id, key: freshKey(), revision: 0, entry });
    setTyped({});
    setCount((kept) => kept + 1);
  };
  const choose = (wanted: EntryKind) => {
    setKind(wanted);
    setTyped({});
  };
  return (
    <section aria-labelledby="write-title">
      <Typography variant="panelTitle" id="write-title" sx={{ marginBottom: 1.5 }}>
        Write down
      </Typography>
      <Column>
        <Choice
          label="What was seen or done"
          options={USUAL.map((each) => [each, KIND_NAMES[each]] as const)}
          value={kind}
          onChoose={choose}
        />
        <Choice
          label="What else was seen or done"
          options={OTHERS.map((each) => [each, KIND_NAMES[each]] as const)}
          value={kind}
          onChoose={choose}
          sx={{ "& > div": { flexWrap: "wrap" }, "& button": { flexShrink: 0 } }}
        />
        <Pick
          label="Where"
          options={needsBed ? names : [["", "The garden"], ...names]}
          value={bed}
          onChoose={setChosen}
        />
        <EntryFields
          key={`${kind} ${count}`}
          kind={kind}
          typed={typed}
          materials={materials}
          onTyped={setTyped}
        />
        {kind === "note" && (
          <Tick
            label="I would do this differently next time"
            checked={typed.differently ?? false}
            onTick={(differently) => setTyped({ ...typed, differently })}
          />
        )}
        <TextField
          type="date"
          label="On"
          value={on}
          onChange={({ target }) => setOn(target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button variant="contained" sx={{ minHeight: 48 }} disabled={!entry} onClick={keep}>
          Keep it
        </Button>
      </Column>
    </section>
  );
}
