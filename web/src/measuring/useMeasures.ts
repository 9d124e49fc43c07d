import { useCallback, useMemo, useState } from "react";
import type { Shape, ShapeKind } from "../api/client";
import type { ReadState } from "../quantities/useReading";
import { acrossLess, kindOf } from "../shapes/kinds";

type State = ReadState["state"];

const FIRST_CORNERS = [
  [0, 0],
  [2.4, 0],
  [2.4, 1.2],
  [0, 1.2],
];

/** The measures of a new bed while they are typed: kept by their keys, so that another shape keeps those it shares. */
export function useMeasures(shapeKind: ShapeKind) {
  const [values, setValues] = useState<Readonly<Record<string, number>>>({});
  const [corners, setCorners] = useState<number[][]>(FIRST_CORNERS);
  const [states, setStates] = useState<Readonly<Record<string, State>>>({});
  const wanted = kindOf({ kind: shapeKind }).measures;
  const put = useCallback(
    (given: Readonly<Record<string, number>>) => setValues((before) => ({ ...before, ...given })),
    [],
  );
  const take = useCallback(
    (key: string) =>
      setValues((before) => Object.fromEntries(Object.entries(before).filter(([each]) => each !== key))),
    [],
  );
  const read = useCallback(
    (key: string, state: State) =>
      setStates((before) => (before[key] === state ? before : { ...before, [key]: state })),
    [],
  );
  const shape = useMemo(() => {
    if (wanted.some(({ key }) => values[key] === undefined)) return null;
    const own = Object.fromEntries(wanted.map(({ key }) => [key, values[key]]));
    const taped = {
      kind: shapeKind,
      ...own,
      ...(shapeKind === "polygon" && { corners_m: corners }),
    } as Shape;
    const across_m = values.diameter_m;
    if (across_m === undefined || !("diameter_m" in taped)) return taped;
    return { ...taped, diameter_m: across_m + acrossLess(taped, "diameter_m") };
  }, [wanted, values, corners, shapeKind]);
  return {
    values,
    put,
    take,
    read,
    corners,
    setCorners,
    /** The shape, once all of it is measured. */
    shape,
    isAsking: Object.values(states).includes("asking"),
    /** What is still to be measured, by its label. */
    lacking: (walled: boolean): string[] => {
      const open = wanted.filter(({ key }) => values[key] === undefined).map(({ label }) => label);
      const wall = states.wall ?? "empty";
      return walled && ["refused", "either", "waiting"].includes(wall) ? [...open, "Wall thickness"] : open;
    },
  };
}

export type MeasuresTyped = ReturnType<typeof useMeasures>;
