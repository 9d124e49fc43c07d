/** Snapping a moved bed to its neighbours: an aisle apart, or edge to edge in line. */

export type Box = { left: number; right: number; low: number; high: number };

/** The upright box round a rectangle that is turned about its middle [m, deg]. */
export function boxRound(x: number, y: number, length: number, width: number, turn_deg: number): Box {
  const turn = (turn_deg * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(turn)), Math.abs(Math.sin(turn))];
  const half = (length * cos + width * sin) / 2;
  const tall = (length * sin + width * cos) / 2;
  return { left: x - half, right: x + half, low: y - tall, high: y + tall };
}

/** How far to shift a box so that it stands an aisle from a neighbour or in line with it; nothing where none is near. */
export function snapShift(box: Box, others: readonly Box[], aisle: number, near: number): [number, number] {
  const xs: number[] = [];
  const ys: number[] = [];
  for (const other of others) {
    const beside = other.low - aisle <= box.high && box.low <= other.high + aisle;
    const over = other.left - aisle <= box.right && box.left <= other.right + aisle;
    if (beside) xs.push(other.right + aisle - box.left, other.left - aisle - box.right);
    if (over) ys.push(other.high + aisle - box.low, other.low - aisle - box.high);
    if (over) xs.push(other.left - box.left, other.right - box.right);
    if (beside) ys.push(other.low - box.low, other.high - box.high);
  }
  return [nearest(xs, near), nearest(ys, near)];
}

function nearest(shifts: readonly number[], near: number): number {
  let best = 0;
  let least = near;
  for (const shift of shifts) {
    if (Math.abs(shift) >= least) continue;
    least = Math.abs(shift);
    best = shift;
  }
  return best;
}
