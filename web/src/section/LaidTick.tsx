import { withLaid, type LayerEdit } from "../draft/edits";
import { Tick } from "../kit/Tick";

/** Ticked once a layer lies in the bed; laid in part it says how far. */
export default function LaidTick({ laid, onEdit }: { laid: number; onEdit: LayerEdit }) {
  const part = laid > 0 && laid < 1;
  return (
    <Tick
      label={part ? `${Math.round(laid * 100)} % laid` : "laid"}
      checked={laid >= 1}
      onTick={(ticked) => onEdit((bed, index) => withLaid(bed, index, ticked ? 1 : 0))}
    />
  );
}
