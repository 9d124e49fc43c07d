import type { Material } from "../api/client";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = {
  gardenId: number;
  open: boolean;
  canSplit: boolean;
  onOpen: (open: boolean) => void;
  onChoose: (material: Material) => void;
};

/** The place for the next layer: it goes on top of the chosen one, or on top of all. */
export function AddLayer({ gardenId, open, canSplit, onOpen, onChoose }: Props) {
  if (open) {
    return (
      <div className="add-layer is-open">
        <MaterialFinder
          gardenId={gardenId}
          label={canSplit ? "New layer over the chosen one" : "New layer on top"}
          value={null}
          autoFocus
          onChoose={onChoose}
          onLeave={() => onOpen(false)}
        />
      </div>
    );
  }
  return (
    <div className="add-layer">
      <button type="button" onClick={() => onOpen(true)}>
        Add a layer <kbd>A</kbd>
      </button>
      <span className="add-hints" aria-hidden="true">
        Split <kbd>S</kbd> Move <kbd>Alt</kbd> <kbd>↑↓</kbd>
      </span>
    </div>
  );
}
