import IconButton from "@mui/material/IconButton";
import css from "./blend.module.css";
import {
  BlendBucket,
  BlendBuckets,
  BlendPart,
  BlendPartFoot,
  BlendPartName,
  BlendPartRow,
} from "./blend.styles";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { Material } from "../api/client";
import { hatchKey } from "../drawing/hatches";
import { showShare, trimmed } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { MaterialFinder } from "../shelf/MaterialFinder";
import type { Mix, MixFigures } from "./blendApi";
import { added, bucketSize, stepped, toStep, without, withPart } from "./edits";
import type { MixEdit } from "./useMixDraft";

type Props = {
  gardenId: number;
  mix: Mix;
  figures: MixFigures | null;
  materials: ReadonlyMap<string, Material>;
  onEdit: MixEdit;
  onEnd: () => void;
};

const WIDE = 84;
const NARROW = 60;
const HIGH = 92;
const TOP = 14;

/** The parts of a mix as buckets: dragged, typed or stepped. */
export function Buckets({ gardenId, mix, figures, materials, onEdit, onEnd }: Props) {
  const size = bucketSize(mix);
  return (
    <BlendBuckets role="group" aria-label="Parts">
      {mix.parts.map((part, index) => {
        const material = materials.get(part.material);
        const name = material?.name ?? part.material;
        const figured = figures?.parts.find((each) => each.material === part.material);
        return (
          <BlendPart variant="outlined" component="div" key={part.material}>
            <Bucket
              name={name}
              parts={part.parts}
              size={size}
              hatch={hatchKey(part.material, material?.like)}
              onParts={(parts) => onEdit((now) => withPart(now, index, { parts }), `part ${part.material}`)}
              onStep={(by) => onEdit((now) => stepped(now, index, by))}
              onEnd={onEnd}
            />
            <BlendPartName title={name}>{name}</BlendPartName>
            <BlendPartRow>
              <IconButton
                aria-label={`Less ${name}`}
                onClick={() => onEdit((now) => stepped(now, index, -0.5))}
              >
                −
              </IconButton>
              <MeasureField
                label={`Parts of ${name}`}
                hideLabel
                limit="parts"
                width="52px"
                shown={trimmed(part.parts, 2)}
                onMeaning={({ values: [parts] }) =>
                  parts !== undefined && onEdit((now) => withPart(now, index, { parts }))
                }
              />
              <IconButton
                aria-label={`More ${name}`}
                onClick={() => onEdit((now) => stepped(now, index, 0.5))}
              >
                +
              </IconButton>
            </BlendPartRow>
            <BlendPartFoot data-part="blend-part-foot">
              <span>{figured ? showShare(figured.share) : ""}</span>
              {mix.parts.length > 1 && (
                <IconButton
                  aria-label={`Take ${name} out`}
                  onClick={() => onEdit((now) => without(now, index))}
                >
                  ×
                </IconButton>
              )}
            </BlendPartFoot>
            {isDug(part.material, material) && (
              <MeasureField
                label="Kept by the sieve"
                limit="share"
                width="100%"
                placeholder="0 %"
                shown={part.rejected ? showShare(part.rejected) : ""}
                onMeaning={({ values: [rejected] }) =>
                  onEdit((now) => withPart(now, index, { rejected: rejected || null }))
                }
              />
            )}
          </BlendPart>
        );
      })}
      <BlendPart
        variant="outlined"
        component="div"
        sx={{ borderStyle: "dashed", backgroundColor: "transparent", justifyItems: "stretch" }}
      >
        <MaterialFinder
          key={mix.parts.length}
          gardenId={gardenId}
          label="Add a part"
          value={null}
          suits={(each) => !each.is_sheet && each.group !== "meal" && each.key !== mix.key}
          onChoose={({ key }) => onEdit((now) => added(now, key))}
        />
      </BlendPart>
    </BlendBuckets>
  );
}

/** Soil off the gardener's own ground has stones in it. */
function isDug(key: string, material: Material | undefined): boolean {
  return key === "garden_soil" || material?.like === "garden_soil";
}

type BucketProps = {
  name: string;
  parts: number;
  size: number;
  hatch: string;
  onParts: (parts: number) => void;
  onStep: (by: number) => void;
  onEnd: () => void;
};

function Bucket({ name, parts, size, hatch, onParts, onStep, onEnd }: BucketProps) {
  // while a bucket is dragged its scale stands still under the hand
  const held = useRef<{ size: number; top: number; high: number } | null>(null);
  const scale = held.current?.size ?? size;
  const level = HIGH * Math.min(parts / scale, 1);
  const inset = (WIDE - NARROW) / 2;
  const edge = (up: number) => inset * (1 - up / HIGH);
  const bottom = TOP + HIGH;
  const down = (event: PointerEvent<HTMLDivElement>) => {
    const box = event.currentTarget.querySelector("svg")?.getBoundingClientRect();
    if (!box) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const unit = box.height / (HIGH + 2 * TOP);
    held.current = { size, top: box.top + TOP * unit, high: HIGH * unit };
    drag(event);
  };
  const drag = (event: PointerEvent<HTMLDivElement>) => {
    const grip = held.current;
    if (!grip) return;
    onParts(toStep(((grip.top + grip.high - event.clientY) / grip.high) * grip.size));
  };
  const up = () => {
    held.current = null;
    onEnd();
  };
  const keys = (event: KeyboardEvent) => {
    const by = {
      ArrowUp: 0.25,
      ArrowRight: 0.25,
      ArrowDown: -0.25,
      ArrowLeft: -0.25,
      PageUp: 1,
      PageDown: -1,
    }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onStep(by);
  };
  return (
    <BlendBucket
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={Math.max(scale, parts)}
      aria-valuenow={parts}
      aria-valuetext={`${trimmed(parts, 2)} parts`}
      onPointerDown={down}
      onPointerMove={drag}
      onPointerUp={up}
      onPointerCancel={up}
      onKeyDown={keys}
    >
      <svg
        width={WIDE + 8}
        height={HIGH + 2 * TOP}
        viewBox={`-4 0 ${WIDE + 8} ${HIGH + 2 * TOP}`}
        aria-hidden="true"
      >
        <path className={css.blendBail} d={`M2 ${TOP}A${WIDE / 2} ${TOP} 0 0 1 ${WIDE - 2} ${TOP}`} />
        {level > 0 && (
          <path
            d={`M${inset} ${bottom}L${edge(level)} ${bottom - level}H${WIDE - edge(level)}L${WIDE - inset} ${bottom}Z`}
            fill={`url(#hatch-${hatch})`}
          />
        )}
        <path className={css.blendPail} d={`M0 ${TOP}L${inset} ${bottom}H${WIDE - inset}L${WIDE} ${TOP}`} />
        <path className={css.blendBrim} d={`M-2 ${TOP}H${WIDE + 2}`} />
        <path
          className={css.blendLevel}
          d={`M${edge(level) - 3} ${bottom - level}H${WIDE - edge(level) + 3}`}
        />
      </svg>
    </BlendBucket>
  );
}
