import { memo } from "react";
import css from "./section.module.css";
import { AboveFacts, FromAboveBox } from "./section.styles";
import type { BedFigures, Material } from "../api/client";
import { hatchKey } from "../drawing/hatches";
import { showLength } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { OntoHeap } from "../ground/OntoHeap";
import { pathOf, type Outline } from "../drawing/geometry";

type Props = {
  gardenId: number;
  figures: BedFigures;
  materials: ReadonlyMap<string, Material>;
  spoilTaken: boolean;
  onSpoil: () => void;
};

const SIZE = { width: 170, height: 84 };
const SPIRAL = { width: 220, height: 200 };
const LABEL = { right: 62, below: 18 };
const PADDING = 16;

/** What the view from above takes of the drawing's height [px]. */
export function aboveHeight({ spiral }: { spiral?: BedFigures["spiral"] }): number {
  return (spiral ? SPIRAL : SIZE).height + LABEL.below + PADDING;
}

/** The bed from above with its size, and what that says. */
export const FromAbove = memo(function FromAbove({
  gardenId,
  figures,
  materials,
  spoilTaken,
  onSpoil,
}: Props) {
  const { units } = useShowing();
  const { plan, spiral, section } = figures;
  const room = spiral ? SPIRAL : SIZE;
  const scale = Math.min(room.width / plan.length_m, room.height / plan.width_m);
  const [w, h] = [plan.length_m * scale, plan.width_m * scale];
  const top = figures.layers.findLast((layer) => !layer.sheet && layer.thickness_m > 0);
  const hatch = (key: string) => `url(#hatch-${hatchKey(key, materials.get(key)?.like)})`;
  const place = (ring: Outline) => pathOf(ring.map(([x, y]) => [x * scale, h - y * scale] as const));
  return (
    <FromAboveBox data-part="from-above">
      <svg
        className={css.above}
        data-form={section.form}
        width={w + LABEL.right}
        height={h + LABEL.below}
        role="img"
        aria-label={`${figures.name} from above`}
      >
        {plan.outside.map((ring, index) => (
          <path key={index} className={css.aboveOutside} d={place(ring)} />
        ))}
        {!spiral &&
          plan.inside.map((ring, index) => (
            <path
              key={index}
              className={css.aboveInside}
              d={place(ring)}
              fill={top ? hatch(top.material) : "none"}
            />
          ))}
        {figures.layers.map((layer, index) =>
          layer.zones.map((ring, part) => (
            <path key={`${index} ${part}`} d={place(ring)} fill={hatch(layer.material)} />
          )),
        )}
        <g className={css.aboveDims} aria-hidden="true">
          <line x1={0} x2={w} y1={h + 4} y2={h + 4} />
          <text x={w / 2} y={h + 17} textAnchor="middle">
            {showLength(plan.length_m, units)}
          </text>
          <line x1={w + 4} x2={w + 4} y1={0} y2={h} />
          <text x={w + 9} y={h / 2 + 4}>
            {showLength(plan.width_m, units)}
          </text>
        </g>
      </svg>
      <AboveFacts>
        From above. It takes{" "}
        <b>
          <Quantity kind="area" value={figures.footprint_m2} />
        </b>{" "}
        of ground
        {figures.wall_loss_share > 0.0005 &&
          `, ${Math.round(figures.wall_loss_share * 100)} % of it for walls`}
        .
        {spiral && (
          <>
            {" "}
            A tape across its widest shows{" "}
            <b>
              <Quantity kind="length" value={spiral.across_m} />
            </b>
            . The bed runs{" "}
            <b>
              <Quantity kind="length" value={spiral.run_length_m} />
            </b>{" "}
            in {spiral.turns.toFixed(1)} turns; its wall has{" "}
            <b>
              <Quantity kind="area" value={spiral.wall_face_m2} />
            </b>{" "}
            of face.
          </>
        )}
        {figures.path_saves_m3 > 0 && (
          <>
            {" "}
            Path and basket save{" "}
            <b>
              <Quantity kind="volume" value={figures.path_saves_m3} />
            </b>{" "}
            of fill.
          </>
        )}
        {figures.spoil_m3 > 0 && (
          <OntoHeap
            gardenId={gardenId}
            material="garden_soil"
            volume_m3={figures.spoil_m3 * figures.count}
            taken={spoilTaken}
            onTaken={onSpoil}
            gives=" Digging gives"
            of="loose soil"
            lies="It lies on your heap of garden soil."
          />
        )}
      </AboveFacts>
    </FromAboveBox>
  );
});
