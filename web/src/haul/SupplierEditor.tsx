import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import type { Material, Offer, Supplier } from "../api/client";
import { FIT_ANY, SIDES } from "../api/wares";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { todayHere } from "../kit/todayHere";
import { useWhenReady } from "../kit/useWhenReady";
import { showMoney } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { OfferRow, type OfferDraft } from "./OfferRow";
import { useReadings } from "../quantities/useReadings";

type Props = {
  gardenId: number;
  supplier: Supplier;
  materials: ReadonlyMap<string, Material>;
  onKeep: (supplier: Supplier) => void;
  onLeave: () => void;
  onForget?: () => void;
};

/** A supplier's name, delivery and offers. Nothing is kept until it is complete and kept as a whole. */
export function SupplierEditor({ gardenId, supplier, materials, onKeep, onLeave, onForget }: Props) {
  const { currency } = useShowing();
  const [name, setName] = useState(supplier.name ?? "");
  const [delivery, setDelivery] = useState(supplier.delivery ?? "0.00");
  const [free_over, setFreeOver] = useState(supplier.free_over);
  const [minimum_order, setMinimumOrder] = useState(supplier.minimum_order);
  const next = useRef(supplier.offers?.length ?? 0);
  const [drafts, setDrafts] = useState<OfferDraft[]>(() =>
    (supplier.offers ?? []).map((offer, id) => ({ id, ...offer })),
  );
  const [lacking, setLacking] = useState<string | null>(null);
  const readings = useReadings();

  const keep = () => {
    const offers = drafts.map(complete);
    const open = offers.findIndex((offer) => offer === null);
    const unread = readings.refused();
    if (!name.trim()) return setLacking("The supplier has no name yet.");
    if (unread) return setLacking(`${unread} isn't understood yet.`);
    if (open >= 0) return setLacking(`Offer ${open + 1} still lacks its material, size or price.`);
    setLacking(null);
    onKeep({
      key: supplier.key,
      name: name.trim(),
      delivery,
      ...given({ free_over, minimum_order, distance_m: supplier.distance_m }),
      offers: offers.filter((offer) => offer !== null),
    });
  };
  // pressed while the last measure is still being read, it waits for that
  const keepSoon = useWhenReady(!readings.asking, keep);
  const change = (id: number, changed: Partial<OfferDraft>) =>
    setDrafts((all) =>
      all.map((draft) => (draft.id === id ? { ...draft, ...changed, ...dated(changed) } : draft)),
    );

  return (
    <Column sx={{ marginTop: 3 }}>
      <Row sx={{ alignItems: "flex-end" }}>
        <TextField
          label="Supplier"
          value={name}
          onChange={(event) => setName(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <MeasureField
          label="One delivery costs"
          limit="price"
          width="130px"
          eager
          shown={showMoney(delivery, currency)}
          onMeaning={({ money }) => money != null && setDelivery(String(money))}
          onReading={readings.of("The delivery")}
        />
        <MeasureField
          label="free from an order of"
          limit="price"
          width="150px"
          eager
          placeholder="never"
          shown={free_over == null ? "" : showMoney(free_over, currency)}
          onMeaning={({ money }) => money != null && setFreeOver(String(money))}
          onReading={readings.of("From when it is free")}
        />
        <MeasureField
          label="Delivers from"
          limit="price"
          width="130px"
          eager
          placeholder="any order"
          shown={minimum_order == null ? "" : showMoney(minimum_order, currency)}
          onMeaning={({ money }) => money != null && setMinimumOrder(String(money))}
          onReading={readings.of("The least order")}
        />
      </Row>
      {drafts.map((draft, index) => (
        <OfferRow
          key={draft.id}
          gardenId={gardenId}
          number={index + 1}
          draft={draft}
          materials={materials}
          onChange={(changed) => change(draft.id, changed)}
          onReading={(field, state) => readings.of(`Offer ${index + 1}, ${field}`)(state)}
          onRemove={() => setDrafts((all) => all.filter((each) => each.id !== draft.id))}
        />
      ))}
      <Row>
        <Button
          onClick={() => setDrafts((all) => [...all, { id: next.current++, form: "bag", fetch: false }])}
        >
          Add an offer
        </Button>
        <Button
          onClick={() =>
            setDrafts((all) => [...all, { id: next.current++, form: "piece", material: "drain_pipe" }])
          }
        >
          Add boards, bricks, pipe or crates
        </Button>
      </Row>
      {lacking && <Problem>{lacking}</Problem>}
      <Row>
        <Button variant="contained" onClick={keepSoon}>
          Keep these offers
        </Button>
        <Button onClick={onLeave}>Leave as it was</Button>
        {onForget && (
          <Button variant="text" color="primary" onClick={onForget}>
            Forget this supplier
          </Button>
        )}
      </Row>
    </Column>
  );
}

/** An offer with everything it needs, or null while something lacks. */
function complete(draft: OfferDraft): Offer | null {
  const { material, fetch = false, price, key, at_most, deal, priced_on } = draft;
  if (!material) return null;
  const terms = given({ key, at_most, deal, priced_on });
  if (draft.form === "bulk") {
    const { price_per_m3, price_per_t, step_m3, minimum_m3, load_m3, tiers, step_kg, minimum_kg } = draft;
    if (price_per_t)
      return {
        form: "bulk",
        material,
        price_per_t,
        load_m3,
        fetch,
        ...given({ step_kg, minimum_kg, key, at_most, priced_on }),
      };
    return price_per_m3
      ? {
          form: "bulk",
          material,
          price_per_m3,
          step_m3,
          minimum_m3,
          load_m3,
          fetch,
          ...given({ tiers, key, at_most, priced_on }),
        }
      : null;
  }
  if (!price) return null;
  if (draft.form === "bag") {
    const { volume_m3, mass_kg, expands_to_m3 } = draft;
    const swelling = given({ expands_to_m3 });
    if (mass_kg) return { form: "bag", material, mass_kg, price, fetch, ...terms, ...swelling };
    if (!volume_m3 && !expands_to_m3) return null;
    return { form: "bag", material, volume_m3, price, fetch, ...terms, ...swelling };
  }
  const { length_m, width_m, count } = draft;
  if (draft.form === "roll")
    return width_m && length_m ? { form: "roll", material, width_m, length_m, price, fetch, ...terms } : null;
  const size = sizeOf(material, draft);
  if (!size) return null;
  if (draft.form === "pack")
    return count ? { form: "pack", material, count, ...size, price, fetch, ...terms } : null;
  return { form: "piece", material, ...size, price, fetch, ...terms };
}

/** A price that was changed by hand is of today. */
function dated(changed: Partial<OfferDraft>): Partial<OfferDraft> {
  return changed.price != null || changed.price_per_m3 != null ? { priced_on: todayHere() } : {};
}

/** What is said of some terms. */
function given<T extends object>(terms: T): Partial<T> {
  return Object.fromEntries(Object.entries(terms).filter(([, value]) => value != null)) as Partial<T>;
}

type Side = "length_m" | "width_m" | "height_m" | "diameter_m" | "thickness_m";
const SHEET_SIDES: readonly string[] = ["length_m", "width_m"];

/** What says how large a piece is, or null while some of it lacks. */
function sizeOf(material: string, draft: OfferDraft): Partial<Record<Side, number>> | null {
  const sides = (SIDES[material] ?? SHEET_SIDES) as readonly Side[];
  const given = sides.filter((side) => draft[side]);
  if (given.length < sides.length && !(given.length === 0 && FIT_ANY.includes(material))) return null;
  return Object.fromEntries(given.map((side) => [side, draft[side]]));
}
