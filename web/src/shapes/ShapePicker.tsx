import FormControl from "@mui/material/FormControl";
import FormLabel from "@mui/material/FormLabel";
import { ShapeChoice, ShapeGroup, ShapeRow } from "./shapes.styles";
import { SHAPES } from "../api/words";
import type { ShapeKind } from "../api/client";
import { arrowChoice } from "../kit/arrowChoice";
import { KINDS } from "./kinds";
import { ShapeSign } from "../drawing/ShapeSign";

type Props = { value: ShapeKind; onChoose: (kind: ShapeKind) => void };

const withWalls = (walled: boolean) => KINDS.filter(({ kind }) => SHAPES[kind].walled === walled);
const IN_ORDER = [...withWalls(true), ...withWalls(false)].map(({ kind }) => kind);

/** Every shape by its own outline. */
export function ShapePicker({ value, onChoose }: Props) {
  return (
    <FormControl
      component="fieldset"
      role="radiogroup"
      aria-label="Its shape"
      onKeyDown={(event) => arrowChoice(event, IN_ORDER, value, onChoose)}
    >
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
