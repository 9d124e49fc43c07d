import Box from "@mui/material/Box";
import type { Material, Schemas } from "../api/client";
import { hatchOf } from "../drawing/hatches";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { showLength, type Units } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";

type Line = Schemas["HaulLine"];
type Roll = Line["rolls"][number];
type Props = { line: Line; like: Material["like"] | undefined; nameOf: (bed: string) => string };

/** How rolls are cut over the beds, drawn along their length, with what is left of each. */
export function RollCuts({ line, like, nameOf }: Props) {
  const { units } = useShowing();
  const [long = 0] = line.size_m;
  if (line.rolls.length === 0 || long <= 0) return null;
  return (
    <Disclosure title={`How the ${line.name.toLowerCase()} is cut`}>
      {() => (
        <Column data-part="roll-cuts">
          {line.rolls.map((roll, index) => (
            <Box key={index}>
              <Bar roll={roll} long={long} ground={hatchOf(line.material, like).ground} />
              <Note>
                Roll {index + 1}: {stripsSaid(roll, nameOf, units)};{" "}
                {roll.left_m > 0.005 ? `${showLength(roll.left_m, units)} left` : "nothing left"}
              </Note>
            </Box>
          ))}
        </Column>
      )}
    </Disclosure>
  );
}

function Bar({ roll, long, ground }: { roll: Roll; long: number; ground: string }) {
  return (
    <Box
      aria-hidden="true"
      sx={{
        display: "flex",
        height: 22,
        border: "1px solid var(--palette-ink)",
        background: "var(--palette-sheet)",
      }}
    >
      {roll.strips.map((strip, at) => (
        <Box
          key={at}
          sx={{
            width: `${(strip.length_m / long) * 100}%`,
            background: ground,
            borderRight: "1px solid var(--palette-ink)",
          }}
        />
      ))}
    </Box>
  );
}

/** The strips of a roll by bed: how many, how long. */
function stripsSaid(roll: Roll, nameOf: (bed: string) => string, units: Units): string {
  const told = new Map<string, number>();
  for (const { bed, length_m } of roll.strips) {
    const said = `of ${showLength(length_m, units)} for ${nameOf(bed)}`;
    told.set(said, (told.get(said) ?? 0) + 1);
  }
  return [...told].map(([said, count]) => `${count} ${said}`).join(", ");
}
