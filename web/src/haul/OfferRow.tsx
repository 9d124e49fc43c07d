import Button from "@mui/material/Button";
import { OfferEnd, OfferFetch, OfferMaterial, OfferRowBox } from "./haul.styles";
import type { Material } from "../api/client";
import { showBulkVolume, showMoney, showUnitPrice, showVolume } from "../quantities/format";
import { Choice } from "../kit/Choice";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";

export type OfferDraft = {
  id: number;
  form: "bag" | "bulk";
  material?: string;
  volume_m3?: number;
  price?: string;
  price_per_m3?: string;
  step_m3?: number | null;
  minimum_m3?: number | null;
  load_m3?: number | null;
  fetch?: boolean;
};

type Props = {
  gardenId: number;
  number: number;
  draft: OfferDraft;
  materials: ReadonlyMap<string, Material>;
  onChange: (changed: Partial<OfferDraft>) => void;
  onRemove: () => void;
};

const FORMS = [
  ["bag", "in bags"],
  ["bulk", "loose"],
] as const;

/** One offer: in bags of a size, or loose by the m3 in steps. */
export function OfferRow({ gardenId, number, draft, materials, onChange, onRemove }: Props) {
  const { units, currency } = useShowing();
  const bulk = (value: number | null | undefined) => (value ? showBulkVolume(value, units) : "");
  const example = units === "ft_in" ? "1/2 yd" : "0.5 m3";
  return (
    <OfferRowBox>
      <legend>Offer {number}</legend>
      <OfferMaterial>
        <MaterialFinder
          gardenId={gardenId}
          label="Material"
          value={draft.material ? (materials.get(draft.material) ?? null) : null}
          suits={(each) => !each.is_sheet}
          onChoose={(chosen) => onChange({ material: chosen.key })}
        />
      </OfferMaterial>
      <Choice
        label={`Offer ${number} is sold`}
        options={FORMS}
        value={draft.form}
        onChoose={(form) => onChange({ form })}
      />
      {draft.form === "bag" ? (
        <>
          <MeasureField
            label="A bag holds"
            limit="bag"
            width="100px"
            eager
            placeholder={units === "ft_in" ? "1.5 cu ft" : "40 L"}
            shown={draft.volume_m3 ? showVolume(draft.volume_m3, units) : ""}
            onMeaning={({ values: [volume_m3] }) => onChange({ volume_m3 })}
          />
          <MeasureField
            label="Price a bag"
            limit="price"
            width="90px"
            eager
            placeholder="6.20"
            shown={draft.price ? showMoney(draft.price, currency) : ""}
            onMeaning={({ money }) => money != null && onChange({ price: String(money) })}
          />
        </>
      ) : (
        <>
          <MeasureField
            label="Price"
            limit="unit_price"
            width="108px"
            eager
            placeholder={units === "ft_in" ? "48 a yd" : "62.80 a m3"}
            shown={draft.price_per_m3 ? showUnitPrice(draft.price_per_m3, { units, currency }) : ""}
            onMeaning={({ money }) => money != null && onChange({ price_per_m3: String(money) })}
          />
          <MeasureField
            label="In steps of"
            limit="bulk"
            width="76px"
            eager
            placeholder={example}
            shown={bulk(draft.step_m3)}
            onMeaning={({ values: [step_m3] }) => onChange({ step_m3 })}
          />
          <MeasureField
            label="Not below"
            limit="stock"
            width="76px"
            eager
            placeholder={example}
            shown={bulk(draft.minimum_m3)}
            onMeaning={({ values: [minimum_m3] }) => onChange({ minimum_m3 })}
          />
          <MeasureField
            label="A load brings"
            limit="bulk"
            width="76px"
            eager
            placeholder="all"
            shown={bulk(draft.load_m3)}
            onMeaning={({ values: [load_m3] }) => onChange({ load_m3 })}
          />
        </>
      )}
      <OfferEnd>
        <OfferFetch>
          <input
            type="checkbox"
            checked={draft.fetch ?? false}
            onChange={(event) => onChange({ fetch: event.currentTarget.checked })}
          />
          I fetch it
        </OfferFetch>
        <Button aria-label={`Remove offer ${number}`} onClick={onRemove}>
          Remove
        </Button>
      </OfferEnd>
    </OfferRowBox>
  );
}
