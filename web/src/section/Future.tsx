import { meant } from "../api/meant";
import { useQuery } from "@tanstack/react-query";
import { api, type Bed } from "../api/client";
import { Choice } from "../kit/Choice";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = { gardenId: number; bed: Bed; onEdit: (change: (bed: Bed) => Bed) => void };

const DAMPNESS = [
  ["dry", "dry"],
  ["moist", "moist"],
  ["waterlogged", "wet"],
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
    <>
      <label>
        <span>Filled on</span>
        <input
          type="date"
         
          value={bed.built_on ?? ""}
          onChange={(event) => {
            const day = event.currentTarget.value;
            onEdit((now) => ({ ...now, built_on: day || null }));
          }}
        />
      </label>
      <Choice
        label="Kept"
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
    </>
  );
}
