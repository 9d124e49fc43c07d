import { SHAPES } from "../api/words";
import type { KeyboardEvent } from "react";
import type { ShapeKind } from "../api/client";
import { KINDS } from "./kinds";
import { ShapeSign } from "./ShapeSign";
import "./shapes.css";

type Props = { value: ShapeKind; onChoose: (kind: ShapeKind) => void };

const withWalls = (walled: boolean) => KINDS.filter(({ kind }) => SHAPES[kind].walled === walled);
const IN_ORDER = [...withWalls(true), ...withWalls(false)];

/** Every shape by its own outline. */
export function ShapePicker({ value, onChoose }: Props) {
  /** One stop for the tab key; the arrows go from shape to shape. */
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    const at = (IN_ORDER.findIndex(({ kind }) => kind === value) + by + IN_ORDER.length) % IN_ORDER.length;
    onChoose(IN_ORDER[at]?.kind ?? value);
    event.currentTarget.querySelectorAll<HTMLElement>("[role=radio]")[at]?.focus();
  };
  return (
    <fieldset className="shape-picker" role="radiogroup" onKeyDown={onKeyDown}>
      <legend className="measure-label">Its shape</legend>
      {[true, false].map((walled) => (
        <div key={String(walled)} className="shape-row">
          <span className="shape-group">{walled ? "with walls" : "in or on the ground"}</span>
          {withWalls(walled).map(({ kind, name }) => (
            <button
              key={kind}
              type="button"
              className={`shape-choice ${kind === value ? "is-chosen" : ""}`}
              role="radio"
              aria-checked={kind === value}
              tabIndex={kind === value ? 0 : -1}
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
