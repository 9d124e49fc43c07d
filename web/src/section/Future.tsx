import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { api, type Bed } from "../api/client";
import { meant } from "../api/meant";
import { Choice } from "../kit/Choice";
import { Row } from "../kit/Row";
import { MaterialFinder } from "../shelf/MaterialFinder";
import type { BedEdit } from "./BedHead";

type Props = { gardenId: number; bed: Bed; onEdit: BedEdit };

const DAMPNESS = [
  ["dry", "often dry"],
  ["moist", "moist"],
  ["waterlogged", "soaking"],
] as const;

const ROOTS = [
  ["any", "any"],
  ["shallow", "shallow"],
  ["medium", "medium"],
  ["deep", "deep"],
] as const;

/** What the forecasts rest on: when the bed is filled, how wet it is kept, what is planned in it, what tops it up. */
export function Future({ gardenId, bed, onEdit }: Props) {
  const shelf = useQuery({ queryKey: ["shelf", gardenId, ""], queryFn: () => api.shelf(gardenId) });
  const topUp = meant("Bed", bed, "top_up");
  return (
    <Row sx={{ alignItems: "flex-end", gap: 4 }}>
      <TextField
        label="Filled on"
        type="date"
        value={bed.built_on ?? ""}
        onChange={(event) => {
          const day = event.target.value;
          onEdit((now) => ({ ...now, built_on: day || null }));
        }}
      />
      <Choice
        label="How wet the fill is kept"
        shown
        options={DAMPNESS}
        value={meant("Bed", bed, "dampness")}
        onChoose={(dampness) => onEdit((now) => ({ ...now, dampness }))}
      />
      <Choice
        label="Deepest roots planned"
        shown
        options={ROOTS}
        value={bed.roots ?? "any"}
        onChoose={(roots) => onEdit((now) => ({ ...now, roots: roots === "any" ? null : roots }))}
      />
      <MaterialFinder
        key={topUp}
        gardenId={gardenId}
        label="Topped up with"
        value={shelf.data?.find(({ key }) => key === topUp) ?? null}
        suits={(each) => !each.is_sheet}
        onChoose={({ key }) => onEdit((now) => ({ ...now, top_up: key }))}
      />
    </Row>
  );
}
