import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { KeptGarden, Material } from "../api/client";
import { Choice } from "../kit/Choice";
import { MOST_PHOTOS, PHOTO_KINDS } from "../kit/Photograph";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { FilePick } from "../theme/controls/FilePick";
import { Pick } from "../theme/controls/Pick";
import { EntryFields } from "./EntryFields";
import { FoundInTheGround } from "./FoundInTheGround";
import type { Entry, EntryKind } from "./seasonApi";
import { entryOf, type Typed } from "./typedEntry";

export type EntryStart = { bed: string; on: string; who: string; typed: Typed };

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  kind: EntryKind;
  start: EntryStart;
  /** How many photographs it has already. */
  photographed: number;
  keepLabel: string;
  onKeep: (entry: Entry, photos: readonly File[]) => void;
};

const OF_A_BED: readonly EntryKind[] = [
  "surface",
  "dip",
  "harvest",
  "watered",
  "refill",
  "sown",
  "top_up",
  "soil_temperature",
];
const MOST_WHO = 80;
const HALVES = [
  ["all", "All of it"],
  ["left", "Left half"],
  ["right", "Right half"],
] as const;

/** What an entry of a kind says: where, how much, when, by whom, with photographs. */
export function EntryForm({ garden, materials, kind, start, photographed, keepLabel, onKeep }: Props) {
  const [chosen, setBed] = useState(start.bed);
  const [on, setOn] = useState(start.on);
  const [who, setWho] = useState(start.who);
  const [typed, setTyped] = useState(start.typed);
  const [photos, setPhotos] = useState<readonly File[]>([]);
  const [unread, setUnread] = useState<readonly string[]>([]);
  const needsBed = OF_A_BED.includes(kind);
  const names = garden.beds
    .filter((each) => kind !== "dip" || each.bed.reservoir != null)
    .map(({ key, bed: { name } }) => [key, name ?? key] as const);
  const isThere = chosen === "" ? !needsBed : names.some(([key]) => key === chosen);
  const bed = isThere ? chosen : needsBed ? (names[0]?.[0] ?? "") : "";
  const ready = on && (bed || !needsBed) && unread.length === 0;
  const entry = ready ? entryOf(kind, bed, on, who, typed) : null;
  return (
    <>
      <Pick
        label="Where"
        options={needsBed ? names : [["", "The garden"], ...names]}
        value={bed}
        onChoose={setBed}
      />
      <EntryFields
        kind={kind}
        start={start.typed}
        typed={typed}
        materials={materials}
        onTyped={setTyped}
        onUnread={(field, isUnread) =>
          setUnread((now) => [...now.filter((each) => each !== field), ...(isUnread ? [field] : [])])
        }
      />
      {kind === "note" && (
        <>
          <Tick
            label="I would do this differently next time"
            checked={typed.differently ?? false}
            onTick={(differently) => setTyped({ ...typed, differently })}
          />
          <FoundInTheGround gardenId={garden.id} />
        </>
      )}
      {kind === "harvest" && (
        <Choice
          label="From which half, where you compare them"
          shown
          options={HALVES}
          value={typed.half ?? "all"}
          onChoose={(half) => setTyped({ ...typed, half: half === "all" ? undefined : half })}
        />
      )}
      <Row>
        <TextField
          type="date"
          label="On"
          value={on}
          onChange={({ target }) => setOn(target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        {kind !== "dip" && (
          <TextField
            label="Who, if you like"
            value={who}
            sx={{ width: 140 }}
            onChange={({ target }) => setWho(target.value)}
            slotProps={{ htmlInput: { maxLength: MOST_WHO } }}
          />
        )}
      </Row>
      {/* a dip is kept with its bed's water, as a level and nothing beside */}
      {kind !== "dip" && photographed + photos.length < MOST_PHOTOS && (
        <Row>
          <FilePick
            label="A photograph of it"
            accept={PHOTO_KINDS}
            onFile={(file) => setPhotos([...photos, file])}
          >
            Add a photograph
          </FilePick>
        </Row>
      )}
      {photos.map((each, index) => (
        <Note key={index}>
          {each.name} goes with it.{" "}
          <Button variant="link" onClick={() => setPhotos(photos.filter((_, place) => place !== index))}>
            Leave it out
          </Button>
        </Note>
      ))}
      <Button
        variant="contained"
        sx={{ minHeight: 48 }}
        disabled={!entry}
        onClick={() => entry && onKeep(entry, photos)}
      >
        {keepLabel}
      </Button>
    </>
  );
}
