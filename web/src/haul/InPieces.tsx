import { SIDES } from "../api/wares";
import { showMoney, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import type { FieldsProps } from "./OfferRow";

type Side = "length_m" | "width_m" | "height_m" | "diameter_m" | "thickness_m";
const SHEET_SIDES: readonly Side[] = ["width_m", "length_m"];
const NAMES: Record<Side, string> = {
  diameter_m: "Diameter",
  length_m: "Long",
  width_m: "Wide",
  height_m: "High",
  thickness_m: "Thick",
};

/** Off the roll, by the piece or by the pack: how large it is, and what it costs. */
export function InPieces({ draft, onChange, onReading }: FieldsProps) {
  const { units, currency } = useShowing();
  const sides = (SIDES[draft.material ?? ""] ?? SHEET_SIDES) as readonly Side[];
  return (
    <>
      {draft.form === "pack" && (
        <MeasureField
          label="In a pack"
          limit="count"
          width="76px"
          eager
          shown={draft.count ? String(draft.count) : ""}
          onMeaning={({ values: [count] }) => onChange({ count })}
          onReading={(state) => onReading("in a pack", state)}
        />
      )}
      {sides.map((side) => (
        <MeasureField
          key={side}
          label={NAMES[side]}
          limit={side === "thickness_m" ? "board" : "length"}
          width="96px"
          eager
          shown={draft[side] ? typedLength(draft[side], units) : ""}
          onMeaning={({ values: [value] }) => onChange({ [side]: value })}
          onReading={(state) => onReading(NAMES[side].toLowerCase(), state)}
        />
      ))}
      <MeasureField
        label={draft.form === "roll" ? "Price a roll" : draft.form === "pack" ? "Price a pack" : "Price each"}
        limit="price"
        width="98px"
        eager
        placeholder="6.20"
        shown={draft.price ? showMoney(draft.price, currency) : ""}
        onMeaning={({ money }) => money != null && onChange({ price: String(money) })}
        onReading={(state) => onReading("price", state)}
      />
    </>
  );
}
