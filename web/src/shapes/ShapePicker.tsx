import type { ShapeKind } from "../api/client";
import { KINDS } from "./kinds";
import { ShapeSign } from "./ShapeSign";
import "./shapes.css";

type Props = { value: ShapeKind; onChoose: (kind: ShapeKind) => void };

/** Every shape by its own outline. */
export function ShapePicker({ value, onChoose }: Props) {
  return (
    <fieldset className="shape-picker">
      <legend className="measure-label">Its shape</legend>
      {[true, false].map((walled) => (
        <div key={String(walled)} className="shape-row">
          <span className="shape-group">{walled ? "with walls" : "in or on the ground"}</span>
          {KINDS.filter((each) => each.walled === walled).map(({ kind, name }) => (
            <button
              key={kind}
              type="button"
              className={`shape-choice ${kind === value ? "is-chosen" : ""}`}
              aria-pressed={kind === value}
              onClick={() => onChoose(kind)}
            >
              <ShapeSign kind={kind} size={46} />
              {name}
            </button>
          ))}
        </div>
      ))}
    </fieldset>
  );
}
