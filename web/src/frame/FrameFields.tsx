import type { Bed, BedFigures, Material } from "../api/client";
import { NOMINAL_SIZES, TIMBER, WALLING } from "../api/words";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { SCREEN_ONLY } from "../theme/sizes";
import { FRAME_NAMES, firstFrames, withFrame, type Frame } from "./frames";
import { LegsAndFloor } from "./LegsAndFloor";
import { PostFields } from "./PostFields";
import { PalletFields, UnitFields } from "./UnitFields";

type Props = {
  bed: Bed;
  frame: Frame;
  figures: BedFigures | null | undefined;
  materials: ReadonlyMap<string, Material>;
  onEdit: (change: (bed: Bed) => Bed) => void;
};

const CORNERS: readonly (readonly [NonNullable<Frame["corner"]>, string])[] = [
  ["butt", "long sides run past"],
  ["butt_short", "short sides run past"],
  ["alternate", "by turns, course by course"],
  ["pinwheel", "each runs past at one end"],
  ["mitre", "cut on the slant"],
  ["corner_post", "screwed to posts inside"],
  ["slotted_post", "slid into slotted posts"],
];
const BEHIND = [
  ["", "its own soil alone"],
  ["slope", "a slope that rises above it"],
  ["load", "a load: a path, a shed, a car"],
] as const;
const OTHER = "other";

/** What the frame is made of and how it is joined. */
export function FrameFields({ frame, figures, materials, onEdit }: Props) {
  const { units } = useShowing();
  const set = (change: Partial<Frame>) => onEdit((now) => withFrame(now, change));
  const length = (
    label: string,
    key: "thickness_m" | "width_m" | "post_m" | "slot_m" | "cleats_m",
    width = "112px",
  ) => (
    <MeasureField
      key={key}
      label={label}
      limit="board"
      width={width}
      shown={frame[key] == null ? "" : typedLength(frame[key], units)}
      onMeaning={({ values: [value] }) => set({ [key]: value })}
    />
  );
  const count = (label: string, key: "ties" | "middle_posts") => (
    <MeasureField
      label={label}
      limit="count"
      width="112px"
      placeholder="none"
      shown={frame[key] ? String(frame[key]) : ""}
      onMeaning={({ values: [value = 0] }) => set({ [key]: value })}
    />
  );
  const isBoards = frame.kind === "boards";
  const firsts = firstFrames(figures);
  const offered = firsts.some(({ kind }) => kind === frame.kind) ? firsts : [frame, ...firsts];
  const kinds = offered.map(({ kind }) => [kind, FRAME_NAMES[kind]] as const);
  const board: [number, number] = [figures?.frame?.thickness_m ?? 0, figures?.frame?.board_m ?? 0];
  const words = isBoards ? TIMBER : WALLING;
  return (
    <Sheet data-part="frame-fields" sx={SCREEN_ONLY}>
      <Column>
        <Row sx={{ alignItems: "flex-end" }}>
          <Pick
            label="Wall"
            options={kinds}
            value={frame.kind}
            onChoose={(kind) =>
              onEdit((now) => ({ ...now, frame: firsts.find((each) => each.kind === kind) ?? now.frame }))
            }
          />
          {(isBoards || frame.material != null) && (
            <Pick
              label="of"
              options={Object.entries(words)}
              value={frame.material ?? "softwood"}
              onChoose={(material) => set({ material })}
            />
          )}
          {isBoards && (
            <Pick
              label="Sold as"
              options={[...sizesWith(frame.nominal), [OTHER, "true size typed"]]}
              value={frame.nominal ?? OTHER}
              onChoose={(size) =>
                size === OTHER
                  ? set({ nominal: null, thickness_m: 0.038, width_m: 0.235 })
                  : set({ nominal: size, thickness_m: null, width_m: null })
              }
            />
          )}
          {isBoards && frame.nominal == null && (
            <>
              {length("True thickness", "thickness_m")}
              {length("True width", "width_m")}
            </>
          )}
          {!isBoards && frame.thickness_m != null && length("Thick", "thickness_m")}
        </Row>
        {isBoards && (
          <Row sx={{ alignItems: "flex-end" }}>
            <Pick
              label="At the corners"
              options={CORNERS}
              value={frame.corner ?? "butt"}
              onChoose={(corner) => set({ corner, ...postsFor(corner, frame) })}
            />
            {hasPosts(frame) && length("Posts, square", "post_m")}
            {frame.corner === "slotted_post" && length("Slots, deep", "slot_m")}
            {!hasPosts(frame) && length("Cleats, square", "cleats_m")}
            {count("Ties across", "ties")}
            {count("Posts between", "middle_posts")}
            <Pick
              label="Lowest course of"
              options={[["", "the same"], ...Object.entries(TIMBER)]}
              value={frame.lowest ?? ""}
              onChoose={(lowest) => set({ lowest: lowest || null })}
            />
          </Row>
        )}
        {frame.kind === "units" && <UnitFields frame={frame} onSet={set} />}
        {frame.kind === "pallets" && <PalletFields frame={frame} onSet={set} />}
        {isBoards && ((frame.middle_posts ?? 0) > 0 || hasPosts(frame)) && (
          <PostFields frame={frame} onSet={set} />
        )}
        <Row sx={{ alignItems: "flex-end" }}>
          <Pick
            label="Lined with"
            options={[
              ["", "nothing"],
              ...[...materials.values()]
                .filter(({ group }) => group === "sheet")
                .map(({ key, name }) => [key, name] as const),
            ]}
            value={frame.lining ?? ""}
            onChoose={(lining) => set({ lining: lining || null })}
          />
          <Pick
            label="Behind the wall"
            options={BEHIND}
            value={frame.behind ?? ""}
            onChoose={(behind) => set({ behind: behind || null })}
          />
        </Row>
        {isBoards && <LegsAndFloor frame={frame} board={board} onSet={set} />}
      </Column>
    </Sheet>
  );
}

function hasPosts({ corner }: Frame): boolean {
  return corner === "corner_post" || corner === "slotted_post";
}

function sizesWith(own: string | null | undefined): (readonly [string, string])[] {
  const sizes = own == null || NOMINAL_SIZES.includes(own) ? NOMINAL_SIZES : [own, ...NOMINAL_SIZES];
  return sizes.map((size) => [size, size] as const);
}

function postsFor(corner: NonNullable<Frame["corner"]>, frame: Frame): Partial<Frame> {
  if (corner !== "corner_post" && corner !== "slotted_post") return {};
  return {
    post_m: frame.post_m ?? 0.075,
    slot_m: corner === "slotted_post" ? (frame.slot_m ?? 0.025) : null,
  };
}
