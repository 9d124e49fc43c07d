import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Material } from "../api/client";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { POUND_A_YARD_KG_M3, showMixedIn, type Units } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import type { Mix, MixFigures } from "./blendApi";
import { withDose, withoutDose } from "./edits";
import type { MixEdit } from "./useMixDraft";

type Props = {
  gardenId: number;
  mix: Mix;
  figures: MixFigures | null;
  materials: ReadonlyMap<string, Material>;
  onEdit: MixEdit;
};

/** A kilogram to the cubic metre, or two pounds to the yard. */
const FIRST_KG_M3: Record<Units, number> = { metric: 1, ft_in: 2 * POUND_A_YARD_KG_M3 };
const LIME = "lime";

/** Lime, meals and fertilisers, which go into a mix by weight. */
export function MixedIn({ gardenId, mix, figures, materials, onEdit }: Props) {
  const { units } = useShowing();
  const doses = mix.doses ?? [];
  const limed = doses.find(({ material }) => material === LIME)?.dose_kg_m3 ?? 0;
  const lime_kg_m3 = figures?.lime_kg_m3;
  return (
    <Sheet component="section" data-part="mixed-in" aria-labelledby="mixed-in-title">
      <Column>
        <Typography variant="panelTitle" id="mixed-in-title">
          Mixed in by weight
        </Typography>
        {doses.map(({ material, dose_kg_m3 }) => {
          const name = materials.get(material)?.name ?? material;
          const figured = figures?.doses.find((each) => each.material === material);
          return (
            <Row key={material} sx={{ alignItems: "flex-end" }} data-part="mixed-in-dose">
              <MeasureField
                label={name}
                limit="mixed_in"
                width="132px"
                shown={showMixedIn(dose_kg_m3, units)}
                onMeaning={({ values: [value] }) =>
                  value !== undefined && onEdit((now) => withDose(now, material, value))
                }
              />
              {figured && (
                <Note>
                  <Quantity kind="dose" value={figured.barrow_kg} /> to a barrow,{" "}
                  <Quantity kind="dose" value={figured.bucket_kg} /> to a bucket
                </Note>
              )}
              <Button
                aria-label={`Leave out ${name}`}
                sx={{ marginLeft: "auto" }}
                onClick={() => onEdit((now) => withoutDose(now, material))}
              >
                Leave out
              </Button>
            </Row>
          );
        })}
        <Row sx={{ alignItems: "flex-end" }}>
          <MaterialFinder
            key={doses.length}
            gardenId={gardenId}
            label={doses.length === 0 ? "Lime, a meal or a fertiliser" : "Something else, too"}
            value={null}
            suits={({ key, group }) => group === "meal" && !doses.some((each) => each.material === key)}
            onChoose={({ key }) => onEdit((now) => withDose(now, key, FIRST_KG_M3[units]))}
          />
          {lime_kg_m3 != null && (
            <Button onClick={() => onEdit((now) => withDose(now, LIME, limed + lime_kg_m3))}>
              Lime it, {showMixedIn(lime_kg_m3, units)}
            </Button>
          )}
        </Row>
        {limed > 0 && (
          <Note>About 2 kg a m³ lift the pH by one, 1 to 4 by the soil: test it a month on.</Note>
        )}
      </Column>
    </Sheet>
  );
}
