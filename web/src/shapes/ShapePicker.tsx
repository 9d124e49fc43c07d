import FormControl from "@mui/material/FormControl";
import FormLabel from "@mui/material/FormLabel";
import { ShapeChoice, ShapeGroup, ShapeRow } from "./shapes.styles";
import { SHAPES } from "../api/words";
import type { KeyboardEvent } from "react";
import type { ShapeKind } from "../api/client";
import { KINDS } from "./kinds";
import { ShapeSign } from "../drawing/ShapeSign";

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
    <FormControl component="fieldset" role="radiogroup" aria-label="Its shape" onKeyDown={onKeyDown}>
      <FormLabel component="legend" sx={{ marginBottom: 1, fontSize: 13, color: "soft" }}>
        Its shape
      </FormLabel>
      {[true, false].map((walled) => (
        <ShapeRow key={String(walled)}>
          <ShapeGroup>{walled ? "with walls" : "in or on the ground"}</ShapeGroup>
          {withWalls(walled).map(({ kind, name }) => (
            <ShapeChoice
              key={kind}
              data-chosen={kind === value || undefined}
              role="radio"
              aria-checked={kind === value}
              tabIndex={kind === value ? 0 : -1}
              onClick={() => onChoose(kind)}
            >
              <ShapeSign kind={kind} size={46} />
              {name}
            </ShapeChoice>
          ))}
        </ShapeRow>
      ))}
    </FormControl>
  );
}
