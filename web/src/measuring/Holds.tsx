import { useQuery } from "@tanstack/react-query";
import { api, Refused, type Bed } from "../api/client";
import { SHAPES } from "../api/words";
import { Explained } from "../kit/Explained";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { TallyVolume } from "../kit/tally.styles";
import { Quantity } from "../quantities/Quantity";

type Props = { gardenId: number; bed: Bed | null; material: string };

/** What the figure will take, so that nothing below moves away from under the finger when it comes. */
const ROOM = { minHeight: "calc(var(--text-huge) * 1.5)" };

/** What a bed holds, as soon as it is measured. */
export function Holds({ gardenId, bed, material }: Props) {
  const fills = bed ? SHAPES[bed.shape.kind].fills : true;
  const full = bed && {
    ...bed,
    name: "New",
    layers: [fills ? { material, fill: true } : { material, thickness_m: 0.1 }],
  };
  const figured = useQuery({
    queryKey: ["holds", gardenId, JSON.stringify(full)],
    queryFn: ({ signal }) => api.figureBed(gardenId, full as Bed, signal),
    enabled: full !== null,
    placeholderData: (before) => before,
    retry: false,
  });
  if (!bed) return <Note sx={ROOM}>What it holds stands here as soon as it is measured.</Note>;
  if (figured.error instanceof Refused) return <Problem>{figured.error.problem.detail}</Problem>;
  const figures = figured.data;
  if (!figures) return <Note sx={ROOM}>Working out what it holds ...</Note>;
  return (
    <TallyVolume role="status" data-part="holds" sx={ROOM}>
      <b>
        <Quantity kind="held" value={figures.placed_m3} />
      </b>{" "}
      <Explained why="As it lies in the bed, laid and settled.">placed</Explained>, over{" "}
      <Quantity kind="area" value={figures.top_area_m2} />
      {!fills && (
        <>
          {" "}
          at <Quantity kind="length" value={0.1} />
        </>
      )}
    </TallyVolume>
  );
}
