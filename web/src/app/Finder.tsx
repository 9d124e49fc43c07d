import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { api, type KeptGarden, type Material } from "../api/client";
import { STATES } from "../api/states";
import { BedMark } from "../drawing/BedMark";
import { Sign } from "../drawing/Sign";
import { Swatch } from "../drawing/Swatch";
import { useWhenReady } from "../kit/useWhenReady";
import type { Place, Places } from "./places";

type Props = {
  garden: KeptGarden;
  places: Places;
  bedPath: (key: string) => string;
  /** What was typed before it was there. */
  typedAhead: string;
  onClose: () => void;
};

type Found =
  | { kind: "Beds"; name: string; to: string; kept: KeptGarden["beds"][number] }
  | { kind: "Views"; name: string; to: string; place: Place }
  | { kind: "Materials"; name: string; to: string; material: Material };

/** Finds a bed, a view or a material by its name, from anywhere. */
export default function Finder({ garden, places, bedPath, typedAhead, onClose }: Props) {
  const navigate = useNavigate();
  const [words, setWords] = useState("");
  const asked = useDeferredValue(words.trim());
  const shelf = useQuery({
    queryKey: ["shelf", garden.id, asked],
    queryFn: ({ signal }) => api.shelf(garden.id, asked, signal),
    placeholderData: (before) => before,
    enabled: asked !== "",
  });
  const wanted = words.trim().toLowerCase();
  const says = (name: string) => name.toLowerCase().includes(wanted);
  const beds: Found[] = garden.beds
    .filter(({ key, bed }) => says(bed.name ?? key))
    .map((kept) => ({ kind: "Beds", name: kept.bed.name ?? kept.key, to: bedPath(kept.key), kept }));
  const views: Found[] = [...places.garden, ...places.bed, ...places.along]
    .filter(({ label }) => wanted !== "" && says(label))
    .map((place) => ({ kind: "Views", name: place.label, to: place.to, place }));
  const materials: Found[] = (wanted ? (shelf.data ?? []) : []).slice(0, 12).map((material) => ({
    kind: "Materials",
    name: material.name,
    to: `/garden/${garden.id}/shelf/${material.key}`,
    material,
  }));
  const options = [...beds, ...views, ...materials];
  const go = (found: Found | undefined | null) => {
    if (!found) return;
    void navigate(found.to);
    onClose();
  };
  const goFirst = useWhenReady(!shelf.isFetching || beds.length > 0, () => go(options[0]));
  useEffect(() => {
    if (typedAhead) setWords(typedAhead.replace("\n", ""));
    if (typedAhead.endsWith("\n")) goFirst();
  }, [typedAhead, goFirst]);
  return (
    <Dialog open onClose={onClose} aria-labelledby="finder-title">
      <DialogTitle id="finder-title">Find</DialogTitle>
      <DialogContent>
        <Autocomplete<Found>
          open
          disablePortal
          disableCloseOnSelect
          options={options}
          groupBy={({ kind }) => kind}
          getOptionLabel={({ name }) => name}
          getOptionKey={({ to }) => to}
          filterOptions={(all) => all}
          inputValue={words}
          onInputChange={(_event, text, reason) => reason === "input" && setWords(text)}
          onChange={(_event, found) => go(found)}
          onKeyDown={(event) => {
            // nothing is highlighted before the list is drawn: Enter means the first then
            const highlighted = (event.target as HTMLElement).getAttribute("aria-activedescendant");
            if (event.key === "Enter" && !highlighted) goFirst();
          }}
          noOptionsText="Nothing is called that."
          renderInput={(params) => (
            <TextField {...params} label="A bed, a view or a material" placeholder="its name" autoFocus />
          )}
          renderOption={({ key, ...props }, found) => (
            <li key={key} {...props}>
              <FoundSign found={found} />
              {found.name}
              {found.kind === "Beds" && (
                <Box
                  component="span"
                  sx={{ marginLeft: "auto", color: "soft", fontSize: "var(--text-note)" }}
                >
                  {STATES[found.kept.state]}
                </Box>
              )}
            </li>
          )}
          slotProps={{
            popper: {
              sx: { position: "static !important", transform: "none !important", width: "100% !important" },
            },
            listbox: { sx: { maxHeight: "48vh" } },
          }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function FoundSign({ found }: { found: Found }) {
  return (
    <Box component="span" sx={{ display: "inline-grid", placeItems: "center", width: 30 }}>
      {found.kind === "Beds" && <BedMark bed={found.kept.bed} />}
      {found.kind === "Views" && <Sign name={found.place.name} />}
      {found.kind === "Materials" && (
        <Swatch material={found.material.key} like={found.material.like} width={22} height={22} />
      )}
    </Box>
  );
}
