import Chip from "@mui/material/Chip";
import { lazy, memo, Suspense, type Ref } from "react";
import type { Bed, BedFigures, Layer, LayerFigures, Material } from "../api/client";
import { meant } from "../api/meant";
import { changeLayer, setAmount, type LayerEdit } from "../draft/edits";
import { hatchOf } from "../drawing/hatches";
import { Swatch } from "../drawing/Swatch";
import { Note } from "../kit/Note";
import { showLength, typedLength, typedVolume } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import {
  LayerAside,
  LayerBar,
  LayerCardBox,
  LayerFigure,
  LayerHow,
  LayerMain,
  LayerName,
  LayerOpen,
  LayerTop,
} from "./layer-card.styles";
import { LayerTools } from "./LayerTools";

// seldom shown: only while a bed is being filled
const LaidTick = lazy(() => import("./LaidTick"));

export type CardProps = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  index: number;
  /** What its typed measures wait as. */
  waitsAs: string;
  /** Its figures; missing while a layer is new and they are still asked for. */
  figured: LayerFigures | undefined;
  materials: ReadonlyMap<string, Material>;
  selected: boolean;
  cardRef: Ref<HTMLLIElement>;
  onSelect: () => void;
  onEdit: LayerEdit;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
};

/** One layer: what it is, how thick it lies, how much of it; chosen, it opens to be changed. */
export const LayerCard = memo(function LayerCard(props: CardProps) {
  const { bed, figures, index, materials, selected, onSelect, figured } = props;
  const layer = bed.layers[index];
  if (!layer) return null;
  const material = materials.get(layer.material);
  if (!figured) return <WaitingCard cardRef={props.cardRef} material={material} name={layer.material} />;
  const share = figures.line_m > 0 ? figured.thickness_m / figures.line_m : 0;
  return (
    <LayerCardBox
      variant="outlined"
      component="li"
      ref={props.cardRef}
      data-part="layer-card"
      data-selected={selected || undefined}
      aria-current={selected || undefined}
      onPointerDown={onSelect}
      onFocus={onSelect}
    >
      <Swatch material={layer.material} like={material?.like} width={44} height={figured.sheet ? 44 : 58} />
      <LayerMain>
        <LayerTop>
          <LayerName onClick={onSelect} data-part="layer-name">
            {figured.name}
            {figured.sheet && plies(layer)}
          </LayerName>
          <Amount figured={figured} figures={figures} />
        </LayerTop>
        <LayerHow>
          <How {...props} layer={layer} figured={figured} material={material} />
          {figures.state === "filling" && (
            <Suspense>
              <LaidTick laid={bed.laid?.[index] ?? 0} onEdit={props.onEdit} />
            </Suspense>
          )}
        </LayerHow>
        {figured.scattered.map((fed) => (
          <Note key={fed.material} data-part="layer-scattered">
            + <Quantity kind="dose" value={fed.mass_kg} /> {fed.name.toLowerCase()}
            {figured.lifts > 1 && (
              <>
                , <Quantity kind="dose" value={fed.lift_kg} /> each time
              </>
            )}
          </Note>
        ))}
        {!figured.sheet && (
          <LayerBar aria-hidden="true" data-part="layer-bar">
            <div
              style={{
                width: `${Math.min(share, 1) * 100}%`,
                background: hatchOf(layer.material, material?.like).ground,
              }}
            />
          </LayerBar>
        )}
        {selected && <LayerTools {...props} layer={layer} figured={figured} material={material} />}
      </LayerMain>
    </LayerCardBox>
  );
}, sameCard);

/** Functions don't count: each edit is told to the bed as it is by then. */
function sameCard(before: CardProps, after: CardProps): boolean {
  if (before.selected !== after.selected || before.index !== after.index) return false;
  if (after.selected && (before.bed !== after.bed || before.figures !== after.figures)) return false;
  return (
    before.bed.layers[before.index] === after.bed.layers[after.index] &&
    before.bed.laid?.[before.index] === after.bed.laid?.[after.index] &&
    before.figured === after.figured &&
    before.materials === after.materials &&
    before.figures.line_m === after.figures.line_m &&
    before.figures.state === after.figures.state &&
    before.figures.count === after.figures.count
  );
}

