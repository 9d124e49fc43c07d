/** Log ends packed as they lie: on the floor, against the walls and on each other, touching and never overlapping. */

export type Circle = { x: number; y: number; r: number };

const SMALLEST_SHARE = 0.42;
const STICK_SHARE = 0.22;
const STICK_SPREAD = 0.2;
const FEWEST_TRIES = 20;
const MOST_TRIES = 150;
const SLACK = 0.05;

/** A steady sequence in [0, 1), so that the same layer is drawn alike every time. */
function sequence(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

/**
 * Circles in a box of a width and height, y upwards from its floor. `largest` is the largest radius. Sizes come in a
 * fixed order from the floor up, so that a layer that grows keeps the logs it has.
 */
export function packLogs(width: number, height: number, largest: number, seed: number): Circle[] {
  const next = sequence(seed);
  const placed: Circle[] = [];
  const top = Math.min(largest, width / 2, height / 2);
  if (top < 2) return placed;
  const tries = Math.min(
    Math.max(Math.ceil((width * height) / (largest ** 2 * 1.1)), FEWEST_TRIES),
    MOST_TRIES,
  );
  const put = (wanted: number) => {
    const found = lowest(placed, Math.min(wanted, top), width, height);
    if (found) placed.push(found);
  };
  for (let tried = 0; tried < tries; tried += 1)
    put(largest * (SMALLEST_SHARE + (1 - SMALLEST_SHARE) * next() ** 0.8));
  for (let tried = 0; tried < tries; tried += 1) put(largest * (STICK_SHARE + STICK_SPREAD * next()));
  return placed;
}

function lowest(placed: readonly Circle[], r: number, width: number, height: number): Circle | null {
  let best: Circle | null = null;
  for (const spot of spots(placed, r, width)) {
    const inside =
      spot.x >= r - SLACK &&
      spot.x <= width - r + SLACK &&
      spot.y >= r - SLACK &&
      spot.y <= height - r + SLACK;
    if (!inside || (best && spot.y >= best.y)) continue;
    if (placed.every((other) => Math.hypot(other.x - spot.x, other.y - spot.y) >= other.r + r - SLACK))
      best = spot;
  }
  return best;
}

/** Places where a circle touches two things: floor, walls, others. */
function* spots(placed: readonly Circle[], r: number, width: number): Generator<Circle> {
  yield { x: r, y: r, r };
  yield { x: width - r, y: r, r };
  for (const [index, one] of placed.entries()) {
    const reach = one.r + r;
    yield* onLine(one, reach, r, r);
    for (const wall of [r, width - r]) {
      const off = reach ** 2 - (wall - one.x) ** 2;
      if (off >= 0) yield { x: wall, y: one.y + Math.sqrt(off), r };
    }
    for (const two of placed.slice(0, index)) yield* onBoth(one, two, r);
  }
}

function* onLine(one: Circle, reach: number, y: number, r: number): Generator<Circle> {
  const off = reach ** 2 - (y - one.y) ** 2;
  if (off < 0) return;
  yield { x: one.x + Math.sqrt(off), y, r };
  yield { x: one.x - Math.sqrt(off), y, r };
}

function* onBoth(one: Circle, two: Circle, r: number): Generator<Circle> {
  const apart = Math.hypot(two.x - one.x, two.y - one.y);
  const a = one.r + r;
  const b = two.r + r;
  if (apart > a + b || apart === 0) return;
  const along = (a ** 2 - b ** 2 + apart ** 2) / (2 * apart);
  const off = Math.sqrt(Math.max(a ** 2 - along ** 2, 0));
  const ux = (two.x - one.x) / apart;
  const uy = (two.y - one.y) / apart;
  yield { x: one.x + along * ux - off * uy, y: one.y + along * uy + off * ux, r };
  yield { x: one.x + along * ux + off * uy, y: one.y + along * uy - off * ux, r };
}

const CANDIDATES = 900;
const LEAST_OF_LARGEST = 0.2;

/**
 * Circles inside an outline that isn't a box: each as large as there is room, so that it touches what is nearest.
 * `room` says how far a place is from the outline's edge, nothing where it lies outside.
 */
export function packOutline(
  room: (x: number, y: number) => number,
  { left, top, width, height }: { left: number; top: number; width: number; height: number },
  largest: number,
): Circle[] {
  const next = sequence(Math.round(width * 7 + height));
  const placed: Circle[] = [];
  for (let tried = 0; tried < CANDIDATES; tried += 1) {
    const [x, y] = [left + next() * width, top + next() * height];
    // large ones first, the gaps between them later
    const wanted = largest * (1 - 0.55 * (tried / CANDIDATES));
    let r = Math.min(room(x, y), wanted);
    for (const other of placed) r = Math.min(r, Math.hypot(other.x - x, other.y - y) - other.r);
    const least = tried < CANDIDATES / 3 ? wanted * 0.7 : largest * LEAST_OF_LARGEST;
    if (r >= Math.max(least, 1.5)) placed.push({ x, y, r });
  }
  return placed;
}
