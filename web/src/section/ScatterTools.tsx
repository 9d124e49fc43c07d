import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import type { Layer, Material } from "../api/client";
import { showDose } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { changeLayer } from "./edits";
import type { LayerEdit } from "./LayerTools";

type Props = {
  gardenId: number;
  layer: Layer;
  materials: ReadonlyMap<string, Material>;
  onEdit: LayerEdit;
};

const FIRST_DOSE_KG = 0.1;

/** A meal or the like scattered on a layer, between its lifts. */
export function ScatterTools({ gardenId, layer, materials, onEdit }: Props) {
  const { units } = useShowing();
  const { amendment } = layer;
  return (
    <Row>
      <MaterialFinder
        key={amendment?.material ?? "none"}
        gardenId={gardenId}
        label="Scattered on it"
        value={amendment ? (materials.get(amendment.material) ?? null) : null}
        suits={(each) => !each.is_sheet && each.grain === "fine"}
        onChoose={(chosen) =>
          onEdit((bed, index) =>
            changeLayer(bed, index, {
              amendment: { material: chosen.key, mass_kg: amendment?.mass_kg ?? FIRST_DOSE_KG },
            }),
          )
        }
      />
      {amendment && (
        <>
          <MeasureField
            label="in all"
            limit="meal"
            width="78px"
            shown={showDose(amendment.mass_kg, units)}
            onMeaning={({ values: [mass_kg] }) =>
              mass_kg !== undefined &&
              onEdit((bed, index) => changeLayer(bed, index, { amendment: { ...amendment, mass_kg } }))
            }
          />
          <Button
           
            onClick={() => onEdit((bed, index) => changeLayer(bed, index, { amendment: null }))}
          >
            Nothing
          </Button>
        </>
      )}
    </Row>
  );
}
