import type { KeptBed } from "../api/client";

type Props = { current: KeptBed; onSettle: (keep: "mine" | "theirs") => void };

/** Somebody (or another window) saved a newer version meanwhile: nothing is lost until one is chosen. */
export function StaleNotice({ current, onSettle }: Props) {
  const layers = current.bed.layers.length;
  return (
    <div className="section-problem" role="alert">
      <p>
        This bed was changed elsewhere, with {layers === 1 ? "1 layer" : `${layers} layers`} now. Yours is not
        saved yet. Whichever you keep, undo brings the other back here.
      </p>
      <button type="button" className="text-button" onClick={() => onSettle("mine")}>
        Keep mine
      </button>{" "}
      <button type="button" className="text-button" onClick={() => onSettle("theirs")}>
        Take the newer one
      </button>
    </div>
  );
}
