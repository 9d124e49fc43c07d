import Typography from "@mui/material/Typography";
import { PlotPanel } from "./plot-sheet.styles";
import { BagsAnswer } from "./plot.styles";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, type RoomFigures } from "../api/client";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import type { PlotState } from "../draft/plotDraft";

export type RoomShown = { middles: RoomFigures["middles"]; size: readonly [number, number] } | null;

type Props = { gardenId: number; state: PlotState; onShow: (room: RoomShown) => void };

/** How many more beds of a size the ground takes, drawn where they would lie. */
export function MoreRoom({ gardenId, state, onShow }: Props) {
  const { units } = useShowing();
  const [size, setSize] = useState<number[]>();
  const [length_m, width_m] = size ?? [];
  const answer = useQuery({
    queryKey: ["room", gardenId, length_m, width_m, state.plot, state.places],
    queryFn: ({ signal }) =>
      api.figureRoom(
        gardenId,
        { length_m: length_m ?? 0, width_m: width_m ?? 0, plot: state.plot, places: { ...state.places } },
        signal,
      ),
    enabled: size !== undefined,
  });
  const room = answer.data;
  useEffect(() => {
    if (!room || !length_m || !width_m) return onShow(null);
    onShow({ middles: room.middles, size: room.turned ? [width_m, length_m] : [length_m, width_m] });
  }, [room, length_m, width_m, onShow]);
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="room-title">
      <Typography variant="panelTitle" id="room-title">
        Room for more
      </Typography>
      <MeasureField
        label="Beds of this outer size"
        limit="bed"
        dimensions
        width="100%"
        eager
        shown=""
        placeholder={units === "ft_in" ? "8 x 4 ft" : "2.4 x 1.2 m"}
        onMeaning={({ values }) => setSize(values.length >= 2 ? values.slice(0, 2) : undefined)}
      />
      <BagsAnswer data-part="bags-answer" role="status">
        {room && size ? (
          <>
            <b>{room.count}</b> more {room.count === 1 ? "fits" : "fit"}, aisles kept
            {room.count > 0 && (room.turned ? ", turned a quarter" : "")}.
          </>
        ) : (
          "Type a size to see how many more fit, both turns tried."
        )}
      </BagsAnswer>
    </PlotPanel>
  );
}
