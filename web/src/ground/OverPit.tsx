import { useQuery } from "@tanstack/react-query";
import { api, type Bed, type BedFigures } from "../api/client";
import { SHAPES } from "../api/words";
import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { Quantity } from "../quantities/Quantity";
import { Pick } from "../theme/controls/Pick";

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  onEdit: (change: (bed: Bed) => Bed) => void;
};

/** The trench or pit that the bed lies over: the two sink, feed and root as one. */
export function OverPit({ gardenId, bed, figures, onEdit }: Props) {
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const pits = (garden.data?.beds ?? []).filter(({ key, bed: other }) => key !== bed.key && isPit(other));
  if (pits.length === 0 && bed.over == null) return null;
  const { pit } = figures.section;
  return (
    <Column data-part="over-pit">
      <Pick
        label="It lies over"
        options={[
          ["", "the ground"],
          ...pits.map(({ key, bed: other }) => [key, other.name ?? key] as const),
        ]}
        value={bed.over ?? ""}
        onChoose={(key) => onEdit((now) => ({ ...now, over: key || null }))}
      />
      {pit && (
        <Note>
          {pit.name}, <Quantity kind="length" value={pit.depth_m} /> deep, and this bed are one profile: they
          sink, feed and root as one.
        </Note>
      )}
    </Column>
  );
}

/** What a bed can lie over: a trench, or upright sides without water in them. */
function isPit({ shape, reservoir, over }: Bed): boolean {
  return (shape.kind === "trench" || SHAPES[shape.kind].cornered) && reservoir == null && over == null;
}
