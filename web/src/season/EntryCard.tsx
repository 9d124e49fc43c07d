import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import { styled } from "@mui/material/styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { memo, useState } from "react";
import { saidOf, type KeptGarden, type Material } from "../api/client";
import { Note } from "../kit/Note";
import { Photograph } from "../kit/Photograph";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { useShowing } from "../quantities/UnitsContext";
import { EntryForm } from "./EntryForm";
import { dayOf, KIND_NAMES, said, saidBefore } from "./entrySaid";
import { send } from "./outbox";
import { seasonApi, type KeptEntry } from "./seasonApi";
import { typedOf } from "./typedEntry";

export const Card = styled("li")(({ theme }) => ({
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

const ALL_WIDE = { gridColumn: "1 / -1" } as const;

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  kept: KeptEntry;
  where: string;
};

/** An entry that is kept: what it says, its photographs; changed in its place, what it said before at hand. */
export const EntryCard = memo(function EntryCard({ garden, materials, kept, where }: Props) {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const { units, currency } = useShowing();
  const { key, entry, photos, revision } = kept;
  const again = () => {
    void queries.invalidateQueries({ queryKey: ["season", garden.id] });
    void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
  };
  const takeOut = useMutation({ mutationFn: () => seasonApi.takeOut(garden.id, key), onSuccess: again });
  const shown = { units, currency, materialName: (name: string) => materials.get(name)?.name ?? name };
  const called = `${KIND_NAMES[entry.kind]}, ${dayOf(entry)}`;
  return (
    <Card data-part="entry">
      <b>{KIND_NAMES[entry.kind]}</b>
      <span>{dayOf(entry)}</span>
      <span>{said(entry, shown)}</span>
      <Button
        variant="link"
        sx={{ alignSelf: "start", justifySelf: "end", paddingRight: 0 }}
        aria-label={open ? `Leave as it was: ${called}` : `Change: ${called}`}
        onClick={() => setOpen(!open)}
      >
        {open ? "Leave it" : "Change"}
      </Button>
      <Note sx={ALL_WIDE}>
        {where}
        {entry.who ? `, ${entry.who}` : ""}
        {entry.kind === "note" && entry.differently ? " · would do differently" : ""}
      </Note>
      {photos.length > 0 && <EntryPhotos gardenId={garden.id} kept={kept} open={open} onGone={again} />}
      {open && (
        <Column sx={{ ...ALL_WIDE, marginTop: 1 }}>
          <EntryForm
            garden={garden}
            materials={materials}
            kind={entry.kind}
            start={{
              bed: entry.bed ?? "",
              on: entry.on.slice(0, 10),
              who: entry.who ?? "",
              typed: typedOf(entry),
            }}
            photographed={photos.length}
            keepLabel="Keep the change"
            onKeep={(changed, added) => {
              void send({ gardenId: garden.id, key, revision, entry: sameMoment(changed, entry.on) }, added);
              setOpen(false);
            }}
          />
          {revision > 1 && <SaidBefore gardenId={garden.id} entryKey={key} shown={shown} />}
          <Button variant="link" aria-label={`Take out: ${called}`} onClick={() => takeOut.mutate()}>
            Take it out
          </Button>
        </Column>
      )}
      {takeOut.error && <Problem>{saidOf(takeOut.error)}</Problem>}
    </Card>
  );
});

/** The hour of an entry stays where its day does. */
function sameMoment<Changed extends { on: string }>(changed: Changed, before: string): Changed {
  return before.startsWith(changed.on) ? { ...changed, on: before } : changed;
}

type PhotosProps = { gardenId: number; kept: KeptEntry; open: boolean; onGone: () => void };

function EntryPhotos({ gardenId, kept: { key, photos }, open, onGone }: PhotosProps) {
  const forget = useMutation({
    mutationFn: (photo: string) => seasonApi.forgetPhoto(gardenId, key, photo),
    onSuccess: onGone,
  });
  return (
    <Row sx={ALL_WIDE}>
      {photos.map((photo, index) => (
        <figure key={photo.key}>
          <Link href={addressOf(gardenId, key, photo.key)} target="_blank" rel="noreferrer">
            <Photograph
              src={addressOf(gardenId, key, photo.key)}
              alt={`Photograph ${index + 1} of it`}
              loading="lazy"
            />
          </Link>
          {open && (
            <Button variant="link" onClick={() => forget.mutate(photo.key)}>
              Take out the photograph
            </Button>
          )}
        </figure>
      ))}
      {forget.error && <Problem>{saidOf(forget.error)}</Problem>}
    </Row>
  );
}

function addressOf(gardenId: number, entryKey: string, photoKey: string): string {
  return `/api/gardens/${gardenId}/season/${entryKey}/photos/${photoKey}`;
}

type BeforeProps = { gardenId: number; entryKey: string; shown: Parameters<typeof said>[1] };

/** What an entry said before it was changed. */
function SaidBefore({ gardenId, entryKey, shown }: BeforeProps) {
  const found = useQuery({
    queryKey: ["season", gardenId, "history", entryKey],
    queryFn: () => seasonApi.history(gardenId, entryKey),
  });
  return (
    <>
      {found.error && <Problem>{saidOf(found.error)}</Problem>}
      {found.data?.map((before) => (
        <Note key={before.revision}>Before: {saidBefore(before.said, shown)}</Note>
      ))}
    </>
  );
}
