import Button from "@mui/material/Button";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, saidOf, type Plot, type Schemas } from "../api/client";
import { useHead } from "../draft/useHead";
import { FigureTable } from "../kit/FigureTable";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import type { Placing } from "./placing";
import { PlotPanel, PlotPlacing } from "./plot-sheet.styles";

type Props = {
  gardenId: number;
  plot: Plot;
  placing: Placing;
  onPlacing: (placing: Placing) => void;
  onEdit: (change: (plot: Plot) => Plot) => void;
  onShow: (ways: readonly Schemas["WayFigures"][]) => void;
};

const NO_WAYS: readonly Schemas["WayFigures"][] = [];

/** The gardener's barrow and mower, where loads are dropped, and how far it is from there and the gate to each bed. */
export function BarrowWays({ gardenId, plot, placing, onPlacing, onEdit, onShow }: Props) {
  const { units } = useShowing();
  const { head, change, error } = useHead(gardenId);
  const [open, setOpen] = useState(false);
  const answer = useQuery({
    queryKey: ["figure", gardenId, "ways"],
    queryFn: () => api.figureWays(gardenId),
    enabled: open,
  });
  const ways = open ? (answer.data?.ways ?? NO_WAYS) : NO_WAYS;
  useEffect(() => onShow(ways), [ways, onShow]);
  const width = (label: string, key: "barrow_m" | "mower_m", placeholder: string) => (
    <MeasureField
      label={label}
      limit="length"
      width="110px"
      placeholder={placeholder}
      shown={plot[key] == null ? "" : typedLength(plot[key], units)}
      onMeaning={({ values: [value] }) => onEdit((now) => ({ ...now, [key]: value }))}
    />
  );
  const drop = () =>
    onPlacing({
      toldBy: "line",
      say: "Click where loads are dropped.",
      put: (at) => {
        change({ drop: at });
        onPlacing(null);
      },
    });
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="ways-title">
      <Typography variant="panelTitle" id="ways-title">
        Barrow, mower and ways
      </Typography>
      <Row sx={{ alignItems: "flex-end" }}>
        {width("Barrow, wide", "barrow_m", "usual")}
        {width("Mower, wide", "mower_m", "not said")}
      </Row>
      {placing?.say === "Click where loads are dropped." ? (
        <PlotPlacing severity="info" role="status">
          {placing.say} <Button onClick={() => onPlacing(null)}>Leave it</Button>
        </PlotPlacing>
      ) : (
        <Row>
          <Button onClick={drop}>{head?.drop ? "Drop loads elsewhere" : "Where loads are dropped"}</Button>
          <Button aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "Hide the ways" : "Ways to the beds"}
          </Button>
        </Row>
      )}
      {(error ?? answer.error) && <Problem>{saidOf(error ?? answer.error)}</Problem>}
      {open && answer.data && <WaysTable told={answer.data} />}
    </PlotPanel>
  );
}

function WaysTable({ told }: { told: Schemas["Ways"] }) {
  if (told.starts.length === 0)
    return <Note>Put a gate on the plot, or say where loads are dropped: the ways begin there.</Note>;
  return (
    <>
      <FigureTable>
        <TableHead>
          <TableRow>
            <TableCell scope="col">To</TableCell>
            {told.starts.map((start) => (
              <TableCell key={start} scope="col">
                from {start}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {told.ways
            .filter(({ start }) => start === told.starts[0])
            .map(({ key, index, bed }) => (
              <TableRow key={`${key} ${index}`}>
                <TableCell component="th" scope="row">
                  {bed}
                </TableCell>
                {told.starts.map((start) => {
                  const way = told.ways.find(
                    (each) => each.start === start && each.key === key && each.index === index,
                  );
                  return (
                    <TableCell key={start}>
                      {way?.length_m == null ? "no way" : <Quantity kind="length" value={way.length_m} />}
                    </TableCell>
                  );
                })}
              </TableRow>
            ))}
        </TableBody>
      </FigureTable>
      <Note>
        For a barrow <Quantity kind="length" value={told.width_m} /> wide, round all that stands there.
      </Note>
    </>
  );
}
