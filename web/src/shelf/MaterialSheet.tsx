import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Box from "@mui/material/Box";
import TableContainer from "@mui/material/TableContainer";
import Typography from "@mui/material/Typography";
import { NameField } from "../kit/NameField";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, saidOf, type LimitName, type Material, type OwnMaterial, type Schemas } from "../api/client";
import { Swatch } from "../drawing/Swatch";
import { showDensity, showTemperature, trimmed, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

type Props = { gardenId: number; material: Material; onChanged: (key: string) => Promise<void> };
type Property = Schemas["PropertyOut"];

const NONE: readonly Property[] = [];

/** What rates of decay are told at. */
const WARM_C = 12;
const WARM = `${WARM_C} °C`;

const NAMES: Record<string, [string, LimitName]> = {
  dry_density_kg_m3: ["Density, dry, as placed", "density"],
  bulk_density_kg_m3: ["Density, moist, as placed", "density"],
  saturated_density_kg_m3: ["Density, wet through", "density"],
  moisture: ["Water", "share"],
  loose_factor: ["Loose volume", "factor"],
  void_share: ["Gaps between its pieces", "share"],
  carbon: ["Carbon", "share"],
  nitrogen: ["Nitrogen", "share"],
  settles_share: ["Sinks at first", "share"],
  stays_share: ["Never rots", "share"],
  decay_per_year: [`Rots in a year at ${WARM}`, "decay"],
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
  const figures = useQuery({
    queryKey: ["shelf", gardenId, "figures", material.key],
    queryFn: () => api.materialFigures(gardenId, material.key),
  });
  const properties = figures.data ?? NONE;
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
  const keep = (change: Partial<OwnMaterial>) => save.mutate({ ...ownOf(material, properties), ...change });
  return (
    <Sheet
      component="article"
      data-part="material-sheet"
      aria-labelledby="material-name"
      sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 4 }}
    >
      <Row sx={{ gap: 4.5, alignItems: "flex-start", flexWrap: "nowrap" }}>
        <Swatch material={material.key} like={material.like} width={96} height={72} />
        <div>
          <Typography variant="sheetTitle" id="material-name">
            {own ? (
              <NameField label="What you call it" name={material.name} onName={(name) => keep({ name })} />
            ) : (
              material.name
            )}
          </Typography>
          <Note>{aboutOf(material)}</Note>
          {material.synonyms.length > 0 && <Note>Also called {material.synonyms.join(", ")}.</Note>}
        </div>
      </Row>
      <TableContainer>
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
            {properties.map((property) => (
              <PropertyRow
                key={property.name}
                property={property}
                editable={own}
                onValue={(value) => keep({ [property.name]: value })}
              />
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      {error && <Problem>{saidOf(error)}</Problem>}
      {material.is_mix && (
        <Row>
          <Button component={Link} to={`/garden/${gardenId}/blend/${material.key}`}>
            Open it in Blend
          </Button>
        </Row>
      )}
      {!material.is_mix && (
        <Row>
          {own ? (
            <Button onClick={() => remove.mutate()}>Take it off the shelf</Button>
          ) : (
            <Button onClick={() => copy.mutate()}>Make one of your own like it</Button>
          )}
        </Row>
      )}
    </Sheet>
  );
}

const FIGURE = { "& .MuiTextField-root": { verticalAlign: "middle" } } as const;

type RowProps = { property: Property; editable: boolean; onValue: (value: number) => void };

function PropertyRow({ property, editable, onValue }: RowProps) {
  const { units } = useShowing();
  const [name, limit] = NAMES[property.name] ?? [property.name, "density"];
  const label = name.replace(WARM, showTemperature(WARM_C, units));
  const show = (value: number) => {
    if (limit === "rise") return typedLength(value, units);
    if (limit === "density") return showDensity(value, units);
    return limit === "share" ? `${trimmed(value * 100, 2)} %` : trimmed(value, 3);
  };
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {label}
      </TableCell>
      <TableCell sx={FIGURE}>
        {editable ? (
          <MeasureField
            label={label}
            hideLabel
            limit={limit}
            width="128px"
            shown={show(property.value)}
            onMeaning={({ values: [value = 0] }) => onValue(value)}
          />
        ) : (
          <b>{show(property.value)}</b>
        )}{" "}
        <Box component="span" sx={{ color: "soft" }}>
          {unitOf(property, limit)}
        </Box>
      </TableCell>
      <TableCell>
        {property.low === property.high ? "" : `${show(property.low)} to ${show(property.high)}`}
      </TableCell>
      <TableCell>
        <Box component="span" sx={property.is_default ? undefined : { color: "water", fontWeight: 650 }}>
          {fromOf(property)}
        </Box>
      </TableCell>
    </TableRow>
  );
}

function fromOf({ is_default, is_worked_out, source }: Property): string {
  if (is_worked_out) return source;
  return is_default ? `default, ${source}` : "yours";
}

function unitOf({ unit }: Property, limit: LimitName): string {
  if (limit === "density") return "";
  return (
    { "1/year at 12 degrees C": "a year", "kg/m3": "kg/m³", "kg/m2": "kg/m²", m: "", pH: "" }[unit] ??
    unit.replace("share of", "of")
  );
}

function aboutOf(material: Material): string {
  if (material.is_mix) return "A mix of yours; its figures are worked out from its parts.";
  const kind = material.is_sheet ? "A sheet, without thickness in the stack." : grainOf(material);
  return material.like ? `Yours, like ${material.like.replaceAll("_", " ")}. ${kind}` : kind;
}

function grainOf(material: Material): string {
  if (material.void_share > 0 && !material.takes_fines)
    return "Coarse, and lies in mats: fines don't run down into its gaps.";
  if (material.void_share > 0) return "Coarse: fines run down into its gaps unless they are packed.";
  return material.grain === "fine"
    ? "Fine: it runs down into open gaps below."
    : "Coarse, without gaps to speak of.";
}

function ownOf(material: Material, properties: readonly Property[]): OwnMaterial {
  const yours = properties.filter((each) => !each.is_default).map((each) => [each.name, each.value]);
  return {
    key: material.key,
    like: material.like ?? material.key,
    name: material.name,
    ...Object.fromEntries(yours),
  };
}
