import Slider from "@mui/material/Slider";
import type { ReactNode } from "react";
import type { Bed, BedFigures, Material } from "../api/client";
import { meant } from "../api/meant";
import { setAmount } from "../draft/edits";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showLength, showShare, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { soilLayer, withHeight, withReservoir } from "./reservoirs";
import { SlideBox, SlideList } from "./water.styles";

type Edit = (change: (bed: Bed) => Bed, gesture?: string) => void;
type Props = {
  bed: Bed;
  figures: BedFigures;
  materials: ReadonlyMap<string, Material>;
  onEdit: Edit;
  onEnd: () => void;
};

const MEDIA = [
  ["gravel_20", "Gravel, 20 mm"],
  ["scoria", "Scoria"],
  ["pea_gravel", "Pea gravel"],
  ["coarse_sand", "Coarse sand"],
  ["", "Crates or pipes alone"],
] as const;

const LEAST_SOIL_M = 0.05;
const STEP_M = 0.005;

/** What is tried out: reservoir and overflow height, medium, soil, mulch, leaves and rounds. Everything answers at once. */
export function Sliders({ bed, figures, materials, onEdit, onEnd }: Props) {
  const { units } = useShowing();
  const { reservoir } = bed;
  if (!reservoir) return null;
  const watering = bed.watering ?? {};
  const overflow = reservoir.overflow_m ?? reservoir.height_m;
  const set = (change: Partial<typeof watering>, gesture: string) =>
    onEdit(
      (now) => ({ ...now, watering: { ...(now.watering ?? {}), ...change } as Bed["watering"] }),
      gesture,
    );
  const slide = { onEnd };
  const soil = soilLayer(figures, materials);
  // what was pushed counts, not where the figures stand by then
  const soil_m = bed.layers[soil]?.thickness_m ?? figures.layers[soil]?.thickness_m ?? 0;
  const standing = figures.layers.map((each) => each.thickness_m);
  const { medium } = reservoir;
  const known = MEDIA.some(([key]) => key === (medium ?? ""));
  const media =
    known || !medium ? MEDIA : [...MEDIA, [medium, figures.reservoir?.medium_name ?? medium] as const];
  const { leaves } = figures;
  /** What the bed's crops say, until the gardener says otherwise. */
  const planted = (key: "canopy" | "crop_factor") => {
    const own = meant("Watering", watering, key);
    return leaves.by_crops && own === meant("Watering", {}, key) ? leaves[key] : own;
  };
  const [canopy, crop_factor] = [planted("canopy"), planted("crop_factor")];
  return (
    <SlideList data-part="water-sliders">
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="Reservoir height"
          limit="depth"
          width="120px"
          shown={typedLength(reservoir.height_m, units)}
          onMeaning={({ values: [height_m = 0] }) => onEdit((now) => withHeight(now, height_m))}
        />
        <MeasureField
          label="Overflow height"
          limit="depth"
          width="120px"
          shown={typedLength(overflow, units)}
          onMeaning={({ values: [overflow_m] }) => onEdit((now) => withReservoir(now, { overflow_m }))}
        />
        {soil >= 0 && (
          <MeasureField
            label="Soil depth"
            limit="layer"
            width="120px"
            shown={typedLength(soil_m, units)}
            onMeaning={({ values: [thickness_m = 0] }) =>
              onEdit((now) => setAmount(now, soil, { thickness_m }, standing))
            }
          />
        )}
      </Row>
      <Slide
        {...slide}
        label="Reservoir"
        said={showLength(reservoir.height_m, units)}
        value={reservoir.height_m}
        most={Math.max(figures.line_m - LEAST_SOIL_M, 0.02)}
        least={0.02}
        step={STEP_M}
        onValue={(height_m) => onEdit((now) => withHeight(now, height_m), "reservoir height")}
      />
      <Slide
        {...slide}
        label="Overflow"
        said={showLength(overflow, units)}
        value={overflow}
        most={reservoir.height_m}
        least={0.01}
        step={STEP_M}
        onValue={(overflow_m) => onEdit((now) => withReservoir(now, { overflow_m }), "overflow height")}
      />
      {soil >= 0 && (
        <Slide
          {...slide}
          label="Soil"
          said={showLength(soil_m, units)}
          value={soil_m}
          least={0.05}
          most={Math.max(soil_m + figures.to_fill_m, 0.06)}
          step={STEP_M}
          onValue={(thickness_m) =>
            onEdit((now) => setAmount(now, soil, { thickness_m }, standing), "soil depth")
          }
        />
      )}
      <Pick<string>
        label="Filled with"
        options={media}
        value={medium ?? ""}
        onChoose={(chosen) => onEdit((now) => withReservoir(now, { medium: chosen || null }))}
      />
      <Slide
        {...slide}
        label="Through the mulch"
        said={showShare(meant("Watering", watering, "mulch"))}
        value={meant("Watering", watering, "mulch")}
        least={0}
        most={1}
        step={0.05}
        onValue={(mulch) => set({ mulch }, "mulch")}
      />
      <Slide
        {...slide}
        label="Covered by leaves"
        said={showShare(canopy)}
        value={canopy}
        least={0}
        most={1.5}
        step={0.05}
        onValue={(canopy) => set({ canopy }, "canopy")}
      />
      <Slide
        {...slide}
        label="Crop factor"
        said={crop_factor.toFixed(2)}
        value={crop_factor}
        least={0.1}
        most={2}
        step={0.01}
        onValue={(crop_factor) => set({ crop_factor }, "crop factor")}
      />
      <Slide
        {...slide}
        label="Filled up"
        said={
          watering.every_days
            ? `every ${watering.every_days} days`
            : `when under ${showShare(meant("Watering", watering, "threshold"))}`
        }
        value={watering.every_days ?? 0}
        least={0}
        most={30}
        step={1}
        onValue={(days) => set({ every_days: days || null }, "rounds")}
      />
      {leaves.by_crops && (
        <Note>Leaves and crop factor are those of its crops in full leaf, unless you move them.</Note>
      )}
    </SlideList>
  );
}

type SlideProps = {
  label: string;
  said: ReactNode;
  value: number;
  least: number;
  most: number;
  step: number;
  onValue: (value: number) => void;
  onEnd: () => void;
};

function Slide({ label, said, value, least, most, step, onValue, onEnd }: SlideProps) {
  return (
    <SlideBox>
      <span>{label}</span>
      <b>{said}</b>
      <Slider
        aria-label={label}
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={(_event, wanted) => onValue(wanted as number)}
        onChangeCommitted={onEnd}
      />
    </SlideBox>
  );
}
