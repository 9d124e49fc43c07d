import { WARES } from "../api/words";
import { showMoney, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import type { FieldsProps } from "./OfferRow";

type Side = "length_m" | "width_m" | "height_m" | "diameter_m";
const SHEET_SIDES: readonly (readonly [Side, string])[] = [
  ["width_m", "Wide"],
  ["length_m", "Long"],
];
const SIDES: Readonly<Record<string, readonly (readonly [Side, string])[]>> = {
  drain_pipe: [
    ["diameter_m", "Diameter"],
    ["length_m", "Long"],
  ],
  void_crate: [
    ["length_m", "Long, if known"],
    ["width_m", "Wide"],
    ["height_m", "High"],
  ],
};

/** Off the roll, by the piece or by the pack: how large it is, and what it costs. */
export function InPieces({ draft, onChange, onReading }: FieldsProps) {
  const { units, currency } = useShowing();
  const ware = draft.material && draft.material in WARES ? draft.material : "";
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
      {(SIDES[ware] ?? SHEET_SIDES).map(([side, label]) => (
        <MeasureField
          key={side}
          label={label}
          limit="length"
          width="96px"
          eager
          shown={draft[side] ? typedLength(draft[side], units) : ""}
          onMeaning={({ values: [value] }) => onChange({ [side]: value })}
          onReading={(state) => onReading(label.toLowerCase(), state)}
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
