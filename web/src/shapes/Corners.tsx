import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import { Column, Row } from "../kit/Row";
import css from "../drawing/shapes.module.css";
import { CornersBoth } from "./shapes.styles";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf } from "../api/client";
import { Choice } from "../kit/Choice";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

export type CornerList = readonly (readonly number[])[];

/** A change of the corners, told to whatever they have become meanwhile: two may be read at once. */
export type CornersChange = (now: CornerList) => number[][];

type Props = { gardenId: number; corners: CornerList; onChange: (change: CornersChange) => void };

const WAYS = [
  ["corners", "corner by corner"],
  ["sides", "sides and diagonals"],
] as const;

/** A free outline as measured: corner by corner from two lines at a right angle, or by its sides and diagonals. */
export function Corners(props: Props) {
  const [way, setWay] = useState<"corners" | "sides">("corners");
  return (
    <Column>
      <Choice label="Measured" shown options={WAYS} value={way} onChoose={setWay} />
      <CornersBoth>
        {way === "corners" ? <CornerTable {...props} /> : <Sides {...props} />}
        <CornersDrawn corners={props.corners} />
      </CornersBoth>
    </Column>
  );
}

function CornerTable({ corners, onChange }: Props) {
  const { units } = useShowing();
  const put = (index: number, axis: 0 | 1, value: number) =>
    onChange((now) => now.map((corner, at) => (at === index ? with_(corner, axis, value) : [...corner])));
  return (
    <Column>
      {corners.map((corner, index) => (
        <Row key={index}>
          <span>corner {index + 1}</span>
          {([0, 1] as const).map((axis) => (
            <MeasureField
              key={axis}
              label={`Corner ${index + 1}, ${axis ? "up" : "along"}`}
              hideLabel
              limit="place"
              width="96px"
              shown={typedLength(corner[axis] ?? 0, units)}
              onMeaning={({ values: [value = 0] }) => put(index, axis, value)}
            />
          ))}
          {corners.length > 3 && (
            <Button
              aria-label={`Leave out corner ${index + 1}`}
              onClick={() => onChange((now) => now.filter((_, at) => at !== index).map((each) => [...each]))}
            >
              Leave out
            </Button>
          )}
        </Row>
      ))}
      <Button onClick={() => onChange((now) => [...now.map((each) => [...each]), halfWay(now)])}>
        One more corner
      </Button>
    </Column>
  );
}

function with_(corner: readonly number[], axis: 0 | 1, value: number): number[] {
  return axis === 0 ? [value, corner[1] ?? 0] : [corner[0] ?? 0, value];
}

/** A new corner in the middle of the last side. */
function halfWay(corners: CornerList): number[] {
  const [last, first] = [corners.at(-1) ?? [0, 0], corners[0] ?? [0, 0]];
  return [((last[0] ?? 0) + (first[0] ?? 0)) / 2, ((last[1] ?? 0) + (first[1] ?? 0)) / 2];
}

function Sides({ gardenId, onChange }: Props) {
  const { units } = useShowing();
  const [sides, setSides] = useState<(number | undefined)[]>([undefined, undefined, undefined, undefined]);
  const [diagonals, setDiagonals] = useState<(number | undefined)[]>([undefined]);
  const close = useMutation({
    mutationFn: (measured: { sides_m: number[]; diagonals_m: number[] }) => api.corners(gardenId, measured),
    onSuccess: ({ corners_m }) => onChange(() => corners_m),
  });
  const put = (list: (number | undefined)[], index: number, value: number | undefined) =>
    list.map((each, at) => (at === index ? value : each));
  const resize = (count: number) => {
    setSides((before) => Array.from({ length: count }, (_, at) => before[at]));
    setDiagonals((before) => Array.from({ length: count - 3 }, (_, at) => before[at]));
  };
  const ready = [...sides, ...diagonals].every((each) => each !== undefined);
  const example = units === "ft_in" ? "8 ft" : "2.4 m";
  return (
    <Column>
      {sides.map((_, index) => (
        <MeasureField
          key={`side ${index}`}
          label={`Side ${index + 1}–${((index + 1) % sides.length) + 1}`}
          limit="bed"
          width="120px"
          eager
          shown=""
          placeholder={example}
          onMeaning={({ values: [value] }) => setSides((before) => put(before, index, value))}
          onReading={(state) => {
            if (state !== "read") setSides((before) => forget(before, index));
          }}
        />
      ))}
      {diagonals.map((_, index) => (
        <MeasureField
          key={`diagonal ${index}`}
          label={`Diagonal 1–${index + 3}`}
          limit="bed"
          width="120px"
          eager
          shown=""
          placeholder={example}
          onMeaning={({ values: [value] }) => setDiagonals((before) => put(before, index, value))}
          onReading={(state) => {
            if (state !== "read") setDiagonals((before) => forget(before, index));
          }}
        />
      ))}
      <Row>
        <Button onClick={() => resize(sides.length + 1)}>One more side</Button>
        {sides.length > 3 && <Button onClick={() => resize(sides.length - 1)}>One side less</Button>}
        <Button
          disabled={!ready}
          onClick={() =>
            close.mutate({
              sides_m: sides.filter((each) => each !== undefined),
              diagonals_m: diagonals.filter((each) => each !== undefined),
            })
          }
        >
          Close it
        </Button>
      </Row>
      {close.error && <Problem>{saidOf(close.error)}</Problem>}
    </Column>
  );
}

/** A measure that is being typed anew counts again once it is read. */
function forget(list: (number | undefined)[], index: number): (number | undefined)[] {
  return list[index] === undefined ? list : list.map((each, at) => (at === index ? undefined : each));
}

const SHEET = { width: 220, height: 150, margin: 18 };

/** The outline with its corners numbered. */
export function CornersDrawn({ corners }: { corners: CornerList }) {
  const xs = corners.map(([x = 0]) => x);
  const ys = corners.map(([, y = 0]) => y);
  const [left, low] = [Math.min(...xs), Math.min(...ys)];
  const [wide, high] = [Math.max(...xs) - left, Math.max(...ys) - low];
  const scale = Math.min(
    (SHEET.width - 2 * SHEET.margin) / Math.max(wide, 0.01),
    (SHEET.height - 2 * SHEET.margin) / Math.max(high, 0.01),
  );
  const at = ([x = 0, y = 0]: readonly number[]) =>
    [SHEET.margin + (x - left) * scale, SHEET.height - SHEET.margin - (y - low) * scale] as const;
  return (
    <svg
      className={css.cornersDrawn}
      width={SHEET.width}
      height={SHEET.height}
      role="img"
      aria-label="The outline"
    >
      <path d={`M${corners.map((corner) => at(corner).join(" ")).join("L")}Z`} />
      {corners.map((corner, index) => {
        const [x, y] = at(corner);
        return (
          <text key={index} x={x + (x > SHEET.width / 2 ? 5 : -12)} y={y + (y > SHEET.height / 2 ? 13 : -4)}>
            {index + 1}
          </text>
        );
      })}
    </svg>
  );
}
