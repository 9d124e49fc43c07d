export type At = [number, number];

/** What a click on the ground puts there, and what it says meanwhile. */
export type Placing = {
  say: string;
  put: (at: At) => void;
  done?: () => void;
  /** What has been clicked of it so far. */
  line?: readonly At[];
  /** Where it is told, where that isn't beside the things. */
  toldBy?: "paths" | "line";
} | null;

type Points = {
  onPlacing: (placing: Placing) => void;
  toldBy?: "paths" | "line";
  /** What is said before the first click, and before each that follows. */
  first: string;
  next: string;
  /** How many make it whole. */
  least: number;
  onDone: (line: At[]) => void;
};

/** Take points of a line or an outline, click by click, until it is said to be done. */
export function placePoints({ onPlacing, toldBy, first, next, least, onDone }: Points): void {
  const take = (line: readonly At[]) => {
    const whole = line.length >= least;
    onPlacing({
      toldBy,
      line,
      say: line.length === 0 ? first : whole ? `${next}, or say it is done.` : `${next}.`,
      put: (at) => take([...line, at]),
      done: whole
        ? () => {
            onDone([...line]);
            onPlacing(null);
          }
        : undefined,
    });
  };
  take([]);
}
