import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, saidOf, type PlanGarden } from "../api/client";
import { ClimateFields, type Climate } from "../climate/ClimateFields";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { ShowingProvider } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { useGardenChange } from "./useGardenChange";

const UNITS = [
  ["ft_in", "feet and inches"],
  ["metric", "metric"],
] as const;

const MONEY = ["USD", "EUR", "GBP", "CAD", "AUD", "NZD", "CHF", "SEK", "NOK", "DKK"].map(
  (code) => [code, code] as const,
);

/** A new garden: its name, its units, its money, and its place, as far as that is known. */
export function NewGarden() {
  const navigate = useNavigate();
  const [name, setName] = useState("");
  const [units, setUnits] = useState<"ft_in" | "metric">("ft_in");
  const [currency, setCurrency] = useState("USD");
  const [climate, setClimate] = useState<Climate>({});
  const make = useGardenChange(
    () => api.createGarden({ name: name.trim(), units, currency, ...climate } satisfies PlanGarden),
    (garden) => void navigate(`/garden/${garden.id}/new`),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  return (
    <Sheet
      component="form"
      data-part="garden-new"
      onSubmit={submit}
      sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 3 }}
    >
      <Typography variant="sheetTitle">A new garden</Typography>
      <TextField
        label="Its name"
        required
        value={name}
        onChange={(event) => setName(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Choice label="Measured in" shown options={UNITS} value={units} onChoose={setUnits} />
      <Pick label="Money" options={MONEY} value={currency} onChoose={setCurrency} />
      <ShowingProvider value={{ units, told_in: units, currency }}>
        <Typography variant="panelTitle">Its place and its year, as far as you know them</Typography>
        <ClimateFields
          key={units}
          climate={climate}
          onChange={(change) => setClimate((before) => ({ ...before, ...change }))}
        />
        <Note>It can be added later: rotting, sinking and sowing dates are reckoned by it.</Note>
      </ShowingProvider>
      <Row>
        <Button variant="contained" type="submit">
          Start it
        </Button>
      </Row>
      {make.error && <Problem>{saidOf(make.error)}</Problem>}
    </Sheet>
  );
}
