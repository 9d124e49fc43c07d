import Button from "@mui/material/Button";
import type { Material, Offer } from "../api/client";
import { showBulkVolume, showMass, showMoney, showUnitPrice, typedVolume } from "../quantities/format";
import { Choice } from "../kit/Choice";
import { Group } from "../kit/Group";
import { Tick } from "../kit/Tick";
import type { ReadState } from "../quantities/useReading";
import { MeasureField } from "../quantities/MeasureField";
import { Pick as Choose } from "../theme/controls/Pick";
import { useShowing } from "../quantities/UnitsContext";
import { WARES } from "../api/wares";
import { TIMBER } from "../api/words";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { OfferTermsFields } from "./OfferTermsFields";
import { InPieces } from "./InPieces";

export type OfferDraft = {
  id: number;
  form: Offer["form"];
  material?: string;
  volume_m3?: number | null;
  mass_kg?: number | null;
  length_m?: number | null;
  width_m?: number | null;
  height_m?: number | null;
  diameter_m?: number | null;
  thickness_m?: number | null;
  count?: number;
  price?: string;
  price_per_m3?: string | null;
  step_m3?: number | null;
  minimum_m3?: number | null;
  load_m3?: number | null;
  fetch?: boolean;
} & OfferTerms;

/** On which terms it is sold beside its price; kept as they are where nobody changes them. */
export type OfferTerms = Partial<
  Pick<Extract<Offer, { form: "bag" }>, "deal" | "at_most" | "expands_to_m3" | "key" | "priced_on"> &
    Pick<Extract<Offer, { form: "bulk" }>, "tiers" | "price_per_t" | "step_kg" | "minimum_kg">
>;

type Props = {
  gardenId: number;
  number: number;
  draft: OfferDraft;
  materials: ReadonlyMap<string, Material>;
  onChange: (changed: Partial<OfferDraft>) => void;
  onReading: (field: string, state: ReadState["state"]) => void;
  onRemove: () => void;
};

/** What is sold by the piece and is no sheet: wares, then boards by their wood. */
const PIECES: readonly (readonly [string, string])[] = [
  ...Object.entries(WARES),
  ...Object.entries(TIMBER).map(([key, name]) => [key, `Boards, ${name.toLowerCase()}`] as const),
];

type Form = Offer["form"];
const LOOSE_FORMS: readonly (readonly [Form, string])[] = [
  ["bag", "in bags"],
  ["bulk", "loose"],
];
const SHEET_FORMS: readonly (readonly [Form, string])[] = [
  ["roll", "off the roll"],
  ["piece", "by the piece"],
  ["pack", "by the pack"],
];
const WARE_FORMS = SHEET_FORMS.slice(1);

/** How a thing can be sold. */
function formsOf(material: Material | null, ware: boolean) {
  if (ware) return WARE_FORMS;
  return material?.is_sheet ? SHEET_FORMS : LOOSE_FORMS;
}

/** One offer: in bags of a size, loose in steps, off the roll, by the piece or the pack. */
export function OfferRow({ gardenId, number, draft, materials, onChange, onReading, onRemove }: Props) {
  const material = draft.material ? (materials.get(draft.material) ?? null) : null;
  const isWare = draft.material !== undefined && PIECES.some(([key]) => key === draft.material);
  const fields = { draft, material, onChange, onReading };
  return (
    <Group label={`Offer ${number}`} sx={{ paddingTop: 2, borderTop: 1, borderColor: "line" }}>
      {isWare ? (
        <Choose
          label={`What offer ${number} is`}
          options={PIECES}
          value={draft.material ?? ""}
          onChoose={(ware) => onChange({ material: ware })}
        />
      ) : (
        <MaterialFinder
          gardenId={gardenId}
          label="Material"
          value={material}
          onChoose={(chosen) =>
            onChange({
              material: chosen.key,
              ...(formsOf(chosen, false).some(([form]) => form === draft.form)
                ? {}
                : { form: formsOf(chosen, false)[0]?.[0] }),
            })
          }
        />
      )}
      <Choice
        label={`Offer ${number} is sold`}
        options={formsOf(material, isWare)}
        value={draft.form}
        onChoose={(form) => onChange({ form })}
      />
      {draft.form === "bag" && <InBags {...fields} />}
      {draft.form === "bulk" && <Loose {...fields} />}
      {draft.form !== "bag" && draft.form !== "bulk" && <InPieces {...fields} />}
      <OfferTermsFields {...fields} />
      <Tick label="I fetch it" checked={draft.fetch ?? false} onTick={(fetch) => onChange({ fetch })} />
      <Button aria-label={`Remove offer ${number}`} onClick={onRemove}>
        Remove
      </Button>
    </Group>
  );
}

