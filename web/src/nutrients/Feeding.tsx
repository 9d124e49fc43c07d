import { FigureTable } from "../kit/FigureTable";
import Button from "@mui/material/Button";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import Box from "@mui/material/Box";
import { Sheet } from "../kit/Sheet";
import { Pick } from "../theme/controls/Pick";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type BedFigures, type DoseFigures, type ForecastFigures } from "../api/client";
import { showDose, showSpread, trimmed } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";

type Props = {
  gardenId: number;
  figures: BedFigures;
  forecast: ForecastFigures | null;
  onDose: (material: string) => void;
};

/** Nitrogen never offered in excess of at once, by the core's own rule. */
const MOST_KG_M2 = 0.02;

/** What rotting gives and takes in the first season, and the dose of a meal that makes up for it. */
export function Feeding({ gardenId, figures, forecast, onDose }: Props) {
  const { units } = useShowing();
  const doses = forecast?.doses ?? [];
  const short = figures.nitrogen_short_kg > 5e-4;
  const binds = figures.nitrogen_bind_kg > 5e-4;
  return (
    <>
      <FigureTable>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Layer, first season</TableCell>
            <TableCell scope="col">Nitrogen</TableCell>
            <TableCell scope="col">counts</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {figures.layers
            .map((layer, index) => (
              <TableRow key={index}>
                <TableCell component="th" scope="row">
                  {layer.name}
                </TableCell>
                <TableCell sx={layer.nitrogen_kg < 0 ? { color: "iron" } : undefined}>
                  <Nitrogen mass_kg={layer.nitrogen_kg} />
                </TableCell>
                <TableCell>{Math.round(layer.contact * 100)} %</TableCell>
              </TableRow>
            ))
            .toReversed()}
        </TableBody>
      </FigureTable>
      <Note>
        A crop wants about <Quantity kind="dose" value={figures.plants_need_kg} /> of nitrogen
        {figures.count > 1 && " a bed"}, the soil gives about{" "}
        <Quantity kind="dose" value={figures.nitrogen_supply_kg} />
        {binds && (
          <>
            , decomposers could bind up to <Quantity kind="dose" value={figures.nitrogen_bind_kg} />
          </>
        )}
        :{" "}
        {short ? (
          <b>
            short by <Quantity kind="dose" value={figures.nitrogen_short_kg} />
          </b>
        ) : (
          "enough"
        )}
        . A layer counts by how near it lies to the roots.
      </Note>
      {short && forecast && doses.length === 0 && (
        <Note>
          No more goes on at once ({showSpread(MOST_KG_M2, units)} of nitrogen): the rest waits for next
          season, or the wood lies lower.
        </Note>
      )}
      {short && doses.length > 0 && (
        <Doses gardenId={gardenId} figures={figures} doses={doses} onDose={onDose} />
      )}
    </>
  );
}

function Nitrogen({ mass_kg }: { mass_kg: number }) {
  const { units } = useShowing();
  if (Math.abs(mass_kg) < 5e-4) return <>0</>;
  return (
    <>
      {mass_kg < 0 ? "takes " : "gives "}
      {showDose(Math.abs(mass_kg), units)}
    </>
  );
}

type PickOf<T, K extends keyof T> = { [Each in K]: T[Each] };
type DosesProps = PickOf<Props, "gardenId" | "figures" | "onDose"> & { doses: readonly DoseFigures[] };

function Doses({ gardenId, figures, doses, onDose }: DosesProps) {
  const { units } = useShowing();
  const [wanted, setWanted] = useState("blood_meal");
  const dose = doses.find(({ material }) => material === wanted) ?? doses[0];
  if (!dose) return null;
  return (
    <Sheet
      data-part="dose"
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr)",
        gap: 2,
        padding: "8px 10px",
        fontSize: "var(--text-small)",
      }}
    >
      <Pick
        label="Fed with"
        options={doses.map(({ material, name, label }) => [material, `${name}, ${label}`] as const)}
        value={dose.material}
        onChoose={setWanted}
        sx={{ width: "100%" }}
      />
      <p>
        <b>
          <Quantity kind="dose" value={dose.mass_kg} />
        </b>{" "}
        {figures.count > 1 && "a bed, "}
        {trimmed(dose.cups, 1)} cups or {Math.round(dose.handfuls)} handfuls
      </p>
      <Box component="ul" sx={{ paddingLeft: 4, listStyle: "disc" }}>
        {dose.layers.map(([index, mass_kg]) => (
          <li key={index}>
            <Quantity kind="dose" value={mass_kg} /> on {figures.layers[index]?.name.toLowerCase()}
          </li>
        ))}
      </Box>
      <Note>
        By the label {showSpread(dose.n_kg_m2, units)} of nitrogen, {showSpread(dose.p2o5_kg_m2, units)} P2O5,{" "}
        {showSpread(dose.k2o_kg_m2, units)} K2O; as elements {showSpread(dose.p_kg_m2, units)} P,{" "}
        {showSpread(dose.k_kg_m2, units)} K.
        {dose.waits_kg > 1e-6 && (
          <>
            {" "}
            That is as much as goes at once: <Quantity kind="dose" value={dose.waits_kg} /> of nitrogen waits
            for next season, or keep the wood lower.
          </>
        )}
      </Note>
      <Row>
        <Handful gardenId={gardenId} handful_kg={dose.handful_kg} />
        <Button onClick={() => onDose(dose.material)}>Add it</Button>
      </Row>
    </Sheet>
  );
}

/** What the gardener's own handful weighs, once it was put on the scales. */
function Handful({ gardenId, handful_kg }: { gardenId: number; handful_kg: number }) {
  const { units } = useShowing();
  const queries = useQueryClient();
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const own = garden.data?.garden.handful_kg;
  const weigh = useMutation({
    scope: { id: `garden ${gardenId}` },
    mutationFn: (weighed_kg: number) => {
      return api.changeGarden(gardenId, (head) => ({ ...head, handful_kg: weighed_kg }));
    },
    onSuccess: (kept) => queries.setQueryData(["garden", gardenId], kept),
  });
  return (
    <MeasureField
      label={own == null ? "A handful (default)" : "A handful (yours)"}
      limit="handful"
      width="84px"
      shown={showDose(own ?? handful_kg, units)}
      onMeaning={({ values: [weighed] }) => weighed !== undefined && weigh.mutate(weighed)}
    />
  );
}
