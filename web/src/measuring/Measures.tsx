import { useLayoutEffect, useRef, useState } from "react";
import { Row } from "../kit/Row";
import { typedLength, type Units } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import type { Kind } from "../shapes/kinds";
import type { MeasuresTyped } from "./useMeasures";

type Props = { kind: Kind; units: Units; measures: MeasuresTyped };

/** Whether a shape's first measures are said in one breath: so long, so wide, so deep. */
function inOneBreath(kind: Kind): readonly string[] {
  const keys = kind.measures.slice(0, 3).map(({ key }) => key);
  const [first, second, third] = keys;
  if (first !== "length_m" || second !== "width_m") return [];
  return third === "depth_m" || third === "height_m" ? keys : keys.slice(0, 2);
}

/** The measures of a shape: all in one field, or one by one. */
export function Measures({ kind, units, measures }: Props) {
  const ft = units === "ft_in";
  const breath = inOneBreath(kind);
  const [typedAtOnce, setTypedAtOnce] = useState(0);
  const row = useRef<HTMLDivElement>(null);
  const focused = useRef(-1);
  // the answer to "all in one" may come when the hand is in one of the fields already: it stays there
  useLayoutEffect(() => {
    if (focused.current >= 0) fieldsOf(row.current)[focused.current]?.focus();
    focused.current = -1;
  }, [typedAtOnce]);
  const takeAll = (given: readonly number[]) => {
    const [one = 0, two = 0, ...rest] = given;
    const [length, width] = one >= two ? [one, two] : [two, one];
    const all = [length, width, ...rest].slice(0, breath.length);
    measures.put(Object.fromEntries(all.map((value, index) => [breath[index] ?? "", value])));
    focused.current = fieldsOf(row.current).findIndex((field) => field === document.activeElement);
    setTypedAtOnce((count) => count + 1);
  };
  return (
    <>
      {breath.length > 0 && (
        <MeasureField
          label="All measures in one"
          limit="bed"
          dimensions
          width="min(340px, 100%)"
          eager
          shown=""
          placeholder={ft ? "4 x 8 ft, or 4 x 8 x 10" : "1.2 x 2.4 m, or 1.2 x 2.4 x 0.3 m"}
          onMeaning={({ values }) => takeAll(values)}
          onReading={(state) => measures.read("at once", state)}
        />
      )}
      <Row ref={row} sx={{ alignItems: "flex-end", gap: 3 }}>
        {kind.measures.map(({ key, label, limit, ft: feet, metric }) => {
          const value = measures.values[key];
          return (
            <MeasureField
              key={`${key} ${breath.includes(key) ? typedAtOnce : ""}`}
              label={label}
              limit={limit}
              width={limit === "count" || limit === "slope" ? "112px" : "150px"}
              eager
              placeholder={ft ? feet : metric}
              shown={shownOf(value, limit, units)}
              onMeaning={({ values: [read] }) => read !== undefined && measures.put({ [key]: read })}
              onReading={(state) => {
                measures.read(key, state);
                // while it is typed anew it doesn't count; untouched, what was said in one breath does
                if (state === "refused" || state === "either" || state === "asking") measures.take(key);
              }}
            />
          );
        })}
      </Row>
    </>
  );
}

function fieldsOf(row: HTMLElement | null): HTMLInputElement[] {
  return [...(row?.querySelectorAll("input") ?? [])];
}

function shownOf(value: number | undefined, limit: string, units: Units): string {
  if (value === undefined) return "";
  return limit === "count" || limit === "slope" ? String(value) : typedLength(value, units);
}
