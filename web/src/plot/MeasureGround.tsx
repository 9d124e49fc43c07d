import Typography from "@mui/material/Typography";
import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import { MeasureGroundBox } from "./plot-sheet.styles";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type KeptGarden } from "../api/client";
import { USUAL_M } from "../api/words";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

/** The start of a plot: a rectangle to begin with, its corners to be moved then. */
export function MeasureGround({ garden }: { garden: KeptGarden }) {
  const queries = useQueryClient();
  const { units } = useShowing();
  const [size, setSize] = useState<number[]>();
  const make = useMutation({
    mutationFn: ([wide = 0, high = 0]: number[]) =>
      api.savePlot(garden.id, garden.plot_revision, {
        corners_m: [
          [0, 0],
          [wide, 0],
          [wide, high],
          [0, high],
        ],
        aisle_m: USUAL_M[units].aisle_m,
      }),
    onSuccess: (kept) => {
      queries.setQueryData(["garden", garden.id], kept);
      void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
    },
  });
  return (
    <MeasureGroundBox
      variant="outlined"
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        if (size) make.mutate(size);
      }}
    >
      <Typography variant="sheetTitle">Measure the ground</Typography>
      <p>
        Lay the tape along two sides of the plot. Corners that aren&apos;t square can be moved afterwards.
      </p>
      <MeasureField
        label="The ground, along and up"
        limit="ground"
        dimensions
        width="260px"
        eager
        shown=""
        placeholder={units === "ft_in" ? "40 x 30 ft" : "12 x 9 m"}
        onMeaning={({ values }) => setSize(values.length >= 2 ? values.slice(0, 2) : undefined)}
      />
      <Button variant="contained" type="submit" disabled={!size || make.isPending}>
        Lay it out
      </Button>
      {make.error && <Problem>{saidOf(make.error)}</Problem>}
    </MeasureGroundBox>
  );
}
