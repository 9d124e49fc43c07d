import Button from "@mui/material/Button";
import type { Layer, Material } from "../api/client";
import { changeLayer, type LayerEdit } from "../draft/edits";
import { Row } from "../kit/Row";
import { showDose } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = {
  gardenId: number;
  amendment: Layer["amendment"];
  materials: ReadonlyMap<string, Material>;
  onEdit: LayerEdit;
};

const FIRST_DOSE_KG = 0.1;
const isFine = ({ is_sheet, grain }: Material) => !is_sheet && grain === "fine";

/** A meal or the like scattered on a layer. */
export function ScatterTools({ gardenId, amendment, materials, onEdit }: Props) {
  const { units } = useShowing();
  const meal = amendment ? materials.get(amendment.material) : undefined;
  return (
    <Row sx={{ alignItems: "flex-end" }}>
      <MaterialFinder
        key={amendment?.material ?? "none"}
        gardenId={gardenId}
        label="Scattered on it"
        value={meal ?? null}
        suits={isFine}
        onChoose={(chosen) =>
          onEdit((bed, index) =>
            changeLayer(bed, index, {
              amendment: {
                material: chosen.key,
                mass_kg: bed.layers[index]?.amendment?.mass_kg ?? FIRST_DOSE_KG,
              },
            }),
          )
        }
      />
      {amendment && (
        <>
          <MeasureField
            label="in all"
            limit="meal"
            width="92px"
            density_kg_m3={meal?.loose_kg_m3 ?? undefined}
            shown={showDose(amendment.mass_kg, units)}
            onMeaning={({ values: [mass_kg] }) =>
              mass_kg !== undefined &&
              onEdit((bed, index) => {
                const now = bed.layers[index]?.amendment;
                return now ? changeLayer(bed, index, { amendment: { ...now, mass_kg } }) : bed;
              })
            }
          />
          <Button onClick={() => onEdit((bed, index) => changeLayer(bed, index, { amendment: null }))}>
            Scatter none
          </Button>
        </>
      )}
    </Row>
  );
}