export type FieldsProps = Pick<Props, "draft" | "onChange" | "onReading"> & { material: Material | null };

function InBags({ draft, material, onChange, onReading }: FieldsProps) {
  const { units, currency } = useShowing();
  const isMeal = material?.group === "meal" || draft.mass_kg != null;
  return (
    <>
      {isMeal ? (
        <MeasureField
          label="A bag weighs"
          limit="mass"
          width="112px"
          eager
          placeholder={units === "ft_in" ? "5 lb" : "2 kg"}
          shown={draft.mass_kg ? showMass(draft.mass_kg, units) : ""}
          onMeaning={({ values: [mass_kg] }) => onChange({ mass_kg, volume_m3: null })}
          onReading={(state) => onReading("a bag weighs", state)}
        />
      ) : (
        <MeasureField
          label="A bag holds"
          limit="bag"
          width="112px"
          eager
          density_kg_m3={material?.loose_kg_m3 ?? undefined}
          placeholder={units === "ft_in" ? "1.5 cu ft" : "40 L"}
          shown={draft.volume_m3 ? typedVolume(draft.volume_m3, units) : ""}
          onMeaning={({ values: [volume_m3] }) => onChange({ volume_m3 })}
          onReading={(state) => onReading("a bag holds", state)}
        />
      )}
      <MeasureField
        label="Price a bag"
        limit="price"
        width="98px"
        eager
        placeholder="6.20"
        shown={draft.price ? showMoney(draft.price, currency) : ""}
        onMeaning={({ money }) => money != null && onChange({ price: String(money) })}
        onReading={(state) => onReading("price a bag", state)}
      />
    </>
  );
}

function Loose({ draft, material, onChange, onReading }: FieldsProps) {
  const { units, currency } = useShowing();
  const bulk = (value: number | null | undefined) => (value ? showBulkVolume(value, units) : "");
  const example = units === "ft_in" ? "1/2 yd" : "0.5 m3";
  const density_kg_m3 = material?.loose_kg_m3 ?? undefined;
  return (
    <>
      <MeasureField
        label="Price"
        limit="unit_price"
        width="126px"
        eager
        density_kg_m3={density_kg_m3}
        placeholder={units === "ft_in" ? "48 a yd" : "62.80 a m3"}
        shown={draft.price_per_m3 ? showUnitPrice(draft.price_per_m3, { units, currency }) : ""}
        onMeaning={({ money }) => money != null && onChange({ price_per_m3: String(money) })}
        onReading={(state) => onReading("price", state)}
      />
      <MeasureField
        label="In steps of"
        limit="bulk"
        width="90px"
        eager
        density_kg_m3={density_kg_m3}
        placeholder={example}
        shown={bulk(draft.step_m3)}
        onMeaning={({ values: [step_m3] }) => onChange({ step_m3 })}
        onReading={(state) => onReading("in steps of", state)}
      />
      <MeasureField
        label="Not below"
        limit="stock"
        width="90px"
        eager
        density_kg_m3={density_kg_m3}
        placeholder={example}
        shown={bulk(draft.minimum_m3)}
        onMeaning={({ values: [minimum_m3] }) => onChange({ minimum_m3 })}
        onReading={(state) => onReading("not below", state)}
      />
      <MeasureField
        label="A load brings"
        limit="bulk"
        width="96px"
        eager
        density_kg_m3={density_kg_m3}
        placeholder="all"
        shown={bulk(draft.load_m3)}
        onMeaning={({ values: [load_m3] }) => onChange({ load_m3 })}
        onReading={(state) => onReading("a load brings", state)}
      />
    </>
  );
}
