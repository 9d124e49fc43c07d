import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { showDay } from "../quantities/format";
import type { SeasonFigures } from "./seasonApi";

type Props = { said: SeasonFigures["differently"] };

/** What the gardener would do differently next time, in their own words. */
export function SaidDifferently({ said }: Props) {
  return (
    <Column data-part="said-differently">
      {said.map(({ bed, name, on, text }, index) => (
        <Note key={`${bed} ${on} ${index}`}>
          <Note component="span" sx={{ color: "ink" }}>
            {text}
          </Note>{" "}
          {name || "The garden"}, {showDay(on)}
        </Note>
      ))}
    </Column>
  );
}
