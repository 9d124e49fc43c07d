import type { ShapeKind } from "../api/client";

/** Where the tape goes: from, to, what it measures, and on which side of the line that stands. */
export type Tape = readonly [number, number, number, number, string, "above" | "below" | "left" | "right"];

/** A shape from above and cut open, with the tape on it, on a sheet of 400 x 160; `sign` is what it is known by. */
export type ShapeDrawing = { plan: string; cut: string; tapes: readonly Tape[]; sign: "plan" | "cut" };

const GROUND = "M232 118H368";
const length: Tape = [24, 132, 184, 132, "length", "below"];
const width: Tape = [196, 28, 196, 118, "width", "right"];
const depth: Tape = [366, 40, 366, 118, "depth", "right"];
const boxCut = "M246 40V118H354V40";

export const DRAWINGS: Record<ShapeKind, ShapeDrawing> = {
  box: {
    plan: "M24 28H184V118H24Z",
    cut: boxCut,
    tapes: [length, width, depth],
    sign: "cut",
  },
  l_box: {
    plan: "M24 28H104V68H184V118H24Z",
    cut: boxCut,
    tapes: [
      length,
      [12, 28, 12, 118, "width", "right"],
      [106, 58, 184, 58, "notch length", "above"],
      [114, 28, 114, 66, "notch width", "right"],
      depth,
    ],
    sign: "plan",
  },
  polygon: {
    plan: "M24 108L54 28L164 40L190 96L110 124Z",
    cut: boxCut,
    tapes: [
      [24, 108, 54, 28, "1–2", "left"],
      [54, 28, 164, 40, "2–3", "above"],
      [164, 40, 190, 96, "3–4", "right"],
      [24, 108, 164, 40, "diagonal", "below"],
      depth,
    ],
    sign: "plan",
  },
  circle: {
    plan: "M149 73a45 45 0 1 1-90 0a45 45 0 1 1 90 0Z",
    cut: boxCut,
    tapes: [[59, 73, 149, 73, "across", "above"], depth],
    sign: "plan",
  },
  ellipse: {
    plan: "M184 73a80 45 0 1 1-160 0a80 45 0 1 1 160 0Z",
    cut: boxCut,
    tapes: [length, width, depth],
    sign: "plan",
  },
  stadium: {
    plan: "M69 28H139a45 45 0 0 1 0 90H69a45 45 0 0 1 0-90Z",
    cut: boxCut,
    tapes: [length, width, depth],
    sign: "plan",
  },
  regular_polygon: {
    plan: "M78 28H130L156 73L130 118H78L52 73Z",
    cut: boxCut,
    tapes: [[104, 28, 104, 118, "across the flats", "right"], depth],
    sign: "plan",
  },
  keyhole: {
    plan: "M147 62a45 45 0 1 0 0 22L118 84a17 17 0 1 1 0-22Z",
    cut: "M246 40V118H284V40M316 40V118H354V40",
    tapes: [
      [59, 138, 149, 138, "across", "below"],
      [140, 62, 140, 84, "path", "right"],
      [87, 73, 119, 73, "basket", "above"],
      depth,
    ],
    sign: "plan",
  },
  round_tub: {
    plan: "M149 73a45 45 0 1 1-90 0a45 45 0 1 1 90 0ZM135 73a31 31 0 1 1-62 0a31 31 0 1 1 62 0Z",
    cut: "M246 40L264 118H336L354 40",
    tapes: [[246, 28, 354, 28, "rim across", "above"], [264, 132, 336, 132, "base across", "below"], depth],
    sign: "cut",
  },
  trough: {
    plan: "M24 28H184V118H24ZM44 42H164V104H44Z",
    cut: "M246 40L262 118H338L354 40",
    tapes: [
      [24, 132, 184, 132, "rim length", "below"],
      [196, 28, 196, 118, "rim width", "right"],
      [44, 84, 164, 84, "base length", "above"],
      [262, 132, 338, 132, "base width", "below"],
      depth,
    ],
    sign: "cut",
  },
  lying_barrel: {
    plan: "M24 34H184V112H24ZM24 46H184M24 100H184",
    cut: "M331.2 46.6a44 44 0 1 1-62.4 0",
    tapes: [length, [256, 136, 344, 136, "across", "below"], [268, 38, 332, 38, "opening", "above"]],
    sign: "cut",
  },
  crates: {
    plan: "M24 34H76V72H24ZM78 34H130V72H78ZM132 34H184V72H132ZM24 74H76V112H24ZM78 74H130V112H78ZM132 74H184V112H132Z",
    cut: "M246 58V118H299V58M301 58V118H354V58",
    tapes: [
      [24, 124, 76, 124, "one's length", "below"],
      [196, 34, 196, 72, "one's width", "right"],
      [366, 58, 366, 118, "depth", "right"],
    ],
    sign: "plan",
  },
  trench: {
    plan: "M24 28H184V118H24ZM36 44H172V102H36Z",
    cut: "M226 48H246L266 118H334L354 48H374",
    tapes: [
      [24, 132, 184, 132, "top length", "below"],
      [36, 88, 172, 88, "bottom length", "above"],
      [246, 38, 354, 38, "top width", "above"],
      [266, 132, 334, 132, "bottom width", "below"],
      [366, 50, 366, 118, "depth", "right"],
    ],
    sign: "cut",
  },
  hipped_mound: {
    plan: "M24 28H184V118H24ZM54 58H154V88H54ZM24 28L54 58M184 28L154 58M184 118L154 88M24 118L54 88",
    cut: `${GROUND}M246 118L284 62H316L354 118`,
    tapes: [
      length,
      [246, 132, 354, 132, "width", "below"],
      [300, 62, 300, 118, "height", "right"],
      [262, 118, 275, 99, "slope", "left"],
    ],
    sign: "cut",
  },
  round_mound: {
    plan: "M69 28H139a45 45 0 0 1 0 90H69a45 45 0 0 1 0-90ZM69 73H139",
    cut: `${GROUND}M246 118Q300 4 354 118`,
    tapes: [length, [246, 132, 354, 132, "width", "below"], [300, 61, 300, 118, "height", "right"]],
    sign: "cut",
  },
  herb_spiral: {
    plan: "M154 73C154 108 122 124 100 121C66 117 52 92 58 66C64 40 92 28 116 38C136 47 142 66 136 84C130 100 112 104 100 98C86 91 82 76 90 66C97 58 110 60 114 70",
    cut: `${GROUND}M240 118V104H256V118M256 104V90H276V118M276 90V64H324V118M324 80V118M324 96H344V118M344 108H360V118`,
    tapes: [
      [56, 138, 154, 138, "across", "below"],
      [136, 70, 154, 70, "bed width", "right"],
      [232, 104, 232, 118, "outside", "left"],
      [300, 64, 300, 118, "middle", "above"],
    ],
    sign: "plan",
  },
  ring_spiral: {
    plan: "M104 24A49 49 0 1 1 103.9 24ZM104 31A42 42 0 1 1 103.9 31ZM146 73C144 98 122 108 102 104C82 100 72 82 78 66C84 50 106 46 118 56C128 64 128 80 116 86C108 90 98 84 98 76",
    cut: `${GROUND}M240 118V96H246V118M246 104H262V90H276V118M276 90V64H324V118M324 90H338V104H354M354 118V96H360V118`,
    tapes: [
      [55, 138, 153, 138, "across", "below"],
      [128, 73, 146, 73, "bed width", "right"],
      [232, 96, 232, 118, "ring", "left"],
      [300, 64, 300, 118, "middle", "above"],
    ],
    sign: "plan",
  },
  flat_area: {
    plan: "M24 28H184V118H24ZM40 44H168V102H40Z",
    cut: `${GROUND}M240 118L264 104H336L360 118`,
    tapes: [length, width, [240, 132, 264, 132, "runs out", "below"]],
    sign: "cut",
  },
};
