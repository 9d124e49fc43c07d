import { meant } from "../api/meant";
import { Link, NavLink } from "react-router";
import type { KeptGarden } from "../api/client";
import { Choice } from "../kit/Choice";
import type { Units } from "../quantities/format";
import { BedMark } from "./BedMark";
import { Sign } from "./icons";
import { KeyDialogs } from "./KeyDialogs";
import type { Kept } from "./SaveStateContext";

type Props = {
  garden: KeptGarden;
  /** Where a bed's tab leads from this view. */
  bedPath: (key: string) => string;
  chosen: string | null;
  save: Kept | null;
  onUnits: (units: Units) => void;
};

/** With more beds than this their names stand under their outlines. */
const MOST_BESIDE = 4;

const UNITS = [
  ["ft_in", "ft in"],
  ["metric", "cm"],
] as const;

/** The garden, its beds as small sections, what is saved, and the units. */
export function TopBar({ garden, bedPath, chosen, save, onUnits }: Props) {
  const units = meant("Garden", garden.garden, "units");
  return (
    <header>
      <Link to="/gardens" title={`${garden.garden.name}: all gardens, files, account`}>
        <span>garden</span>
        <strong data-long={garden.garden.name.length > 26 || undefined}>{garden.garden.name}</strong>
      </Link>
      <nav data-many={garden.beds.length > MOST_BESIDE || undefined} aria-label="Beds">
        {garden.beds.map(({ key, bed }) => (
          <NavLink key={key} to={bedPath(key)} data-chosen={key === chosen || undefined}>
            <BedMark bed={bed} />
            <span>{bed.name}</span>
          </NavLink>
        ))}
      </nav>
      <NavLink
        to={`/garden/${garden.id}/new`}
        className={({ isActive }) => `top-bed top-new ${isActive ? "is-chosen" : ""}`}
      >
        <Sign name="new" />
        <span>New bed</span>
      </NavLink>
      <SaveNote save={save} />
      <KeyDialogs garden={garden} bedPath={bedPath} />
      <div>
        <Choice label="Units" options={UNITS} value={units} onChoose={onUnits} />
      </div>
    </header>
  );
}

function SaveNote({ save }: { save: Kept | null }) {
  const text = save ? noteOf(save) : "";
  return (
    <span data-saved={save?.state === "saved" || save?.state === "kept" || undefined} role="status">
      {text}
    </span>
  );
}

function noteOf(save: Kept): string {
  switch (save.state) {
    case "saved":
      return `Saved ${new Date(save.at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}`;
    case "kept":
      return "Saved";
    case "saving":
    case "unsaved":
      return "Saving ...";
    case "offline":
      return "Line down: kept here, saved when it is back";
    case "changed":
    case "stale":
      return "Not saved: changed elsewhere";
  }
}
