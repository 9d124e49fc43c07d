import Button from "@mui/material/Button";
import { useState } from "react";
import { Row } from "../kit/Row";
import { showBulkVolume, showMoney, showUnitPrice, typedVolume } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import type { FieldsProps } from "./OfferRow";

/** On which terms an offer is sold beside its price: deals, what the shop has, a swelling bale, a price from a volume on. */
export function OfferTermsFields(props: FieldsProps) {
  const { draft } = props;
  const said =
    draft.deal != null ||
    draft.at_most != null ||
    draft.expands_to_m3 != null ||
    (draft.tiers?.length ?? 0) > 0;
  const [open, setOpen] = useState(said);
  if (!open)
    return (
      <Button variant="text" onClick={() => setOpen(true)}>
        Deals and terms
      </Button>
    );
  return (
    <Row sx={{ alignItems: "flex-end" }} data-part="offer-terms">
      {draft.form === "bulk" ? <OfLoads {...props} /> : <OfCounted {...props} />}
    </Row>
  );
}

function OfCounted({ draft, onChange, onReading }: FieldsProps) {
  const { units, currency } = useShowing();
  const { deal, at_most, expands_to_m3 } = draft;
  const dealt = (change: Partial<NonNullable<typeof deal>>) => ({
    deal: { count: 2, price: draft.price ?? "0.00", ...deal, ...change },
  });
  return (
    <>
      <MeasureField
        label="Together"
        limit="count"
        width="84px"
        eager
        placeholder="no deal"
        shown={deal ? String(deal.count) : ""}
        onMeaning={({ values: [count] }) => count !== undefined && onChange(dealt({ count }))}
        onReading={(state) => onReading("how many together", state)}
      />
      <MeasureField
        label="they cost"
        limit="price"
        width="98px"
        eager
        shown={deal ? showMoney(deal.price, currency) : ""}
        onMeaning={({ money }) => money != null && onChange(dealt({ price: String(money) }))}
        onReading={(state) => onReading("what they cost together", state)}
      />
      {deal && <Button onClick={() => onChange({ deal: null })}>No deal</Button>}
      <MeasureField
        label="They have"
        limit="count"
        width="84px"
        eager
        placeholder="enough"
        shown={at_most == null ? "" : String(at_most)}
        onMeaning={({ values: [value] }) => onChange({ at_most: value })}
        onReading={(state) => onReading("they have", state)}
      />
      {draft.form === "bag" && (
        <MeasureField
          label="Swells to"
          limit="bag"
          width="98px"
          eager
          placeholder="doesn't"
          shown={expands_to_m3 == null ? "" : typedVolume(expands_to_m3, units)}
          onMeaning={({ values: [value] }) => onChange({ expands_to_m3: value })}
          onReading={(state) => onReading("swells to", state)}
        />
      )}
    </>
  );
}

function OfLoads({ draft, onChange, onReading }: FieldsProps) {
  const { units, currency } = useShowing();
  const [first, ...others] = draft.tiers ?? [];
  const tiered = (change: Partial<NonNullable<typeof first>>) => ({
    tiers: [{ from_m3: 1, price_per_m3: draft.price_per_m3 ?? "0.00", ...first, ...change }, ...others],
  });
  return (
    <>
      <MeasureField
        label="From"
        limit="bulk"
        width="96px"
        eager
        placeholder="one price"
        shown={first ? showBulkVolume(first.from_m3, units) : ""}
        onMeaning={({ values: [from_m3] }) => from_m3 !== undefined && onChange(tiered({ from_m3 }))}
        onReading={(state) => onReading("from which volume", state)}
      />
      <MeasureField
        label="all of it at"
        limit="unit_price"
        width="126px"
        eager
        shown={first ? showUnitPrice(first.price_per_m3, { units, currency }) : ""}
        onMeaning={({ money }) => money != null && onChange(tiered({ price_per_m3: String(money) }))}
        onReading={(state) => onReading("the price from there", state)}
      />
      {first && (
        <Button onClick={() => onChange({ tiers: others.length > 0 ? others : null })}>One price</Button>
      )}
      <MeasureField
        label="They have"
        limit="bulk"
        width="96px"
        eager
        placeholder="enough"
        shown={draft.at_most == null ? "" : showBulkVolume(draft.at_most, units)}
        onMeaning={({ values: [value] }) => onChange({ at_most: value })}
        onReading={(state) => onReading("they have", state)}
      />
    </>
  );
}
