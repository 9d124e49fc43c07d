import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type Bed, type Schemas } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";

type Props = { gardenId: number; bed: Bed };
type Fit = Schemas["FitFigures"];

const WIDE_PX = 320;

/** How many crates, blocks or pavers of a size lie on the floor, drawn as they lie. */
export function FloorFit({ gardenId, bed }: Props) {
  const { units } = useShowing();
  const [size, setSize] = useState<readonly number[]>([]);
  const [length_m, width_m] = size;
  const answer = useQuery({
    queryKey: ["fit", gardenId, JSON.stringify(bed.shape), length_m, width_m],
    queryFn: ({ signal }) =>
      api.figureFit(gardenId, { bed, length_m: length_m ?? 0, width_m: width_m ?? 0 }, signal),
    enabled: length_m !== undefined && width_m !== undefined,
    placeholderData: keepPreviousData,
  });
  const fit = answer.data;
  return (
    <Disclosure title="What fits on its floor">
      {() => (
        <Column data-part="floor-fit">
          <MeasureField
            label="Crates, blocks or pavers of"
            limit="length"
            dimensions
            width="190px"
            eager
            shown=""
            placeholder={units === "ft_in" ? "16 x 12 in" : "40 x 30 cm"}
            onMeaning={({ values }) => setSize(values.slice(0, 2))}
          />
          {answer.error && <Problem>{saidOf(answer.error)}</Problem>}
          {fit && (
            <>
              <Note role="status">
                <b>{fit.count}</b> {fit.count === 1 ? "fits" : "fit"}, straight or turned;{" "}
                <Quantity kind="area" value={fit.free_m2} /> stay free.
              </Note>
              <FitDrawing fit={fit} />
            </>
          )}
        </Column>
      )}
    </Disclosure>
  );
}

function FitDrawing({ fit }: { fit: Fit }) {
  const scale = WIDE_PX / fit.floor_length_m;
  const high = fit.floor_width_m * scale;
  const points = fit.outline.map(([x, y]) => `${x * scale},${high - y * scale}`).join(" ");
  return (
    <svg
      width={WIDE_PX + 2}
      height={high + 2}
      viewBox={`-1 -1 ${WIDE_PX + 2} ${high + 2}`}
      aria-hidden="true"
    >
      <polygon points={points} fill="var(--palette-earth)" stroke="var(--palette-ink)" />
      {fit.pieces.map((piece, index) => (
        <rect
          key={index}
          x={piece.x_m * scale}
          y={high - (piece.y_m + piece.up_m) * scale}
          width={piece.along_m * scale}
          height={piece.up_m * scale}
          fill="var(--palette-sheet)"
          stroke="var(--palette-edge)"
        />
      ))}
    </svg>
  );
}
