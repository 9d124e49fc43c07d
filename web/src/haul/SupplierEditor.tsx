import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { Problem } from "../kit/Problem";
import { SupplierEditorBox } from "./haul.styles";
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
    <SupplierEditorBox>
      <Row>
        <label>
          <span>Supplier</span>
          <input
           
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
      </Row>
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
      <Row>
        <Button
         
          onClick={() => setDrafts((all) => [...all, { id: next.current++, form: "bag", fetch: false }])}
        >
          Add an offer
        </Button>
      </Row>
      {(lacking ?? error) && <Problem role="alert">{lacking ?? saidOf(error)}</Problem>}
      <Row>
        <Button variant="contained" disabled={save.isPending} onClick={submit}>
          Keep these offers
        </Button>
        <Button onClick={onLeave}>
          Leave as it was
        </Button>
        {!fresh && (
          <Button variant="text" color="primary" onClick={() => remove.mutate()}>
            Forget this supplier
          </Button>
        )}
      </Row>
    </SupplierEditorBox>
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
