import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import Chip from "@mui/material/Chip";
import { DrawnCard, DrawnList } from "../kit/DrawnList";
import { Note } from "../kit/Note";
import { PlainView, ViewHead } from "../kit/View";
import { useInfiniteQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, type Bed, type KeptBed, type Material, type Version } from "../api/client";
import { BedDrawn } from "../drawing/BedDrawn";
import { useSaveState } from "../draft/SaveStateContext";
import { useBedDraft } from "../draft/useBedDraft";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

/** So many saves are shown at once, each drawn. */
const PAGE = 12;

/** What a bed was, save by save; any of it can be brought back, and that too can be undone. */
export default function HistoryView({ gardenId, kept, materials, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const navigate = useNavigate();
  const queries = useQueryClient();
  useSaveState(state.save);
  const found = useInfiniteQuery({
    queryKey: ["history", gardenId, kept.key, kept.revision],
    queryFn: ({ pageParam: before }) => api.bedHistory(gardenId, kept.key, { before, most: PAGE }),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: ({ versions }) => (versions.length < PAGE ? undefined : versions.at(-1)?.revision),
  });
  const versions = found.data?.pages.flatMap((page) => page.versions) ?? [];
  const bringBack = (version: Version) => {
    draft.bringBack(version);
    void queries.invalidateQueries({ queryKey: ["history", gardenId, kept.key] });
    void navigate(back);
  };
  return (
    <PlainView>
      <ViewHead>
        <Typography variant="view">{kept.bed.name}: history</Typography>
        <Button component={Link} to={back}>
          Back to the section
        </Button>
      </ViewHead>
      {found.error && <Problem>{found.error.message}</Problem>}
      <DrawnList as="ol" data-part="history-list">
        {versions.map((version, index) => (
          <DrawnCard variant="outlined" component="li" key={version.revision}>
            <BedDrawn
              gardenId={gardenId}
              bed={version.bed}
              name={`${kept.key} ${version.revision}`}
              materials={materials}
              width={240}
              height={120}
            />
            <Typography variant="strong">{whenOf(version.saved_at)}</Typography>
            <Note>
              {found.hasNextPage && index === versions.length - 1
                ? "from before"
                : whatOf(version, versions[index + 1], materials)}
            </Note>
            {index === 0 ? (
              <Chip label="as it is now" />
            ) : (
              <Button onClick={() => bringBack(version)}>Bring this back</Button>
            )}
          </DrawnCard>
        ))}
      </DrawnList>
      {found.hasNextPage && (
        <Button disabled={found.isFetchingNextPage} onClick={() => void found.fetchNextPage()}>
          Show earlier ones
        </Button>
      )}
    </PlainView>
  );
}

function whenOf(moment: string): string {
  const at = new Date(moment);
  const day = at.toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" });
  return `${day}, ${at.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit", second: "2-digit" })}`;
}

/** What a save changed against the one before, in a few words. */
function whatOf(version: Version, before: Version | undefined, materials: Props["materials"]): string {
  if (!before) return "measured";
  if (version.restores != null) return "brought back by undo or from here";
  const [one, two] = [version.bed, before.bed];
  const said = [
    one.name !== two.name && "renamed",
    JSON.stringify(one.shape) !== JSON.stringify(two.shape) && "measures",
    one.layers.length > two.layers.length && "layer added",
    one.layers.length < two.layers.length && "layer removed",
    one.layers.length === two.layers.length && changedLayers(one, two, materials),
  ].filter(Boolean);
  return said.join(", ") || "details";
}

function changedLayers(one: Bed, two: Bed, materials: Props["materials"]): string {
  const changed = one.layers.filter(
    (layer, index) => JSON.stringify(layer) !== JSON.stringify(two.layers[index]),
  );
  const names = changed.map(({ material }) => (materials.get(material)?.name ?? material).toLowerCase());
  return names.length > 0 ? `changed ${[...new Set(names)].join(", ")}` : "";
}
