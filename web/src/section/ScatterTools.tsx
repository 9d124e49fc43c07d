import Button from "@mui/material/Button";
import type { Layer, LayerFigures, Material } from "../api/client";
import { changeLayer, type LayerEdit } from "../draft/edits";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showDose, trimmed } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Fed = NonNullable<Layer["amendment"]>;
type Props = {
  gardenId: number;
  layer: Layer;
  figured: LayerFigures;
  materials: ReadonlyMap<string, Material>;
  onEdit: LayerEdit;
};

const FIRST_DOSE_KG = 0.1;
const MOST = 6;
const isFine = ({ is_sheet, grain }: Material) => !is_sheet && grain === "fine";
const allFed = (layer: Layer): Fed[] => [
  ...(layer.amendment ? [layer.amendment] : []),
  ...(layer.amendments ?? []),
];

/** Meals and the like scattered on a layer, by weight, handfuls and cups each time it is laid. */
export function ScatterTools({ gardenId, layer, figured, materials, onEdit }: Props) {
  const fed = allFed(layer);
  /** Change what is scattered: the first stands by itself, as it always did. */
  const change = (next: (now: Fed[]) => Fed[]) =>
    onEdit((bed, index) => {
      const now = bed.layers[index];
      if (!now) return bed;
      const [first, ...more] = next(allFed(now));
      return changeLayer(bed, index, { amendment: first ?? null, amendments: more.length > 0 ? more : null });
    });
  return (
    <>
      {fed.map((each, at) => (
        <OneMeal
          key={`${each.material} ${at}`}
          gardenId={gardenId}
          fed={each}
          figures={figured.scattered[at]}
          lifts={figured.lifts}
          materials={materials}
          onChange={(changed) => change((now) => now.map((one, index) => (index === at ? changed : one)))}
          onRemove={() => change((now) => now.filter((_, index) => index !== at))}
        />
      ))}
      {fed.length < MOST && (
        <MaterialFinder
          key={fed.length}
          gardenId={gardenId}
          label={fed.length === 0 ? "Scattered on it" : "Scatter something else, too"}
          value={null}
          suits={isFine}
          onChoose={({ key }) => change((now) => [...now, { material: key, mass_kg: FIRST_DOSE_KG }])}
        />
      )}
    </>
  );
}

type MealProps = {
  gardenId: number;
  fed: Fed;
  figures: LayerFigures["scattered"][number] | undefined;
  lifts: number;
  materials: ReadonlyMap<string, Material>;
  onChange: (changed: Fed) => void;
  onRemove: () => void;
};

function OneMeal({ gardenId, fed, figures, lifts, materials, onChange, onRemove }: MealProps) {
  const { units } = useShowing();
  const meal = materials.get(fed.material);
  return (
    <Row sx={{ alignItems: "flex-end" }}>
      <MaterialFinder
        gardenId={gardenId}
        label="Scattered on it"
        value={meal ?? null}
        suits={isFine}
        onChoose={({ key }) => onChange({ ...fed, material: key })}
      />
      <MeasureField
        label="in all"
        limit="meal"
        width="92px"
        density_kg_m3={meal?.loose_kg_m3 ?? undefined}
        shown={showDose(fed.mass_kg, units)}
        onMeaning={({ values: [mass_kg] }) => mass_kg !== undefined && onChange({ ...fed, mass_kg })}
      />
      <Button onClick={onRemove}>Scatter none</Button>
      {figures && (
        <Note sx={{ flexBasis: "100%" }}>
          {lifts > 1 ? "Each time " : "That is "}
          {trimmed(figures.lift_handfuls, 1)} handfuls, {trimmed(figures.lift_cups, 1)} cups,{" "}
          {showDose(figures.lift_kg, units)}.
        </Note>
      )}
    </Row>
  );
}
