import IconButton from "@mui/material/IconButton";
import Tooltip from "@mui/material/Tooltip";
import { Link } from "react-router";
import { meant } from "../api/meant";
import type { KeptGarden } from "../api/client";
import type { SaveState } from "../draft/Draft";
import { useToldSaveState } from "../draft/SaveStateContext";
import { Choice } from "../kit/Choice";
import type { Units } from "../quantities/format";
import { BedStrip } from "./BedStrip";
import { SaveBox, TopBarBox, TopEnd, TopGarden } from "./shell.styles";

type Props = {
  garden: KeptGarden;
  /** Where a bed's tab leads from this view. */
  bedPath: (key: string) => string;
  chosen: string | null;
  isNew: boolean;
  onUnits: (units: Units) => void;
  onFind: () => void;
  onKeys: () => void;
};

const UNITS = [
  ["ft_in", "ft in"],
  ["metric", "cm"],
] as const;

/** The garden, its beds as small sections, what is saved, and the units. */
export function TopBar({ garden, bedPath, chosen, isNew, onUnits, onFind, onKeys }: Props) {
  const units = meant("Garden", garden.garden, "units");
  const { name } = garden.garden;
  return (
    <TopBarBox>
      <TopGarden>
        <span>garden</span>
        <Link
          to="/gardens"
          title={`${name}: all gardens, files, account`}
          data-long={name.length > 22 || undefined}
        >
          <span>{name}</span>
        </Link>
      </TopGarden>
      <BedStrip
        beds={garden.beds}
        chosen={chosen}
        bedPath={bedPath}
        newPath={`/garden/${garden.id}/new`}
        isNew={isNew}
        onFind={onFind}
      />
      <SaveNote />
      <TopEnd>
        <Tooltip title="Find a bed, a view or a material: /">
          <IconButton onClick={onFind} aria-label="Find a bed, a view or a material">
            /
          </IconButton>
        </Tooltip>
        <Tooltip title="List the keys: ?">
          <IconButton onClick={onKeys} aria-label="List the keys">
            ?
          </IconButton>
        </Tooltip>
        <div data-part="units">
          <Choice label="Units" options={UNITS} value={units} onChoose={onUnits} />
        </div>
      </TopEnd>
    </TopBarBox>
  );
}

function SaveNote() {
  const save = useToldSaveState();
  return (
    <SaveBox role="status" data-part="save-note" data-saved={save?.state === "saved" || undefined}>
      {save ? noteOf(save) : ""}
    </SaveBox>
  );
}

function noteOf(save: SaveState): string {
  switch (save.state) {
    case "saved":
      return save.at ? `Saved ${timeOf(save.at)}` : "Saved";
    case "saving":
    case "unsaved":
      return "Saving ...";
    case "offline":
      return "No connection: kept here, saved when it is back";
    case "refused":
      return "Not saved yet";
    case "stale":
      return "Not saved: changed elsewhere";
  }
}

/** By hand: the browser's own formats of times take as long to load as the whole top bar to draw. */
function timeOf(moment: string): string {
  const at = new Date(moment);
  return [at.getHours(), at.getMinutes()].map((each) => String(each).padStart(2, "0")).join(":");
}
