import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { PageNote } from "../kit/Page";
import { Row } from "../kit/Row";
import { GardenBin, GardenList, GardenName, GardenPanel, GardensViewBox } from "./gardens.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { Link, useNavigate } from "react-router";
import { AccountSection } from "../account/AccountView";
import { api, saidOf, type GardenHead, type PlanGarden } from "../api/client";
import { Choice } from "../kit/Choice";
import { GardenYear } from "../climate/GardenYear";
import { PlanImport } from "./PlanImport";

/** All gardens of the gardener: open, name, copy, take out as a file, put into the bin and take back. */
export function GardensView() {
  const gardens = useQuery({ queryKey: ["gardens"], queryFn: api.gardens });
  if (gardens.error) return <PageNote data-part="page-note">{gardens.error.message}</PageNote>;
  if (!gardens.data) return <PageNote data-part="page-note">Opening ...</PageNote>;
  const kept = gardens.data.filter((garden) => !garden.deleted_at);
  const binned = gardens.data.filter((garden) => garden.deleted_at);
  return (
    <GardensViewBox>
      <Typography variant="view" data-part="view-title">
        {kept.length === 0 ? "Start the first garden" : "Gardens"}
      </Typography>
      <GardenList data-part="garden-list">
        {kept.map((garden) => (
          <GardenCard key={garden.id} garden={garden} />
        ))}
        <li>
          <NewGarden />
        </li>
      </GardenList>
      <PlanImport gardens={kept} />
      {binned.length > 0 && (
        <GardenPanel variant="outlined" component="section" aria-labelledby="garden-bin">
          <h2 id="garden-bin">In the bin, for 30 days</h2>
          <GardenBin data-part="garden-bin">
            {binned.map((garden) => (
              <BinnedGarden key={garden.id} garden={garden} />
            ))}
          </GardenBin>
        </GardenPanel>
      )}
      <AccountSection />
    </GardensViewBox>
  );
}

/** What follows any change to the gardens: the list is asked for again. */
function useChange<T>(change: () => Promise<T>, then?: (result: T) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (result) => {
      await queries.invalidateQueries({ queryKey: ["gardens"] });
      then?.(result);
    },
  });
}

function GardenCard({ garden }: { garden: GardenHead }) {
  const queries = useQueryClient();
  const copy = useChange(() => api.copyGarden(garden.id));
  const remove = useChange(() => api.deleteGarden(garden.id));
  const rename = useMutation({
    mutationFn: (name: string) => api.changeGarden(garden.id, (head) => ({ ...head, name })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["gardens"] });
      void queries.invalidateQueries({ queryKey: ["garden", garden.id] });
    },
  });
  const error = copy.error ?? remove.error ?? rename.error;
  return (
    <GardenPanel variant="outlined" component="li">
      <RenameField key={garden.name} name={garden.name} onName={(name) => rename.mutate(name)} />
      <p>{garden.beds === 1 ? "1 bed" : `${garden.beds} beds`}</p>
      <GardenYear gardenId={garden.id} />
      <Row>
        <Button component={Link} variant="contained" to={`/garden/${garden.id}/plot`}>
          Open
        </Button>
        <Button onClick={() => copy.mutate()}>
          Copy
        </Button>
        <Button component="a" href={`/api/gardens/${garden.id}/plan`} download>
          Plan file
        </Button>
        <Button variant="text" color="primary" onClick={() => remove.mutate()}>
          To the bin
        </Button>
      </Row>
      {error && <p role="alert">{saidOf(error)}</p>}
    </GardenPanel>
  );
}

function RenameField({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState(name);
  const commit = () => {
    if (typed.trim() && typed.trim() !== name) onName(typed.trim());
    else setTyped(name);
  };
  return (
    <GardenName
      aria-label={`Name of ${name}`}
      value={typed}
      maxLength={80}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
    />
  );
}

function BinnedGarden({ garden }: { garden: GardenHead }) {
  const back = useChange(() => api.takeGardenBack(garden.id));
  return (
    <li>
      <strong>{garden.name}</strong>
      <span>{garden.beds === 1 ? "1 bed" : `${garden.beds} beds`}</span>
      <Button onClick={() => back.mutate()}>
        Take it back
      </Button>
      {back.error && <span role="alert">{saidOf(back.error)}</span>}
    </li>
  );
}

const UNITS = [
  ["ft_in", "feet and inches"],
  ["metric", "metric"],
] as const;

function NewGarden() {
  const navigate = useNavigate();
  const [name, setName] = useState("");
  const [units, setUnits] = useState<"ft_in" | "metric">("ft_in");
  const [currency, setCurrency] = useState("USD");
  const make = useChange(
    () => api.createGarden({ name: name.trim(), units, currency } satisfies PlanGarden),
    (garden) => void navigate(`/garden/${garden.id}/new`),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  return (
    <GardenPanel variant="outlined" component="form" data-part="garden-new" onSubmit={submit}>
      <h2>A new garden</h2>
      <label>
        <span>Its name</span>
        <input
         
          required
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
        />
      </label>
      <Choice label="Measured in" shown options={UNITS} value={units} onChoose={setUnits} />
      <label>
        <span>Money</span>
        <select
         
          value={currency}
          onChange={(event) => setCurrency(event.currentTarget.value)}
        >
          {["USD", "EUR", "GBP", "CAD", "AUD", "NZD", "CHF", "SEK", "NOK", "DKK"].map((code) => (
            <option key={code}>{code}</option>
          ))}
        </select>
      </label>
      <Button variant="contained" type="submit">
        Start it
      </Button>
      {make.error && <p role="alert">{saidOf(make.error)}</p>}
    </GardenPanel>
  );
}
