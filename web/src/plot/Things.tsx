import Typography from "@mui/material/Typography";
import IconButton from "@mui/material/IconButton";
import Button from "@mui/material/Button";
import { useEffect, useLayoutEffect, useRef } from "react";
import { useSearchParams } from "react-router";
import { Row } from "../kit/Row";
import { PlotPanel, PlotPlacing, PlotPoints, PlotThings } from "./plot-sheet.styles";
import { meant } from "../api/meant";
import type { Fixed, Plot } from "../api/client";
import { trimmed, typedLength } from "../quantities/format";
import { Disclosure } from "../kit/Disclosure";
import { NameField } from "../kit/NameField";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { placePoints, type Placing } from "./placing";

type Props = {
  plot: Plot;
  placing: Placing;
  onEdit: (change: (plot: Plot) => Plot) => void;
  onPlacing: (placing: Placing) => void;
};

const POINTS = [
  "tree",
  "stump",
  "tap",
  "door",
  "gate",
  "drain",
  "compost_heap",
  "shed",
  "patio",
  "pond",
] as const;
const LINES = ["house", "wall", "fence", "service"] as const;
const NAMES: Record<Fixed["kind"], string> = {
  house: "House wall",
  wall: "Garden wall",
  fence: "Fence",
  service: "Buried pipe or cable",
  tree: "Tree",
  tap: "Tap",
  door: "Door",
  drain: "Drain",
  gate: "Gate",
  compost_heap: "Compost heap",
  shed: "Shed",
  patio: "Patio",
  pond: "Pond",
  stump: "Stump",
};

/** What is met while digging, and marked at once where the address says so. */
const FOUND = ["stump", "service"] as const;
const WIDE: readonly Fixed["kind"][] = ["tree", "stump", "compost_heap", "shed", "patio", "pond", "gate"];
const HIGH: readonly Fixed["kind"][] = ["tree", "shed", "house", "wall", "fence"];

/** What stays where it is: put there by a click, moved by typing. */
export function Things({ plot, placing, onEdit, onPlacing }: Props) {
  const { units } = useShowing();
  const fixed = plot.fixed ?? [];
  const add = (thing: Fixed) => onEdit((now) => ({ ...now, fixed: [...(now.fixed ?? []), thing] }));
  const change = (index: number, next: Partial<Fixed>) =>
    onEdit((now) => ({
      ...now,
      fixed: (now.fixed ?? []).map((each, at) => (at === index ? { ...each, ...next } : each)),
    }));
  const start = (kind: Fixed["kind"]) => {
    const name = NAMES[kind];
    if ((POINTS as readonly string[]).includes(kind)) {
      onPlacing({
        say: `Click where the ${name.toLowerCase()} stands.`,
        put: (at) => {
          add({ kind, name, at_m: at });
          onPlacing(null);
        },
      });
      return;
    }
    placePoints({
      onPlacing,
      first: `Click where the ${name.toLowerCase()} begins.`,
      next: "Click its next corner",
      least: 2,
      onDone: (line_m) => add({ kind, name, line_m }),
    });
  };
  const startNow = useRef(start);
  useLayoutEffect(() => {
    startNow.current = start;
  });
  const [asked, setAsked] = useSearchParams();
  const found = FOUND.find((kind) => kind === asked.get("found"));
  useEffect(() => {
    if (!found) return;
    setAsked({}, { replace: true });
    startNow.current(found);
  }, [found, setAsked]);
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="things-title">
      <Typography variant="panelTitle" id="things-title">
        What stays where it is
      </Typography>
      {placing && !placing.toldBy ? (
        <PlotPlacing severity="info" role="status">
          {placing.say} {placing.done && <Button onClick={placing.done}>Done</Button>}
          <Button onClick={() => onPlacing(null)}>Leave it</Button>
        </PlotPlacing>
      ) : (
        <Row>
          {[...POINTS, ...LINES].map((kind) => (
            <Button key={kind} onClick={() => start(kind)}>
              + {NAMES[kind]}
            </Button>
          ))}
        </Row>
      )}
      <PlotThings>
        {fixed.map((thing, index) => (
          <li key={index}>
            <NameField
              label={`Name of ${NAMES[thing.kind].toLowerCase()} ${index + 1}`}
              name={thing.name ?? NAMES[thing.kind]}
              onName={(name) => change(index, { name })}
            />
            {WIDE.includes(thing.kind) && (
              <MeasureField
                label={`${thing.kind === "tree" ? "Trunk of" : "Across"} ${thing.name ?? NAMES[thing.kind].toLowerCase()}`}
                hideLabel
                limit="length"
                width="90px"
                placeholder="across"
                shown={thing.across_m == null ? "" : typedLength(thing.across_m, units)}
                onMeaning={({ values: [across_m] }) => change(index, { across_m })}
              />
            )}
            {HIGH.includes(thing.kind) && (
              <MeasureField
                label={`Height of ${thing.name ?? NAMES[thing.kind].toLowerCase()}`}
                hideLabel
                limit="length"
                width="90px"
                placeholder="height"
                shown={thing.height_m == null ? "" : typedLength(thing.height_m, units)}
                onMeaning={({ values: [height_m] }) => change(index, { height_m })}
              />
            )}
            <IconButton
              aria-label={`Remove ${thing.name ?? NAMES[thing.kind]}`}
              onClick={() =>
                onEdit((now) => ({ ...now, fixed: (now.fixed ?? []).filter((_, at) => at !== index) }))
              }
            >
              ×
            </IconButton>
            <PlotPoints>
              <Disclosure
                title={
                  thing.line_m ? `its ${thing.line_m.length} points, along and up` : "its place, along and up"
                }
              >
                {() => (
                  <>
                    {(thing.line_m ?? [thing.at_m ?? [0, 0]]).map((point, corner) => (
                      <Row key={corner}>
                        {([0, 1] as const).map((axis) => (
                          <MeasureField
                            key={axis}
                            label={`${thing.name ?? NAMES[thing.kind]} ${corner + 1}, ${axis ? "up" : "along"}`}
                            hideLabel
                            limit="place"
                            width="96px"
                            shown={typedLength(point[axis] ?? 0, units)}
                            onMeaning={({ values: [value = 0] }) => {
                              const moved = point.map((each, at) => (at === axis ? value : each));
                              change(
                                index,
                                thing.line_m
                                  ? { line_m: thing.line_m.map((each, at) => (at === corner ? moved : each)) }
                                  : { at_m: moved },
                              );
                            }}
                          />
                        ))}
                      </Row>
                    ))}
                  </>
                )}
              </Disclosure>
            </PlotPoints>
          </li>
        ))}
      </PlotThings>
      <MeasureField
        label="North, ° clockwise from straight up"
        limit="turn"
        width="112px"
        shown={trimmed(meant("Plot", plot, "north_deg"), 1)}
        onMeaning={({ values: [north_deg = 0] }) => onEdit((now) => ({ ...now, north_deg }))}
      />
    </PlotPanel>
  );
}
