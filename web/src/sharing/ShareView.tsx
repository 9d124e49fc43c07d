import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { QRCodeSVG } from "qrcode.react";
import { useState, type FormEvent } from "react";
import { api, saidOf, type KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import { Tick } from "../kit/Tick";
import { PlainView, ViewHead } from "../kit/View";
import { showDay } from "../quantities/format";
import { Pick } from "../theme/controls/Pick";
import { sharingApi, type NewLink, type SharedLink } from "./sharingApi";

const LASTS = [
  ["1", "a day"],
  ["7", "a week"],
  ["14", "two weeks"],
  ["60", "two months"],
  ["366", "a year"],
] as const;
type Lasts = (typeof LASTS)[number][0];

const addressOf = (secret: string) => `${window.location.origin}/look/${secret}`;

/** Links by which a helper or a yard looks at this garden without an account. */
export default function ShareView({ garden }: { garden: KeptGarden }) {
  const queries = useQueryClient();
  const key = ["links", garden.id];
  const links = useQuery({ queryKey: key, queryFn: () => sharingApi.links(garden.id) });
  const again = () => queries.invalidateQueries({ queryKey: key });
  return (
    <PlainView data-part="share-view">
      <ViewHead>
        <Typography variant="view">Share</Typography>
        <Note sx={{ marginRight: "auto" }}>
          Whoever holds a link sees what it shows, and nothing else of yours, until it runs out or you end it.
        </Note>
      </ViewHead>
      <MakeLink garden={garden} onMade={() => void again()} />
      {links.error && <Problem>{saidOf(links.error)}</Problem>}
      {links.data && (
        <Sheet component="section" aria-label="Links">
          <Typography variant="sheetTitle">Links that open</Typography>
          {links.data.length === 0 && <Note>None.</Note>}
          {links.data.map((link) => (
            <OneLink key={link.id} gardenId={garden.id} link={link} onEnded={() => void again()} />
          ))}
        </Sheet>
      )}
    </PlainView>
  );
}

function MakeLink({ garden, onMade }: { garden: KeptGarden; onMade: () => void }) {
  const tell = useTell();
  const sources = useQuery({ queryKey: ["sources", garden.id], queryFn: () => api.sources(garden.id) });
  const [label, setLabel] = useState("");
  const [shown, setShown] = useState("garden");
  const [mayTick, setMayTick] = useState(false);
  const [lasts, setLasts] = useState<Lasts>("14");
  const isList = shown.startsWith("list:");
  const make = useMutation({
    mutationFn: () => sharingApi.make(garden.id, wished()),
    onSuccess: () => {
      setLabel("");
      onMade();
    },
  });
  const wished = (): NewLink => ({
    label: label.trim(),
    shows: isList ? "list" : shown === "works" ? "works" : "garden",
    of: isList ? shown.slice("list:".length) : "",
    may_tick: mayTick && !isList,
    days: Number(lasts),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  const made = make.data;
  const address = made ? addressOf(made.secret) : "";
  const shows = [
    ["garden", "the whole garden"],
    ["works", "the steps alone"],
    ...(sources.data?.sources.suppliers ?? []).map(
      ({ key, name }) => [`list:${key}`, `the list for ${name ?? key}`] as const,
    ),
  ] as const;
  return (
    <Sheet component="section" aria-label="A new link">
      <form onSubmit={submit}>
        <Row sx={{ alignItems: "flex-end" }}>
          <TextField
            label="Who it is for"
            value={label}
            required
            slotProps={{ htmlInput: { maxLength: 80 } }}
            onChange={(event) => setLabel(event.target.value)}
          />
          <Pick label="It shows" options={shows} value={shown} onChoose={setShown} />
          <Pick label="For" options={LASTS} value={lasts} onChoose={setLasts} />
          {!isList && <Tick label="Steps may be ticked there" checked={mayTick} onTick={setMayTick} />}
          <Button variant="contained" type="submit" disabled={make.isPending || !label.trim()}>
            Make the link
          </Button>
        </Row>
      </form>
      {make.error && <Problem>{saidOf(make.error)}</Problem>}
      {made && (
        <Row sx={{ alignItems: "flex-start", gap: 4, marginTop: 3 }} data-part="made-link">
          <QRCodeSVG value={address} size={132} marginSize={2} title="The link to point a phone at" />
          <Column sx={{ minWidth: 0, flex: 1 }}>
            <TextField
              label={`The link for ${made.link.label}`}
              value={address}
              fullWidth
              onFocus={(event) => event.target.select()}
              slotProps={{ htmlInput: { readOnly: true } }}
            />
            <Row>
              <Button
                onClick={() =>
                  void navigator.clipboard.writeText(address).then(
                    () => tell("The link is copied."),
                    () => tell("It can't be copied here: choose it and copy it by hand."),
                  )
                }
              >
                Copy
              </Button>
            </Row>
            <Note>
              Take it now: for safety it is kept nowhere and can&apos;t be shown again. Lost, end it and make
              another.
            </Note>
          </Column>
        </Row>
      )}
    </Sheet>
  );
}

const SHOWS: Readonly<Record<SharedLink["shows"], string>> = {
  garden: "the whole garden",
  works: "the steps",
  list: "one list",
};

type LinkProps = { gardenId: number; link: SharedLink; onEnded: () => void };

function OneLink({ gardenId, link, onEnded }: LinkProps) {
  const end = useMutation({ mutationFn: () => sharingApi.end(gardenId, link.id), onSuccess: onEnded });
  return (
    <Row data-part="shared-link">
      <b>{link.label}</b>
      <Note component="span" sx={{ marginRight: "auto" }}>
        {SHOWS[link.shows]}
        {link.may_tick && ", steps may be ticked"}, until {showDay(link.ends_at.slice(0, 10))}
      </Note>
      <Button disabled={end.isPending} onClick={() => end.mutate()}>
        End it
      </Button>
      {end.error && <Problem>{saidOf(end.error)}</Problem>}
    </Row>
  );
}