function Amount({ figured, figures }: { figured: LayerFigures; figures: BedFigures }) {
  return (
    <LayerFigure data-part="layer-figure">
      <b>
        {figured.sheet ? (
          <Quantity kind="area" value={figured.sheet_area_m2} />
        ) : (
          <Quantity kind="volume" value={figured.placed_m3} />
        )}
      </b>
      <span>
        {figured.roll_m != null ? (
          <>
            <Quantity kind="length" value={figured.roll_m} /> of roll
          </>
        ) : figured.sheet ? (
          piecesNote(figured)
        ) : figures.count > 1 ? (
          "placed, each bed"
        ) : (
          "placed"
        )}
      </span>
    </LayerFigure>
  );
}

type WaitingProps = { cardRef: Ref<HTMLLIElement>; material?: Material; name: string };

function WaitingCard({ cardRef, material, name }: WaitingProps) {
  return (
    <LayerCardBox variant="outlined" component="li" ref={cardRef} data-part="layer-card" aria-busy="true">
      <Swatch material={name} like={material?.like} width={44} height={58} />
      <LayerMain>
        <LayerName data-part="layer-name">{material?.name ?? name}</LayerName>
        <Note>not worked out yet</Note>
      </LayerMain>
    </LayerCardBox>
  );
}

function plies(layer: Layer): string {
  const count = meant("Layer", layer, "plies");
  return count === 1 ? ", 1 ply" : `, ${count} plies`;
}

function piecesNote(figured: LayerFigures): string {
  if (figured.pieces == null) return "to cover";
  return figured.pieces === 1 ? "1 piece" : `${figured.pieces} pieces`;
}

type HowProps = CardProps & { layer: Layer; figured: LayerFigures; material?: Material };

function How(props: HowProps) {
  const { layer, figured } = props;
  if (figured.sheet) return <SheetHow {...props} />;
  const open = figured.void_m3 - figured.infill_m3;
  return (
    <>
      <BulkHow {...props} />
      {layer.infill ? (
        <LayerAside>gaps packed {Math.round(meant("Infill", layer.infill, "share") * 100)} %</LayerAside>
      ) : (
        figured.takes_fines &&
        open > 0 && (
          <Gaps grave={figured.vanishing_m3 > 0}>gaps {Math.round(figured.void_share * 100)} %</Gaps>
        )
      )}
    </>
  );
}

function Gaps({ grave, children }: { grave: boolean; children: React.ReactNode }) {
  return grave ? <LayerOpen>{children}</LayerOpen> : <LayerAside>{children}</LayerAside>;
}

function SheetHow({ layer, figured, onEdit, waitsAs }: HowProps) {
  const { units } = useShowing();
  return (
    <>
      <MeasureField
        waitsAs={waitsAs}
        label={`Laps of ${figured.name}`}
        hideLabel
        limit="offset"
        width="84px"
        shown={typedLength(meant("Layer", layer, "lap_m"), units)}
        onMeaning={({ values: [lap_m] }) => onEdit((bed, index) => changeLayer(bed, index, { lap_m }))}
      />
      <LayerAside>laps</LayerAside>
    </>
  );
}

function BulkHow({ layer, figured, material, onEdit, waitsAs }: HowProps) {
  const { units } = useShowing();
  const deep = showLength(figured.thickness_m, units);
  const set = (amount: Parameters<typeof setAmount>[2]) =>
    onEdit((bed, index) => setAmount(bed, index, amount, []));
  if (layer.fill)
    return (
      <>
        <Chip label="fills the rest" />
        <LayerAside>{deep} deep</LayerAside>
      </>
    );
  if (layer.volume_m3 != null)
    return (
      <>
        <MeasureField
          waitsAs={waitsAs}
          label={`Volume of ${figured.name}`}
          hideLabel
          limit="stock"
          width="104px"
          density_kg_m3={material?.placed_kg_m3 ?? undefined}
          shown={typedVolume(layer.volume_m3, units)}
          onMeaning={({ values: [value = 0] }) => set({ volume_m3: value })}
        />
        <LayerAside>placed, {deep} deep</LayerAside>
      </>
    );
  if (layer.share != null)
    return (
      <>
        <MeasureField
          waitsAs={waitsAs}
          label={`Share of ${figured.name}`}
          hideLabel
          limit="share"
          width="72px"
          shown={`${Math.round(layer.share * 1000) / 10} %`}
          onMeaning={({ values: [value = 0] }) => set({ share: value })}
        />
        <LayerAside>of the rest, {deep} deep</LayerAside>
      </>
    );
  if (layer.thickness_m == null) return null;
  return (
    <MeasureField
      waitsAs={waitsAs}
      label={`Thickness of ${figured.name}`}
      hideLabel
      limit="layer"
      width="92px"
      shown={typedLength(layer.thickness_m, units)}
      onMeaning={({ values: [value = 0] }) => set({ thickness_m: value })}
    />
  );
}
