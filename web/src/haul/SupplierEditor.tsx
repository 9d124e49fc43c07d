import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, saidOf, type Material, type Offer, type Supplier } from "../api/client";
import { showMoney } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { OfferRow, type OfferDraft } from "./OfferRow";

type Props = {
  gardenId: number;
  supplier: Supplier;
  fresh?: boolean;
  materials: ReadonlyMap<string, Material>;
  onSaved: () => Promise<void>;
  onLeave: () => void;
};

/** A supplier's name, delivery and offers. Nothing is kept until it is complete and saved. */
export function SupplierEditor({ gardenId, supplier, fresh = false, materials, onSaved, onLeave }: Props) {
  const { currency } = useShowing();
  const [name, setName] = useState(supplier.name ?? "");
  const [delivery, setDelivery] = useState(supplier.delivery ?? "0.00");
  const next = useRef(supplier.offers?.length ?? 0);
  const [drafts, setDrafts] = useState<OfferDraft[]>(() =>
    (supplier.offers ?? []).map((offer, id) => ({ id, ...offer })),
  );
  const [lacking, setLacking] = useState<string | null>(null);
  const save = useMutation({
    mutationFn: (changed: Supplier) =>
      fresh ? api.createSupplier(gardenId, changed) : api.saveSupplier(gardenId, changed),
    onSuccess: onSaved,
  });
  const remove = useMutation({
    mutationFn: () => api.removeSupplier(gardenId, supplier.key),
    onSuccess: onSaved,
  });
  const error = save.error ?? remove.error;

  const submit = () => {
    const offers = drafts.map(complete);
    const open = offers.findIndex((offer) => offer === null);
    if (!name.trim()) return setLacking("The supplier has no name yet.");
    if (open >= 0) return setLacking(`Offer ${open + 1} still lacks its material, size or price.`);
    setLacking(null);
    save.mutate({
      key: supplier.key,
      name: name.trim(),
      delivery,
      offers: offers.filter((offer) => offer !== null),
    });
  };
  const change = (id: number, changed: Partial<OfferDraft>) =>
    setDrafts((all) => all.map((draft) => (draft.id === id ? { ...draft, ...changed } : draft)));

  return (
    <div className="supplier-editor">
      <div className="haul-editor-row">
        <label>
          <span className="measure-label">Supplier</span>
          <input
            className="measure-input"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.currentTarget.value)}
          />
        </label>
        <MeasureField
          label="One delivery costs"
          limit="price"
          width="120px"
          eager
          shown={showMoney(delivery, currency)}
          onMeaning={({ money }) => money != null && setDelivery(String(money))}
        />
      </div>
      {drafts.map((draft, index) => (
        <OfferRow
          key={draft.id}
          gardenId={gardenId}
          number={index + 1}
          draft={draft}
          materials={materials}
          onChange={(changed) => change(draft.id, changed)}
          onRemove={() => setDrafts((all) => all.filter((each) => each.id !== draft.id))}
        />
      ))}
      <div className="haul-editor-row">
        <button
          type="button"
          className="text-button"
          onClick={() => setDrafts((all) => [...all, { id: next.current++, form: "bag", fetch: false }])}
        >
          Add an offer
        </button>
      </div>
      {(lacking ?? error) && (
        <p className="haul-problem" role="alert">
          {lacking ?? saidOf(error)}
        </p>
      )}
      <div className="haul-editor-row">
        <button type="button" className="main-button" disabled={save.isPending} onClick={submit}>
          Keep these offers
        </button>
        <button type="button" className="text-button" onClick={onLeave}>
          Leave as it was
        </button>
        {!fresh && (
          <button type="button" className="text-button is-iron" onClick={() => remove.mutate()}>
            Forget this supplier
          </button>
        )}
      </div>
    </div>
  );
}

/** An offer with everything it needs, or null while something lacks. */
function complete(draft: OfferDraft): Offer | null {
  const { material, fetch = false } = draft;
  if (!material) return null;
  if (draft.form === "bag") {
    const { volume_m3, price } = draft;
    return volume_m3 && price ? { form: "bag", material, volume_m3, price, fetch } : null;
  }
  const { price_per_m3, step_m3, minimum_m3, load_m3 } = draft;
  return price_per_m3 ? { form: "bulk", material, price_per_m3, step_m3, minimum_m3, load_m3, fetch } : null;
}
