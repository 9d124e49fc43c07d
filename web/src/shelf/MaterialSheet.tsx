import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { MaterialActions, MaterialProblem, MaterialSheetBox, MaterialUnit } from "./shelf.styles";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, saidOf, type LimitName, type Material, type OwnMaterial } from "../api/client";
import { Swatch } from "../hatches/Swatch";
import { trimmed, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

type Props = { gardenId: number; material: Material; onChanged: (key: string) => Promise<void> };
type Property = Material["properties"][number];

const NAMES: Record<string, [string, LimitName]> = {
  bulk_density_kg_m3: ["Density, moist, as placed", "density"],
  saturated_density_kg_m3: ["Density, wet through", "density"],
  moisture: ["Water", "share"],
  loose_factor: ["Loose volume", "factor"],
  void_share: ["Voids", "share"],
  carbon: ["Carbon", "share"],
  nitrogen: ["Nitrogen", "share"],
  settles_share: ["Sinks at first", "share"],
  stays_share: ["Never rots", "share"],
  decay_per_year: ["Rots in a year at 12 °C", "decay"],
  water_share: ["Water held as a reservoir's filling", "share"],
  capillary_rise_m: ["Wicks up", "rise"],
  loose_dry_kg_m3: ["Dry mass, loose", "density"],
  porosity: ["All pores, loose", "share"],
  container_capacity: ["Water held once drained", "share"],
  wilting_point: ["Water plants can't take", "share"],
  ph: ["pH", "ph"],
  label_n: ["Nitrogen on the label", "share"],
  label_p2o5: ["Phosphate on the label, P2O5", "share"],
  label_k2o: ["Potash on the label, K2O", "share"],
  mass_per_area_kg_m2: ["Mass of one ply", "sheet_mass"],
};

/** One material: its other names, and each figure with range and source. Its own copy can be changed. */
export function MaterialSheet({ gardenId, material, onChanged }: Props) {
  const own = material.like != null;
  const save = useMutation({
    mutationFn: (changed: OwnMaterial) => api.saveMaterial(gardenId, changed, material.revision),
    onSuccess: (kept) => onChanged(kept.key),
  });
  const copy = useMutation({
    mutationFn: () =>
      api.createMaterial(gardenId, {
        key: material.key,
        like: material.key,
        name: `Own ${material.name.toLowerCase()}`,
      }),
    onSuccess: (kept) => onChanged(kept.key),
  });
  const remove = useMutation({
    mutationFn: () => api.removeMaterial(gardenId, material.key),
    onSuccess: () => onChanged(material.like ?? "compost"),
  });
  const error = save.error ?? copy.error ?? remove.error;
  const keep = (change: Partial<OwnMaterial>) => save.mutate({ ...ownOf(material), ...change });
  return (
    <MaterialSheetBox
      variant="outlined"
      component="article"
      data-part="material-sheet"
      aria-labelledby="material-name"
    >
      <header>
        <Swatch material={material.key} like={material.like} width={96} height={72} />
        <div>
          {own ? (
            <OwnName name={material.name} onName={(name) => keep({ name })} />
          ) : (
            <h2 id="material-name">{material.name}</h2>
          )}
          <p>{aboutOf(material)}</p>
          {material.synonyms.length > 0 && <p>Also called {material.synonyms.join(", ")}.</p>}
        </div>
      </header>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Figure</TableCell>
            <TableCell scope="col">Value</TableCell>
            <TableCell scope="col">Met between</TableCell>
            <TableCell scope="col">From</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {material.properties.map((property) => (
            <PropertyRow
              key={property.name}
              property={property}
              editable={own}
              onValue={(value) => keep({ [property.name]: value })}
            />
          ))}
        </TableBody>
      </Table>
      {error && <MaterialProblem role="alert">{saidOf(error)}</MaterialProblem>}
      {material.is_mix && (
        <MaterialActions>
          <Button component={Link} to={`/garden/${gardenId}/blend/${material.key}`}>
            Open it in Blend
          </Button>
        </MaterialActions>
      )}
      {!material.is_mix && (
        <MaterialActions>
          {own ? (
            <Button onClick={() => remove.mutate()}>
              Take it off the shelf
            </Button>
          ) : (
            <Button onClick={() => copy.mutate()}>
              Make one of your own like it
            </Button>
          )}
        </MaterialActions>
      )}
    </MaterialSheetBox>
  );
}

function OwnName({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState(name);
  const commit = () => {
    if (typed.trim() && typed.trim() !== name) onName(typed.trim());
    else setTyped(name);
  };
  return (
    <h2 id="material-name">
      <input
       
        aria-label="What you call it"
        value={typed}
        maxLength={80}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
    </h2>
  );
}

type RowProps = { property: Property; editable: boolean; onValue: (value: number) => void };

function PropertyRow({ property, editable, onValue }: RowProps) {
  const [label, limit] = NAMES[property.name] ?? [property.name, "density"];
  const { units } = useShowing();
  const show = (value: number) => {
    if (limit === "rise") return typedLength(value, units);
    return limit === "share" ? `${trimmed(value * 100, 2)} %` : trimmed(value, 3);
  };
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {label}
      </TableCell>
      <TableCell>
        {editable ? (
          <MeasureField
            label={label}
            hideLabel
            limit={limit}
            width="96px"
            shown={show(property.value)}
            onMeaning={({ values: [value = 0] }) => onValue(value)}
          />
        ) : (
          <b>{show(property.value)}</b>
        )}{" "}
        <MaterialUnit>{unitOf(property)}</MaterialUnit>
      </TableCell>
      <TableCell>
        {property.low === property.high ? "" : `${show(property.low)} to ${show(property.high)}`}
      </TableCell>
      <TableCell>
        <span className={property.is_default ? "is-default" : "is-yours"}>
          {property.is_default ? "default" : "yours"}
        </span>
        {property.is_default && `, ${property.source}`}
      </TableCell>
    </TableRow>
  );
}

function unitOf({ unit }: Property): string {
  return { "kg/m3": "kg/m³", "kg/m2": "kg/m²", m: "", pH: "" }[unit] ?? unit.replace("share of", "of");
}

function aboutOf(material: Material): string {
  if (material.is_mix) return "A mix of yours; its figures are worked out from its parts.";
  const kind = material.is_sheet ? "A sheet, without thickness in the stack." : grainOf(material);
  return material.like ? `Yours, like ${material.like.replaceAll("_", " ")}. ${kind}` : kind;
}

function grainOf(material: Material): string {
  if (material.void_share > 0) return "Coarse: fines run down into its voids unless they are packed.";
  return material.grain === "fine"
    ? "Fine: it runs down into open voids below."
    : "Coarse, without voids to speak of.";
}

function ownOf(material: Material): OwnMaterial {
  const yours = material.properties.filter((each) => !each.is_default).map((each) => [each.name, each.value]);
  return {
    key: material.key,
    like: material.like ?? material.key,
    name: material.name,
    ...Object.fromEntries(yours),
  };
}
