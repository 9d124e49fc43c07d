import {
  LayerAside,
  LayerBar,
  LayerCardBox,
  LayerFigure,
  LayerMain,
  LayerName,
  LayerRow,
  LayerScattered,
} from "./layer-card.styles";
import { meant } from "../api/meant";
import type { Ref } from "react";
import type { Bed, BedFigures, Layer, LayerFigures, Material } from "../api/client";
import { hatchOf } from "../hatches/hatches";
import { Swatch } from "../hatches/Swatch";
import { showLength, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { changeLayer, setAmount } from "./edits";
import { LayerTools, type LayerEdit } from "./LayerTools";

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  index: number;
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
export function LayerCard(props: Props) {
  const { bed, figures, index, materials, selected, onSelect, onEdit } = props;
  const layer = bed.layers[index];
  if (!layer) return null;
  const material = materials.get(layer.material);
  const { figured } = props;
  if (!figured) return <WaitingCard cardRef={props.cardRef} material={material} name={layer.material} />;
  const share = figures.line_m > 0 ? figured.thickness_m / figures.line_m : 0;
  return (
    <LayerCardBox
      variant="outlined"
      component="li"
      ref={props.cardRef}
      data-selected={selected || undefined}
      data-part="layer-card"
      aria-current={selected || undefined}
      onPointerDown={onSelect}
      onFocus={onSelect}
    >
      <Swatch material={layer.material} like={material?.like} width={44} height={figured.sheet ? 44 : 58} />
      <LayerMain>
        <LayerRow>
          <LayerName data-part="layer-name" onClick={onSelect}>
            {figured.name}
            {figured.sheet && plies(layer)}
          </LayerName>
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
        </LayerRow>
        <LayerRow data-part="layer-how">
          {figured.sheet ? (
            <SheetHow
              layer={layer}
              onChange={(change) => onEdit((bed, index) => changeLayer(bed, index, change))}
              name={figured.name}
            />
          ) : (
            <BulkHow {...props} layer={layer} figured={figured} onEdit={onEdit} />
          )}
        </LayerRow>
        {figured.scattered && (
          <LayerScattered data-part="layer-scattered">
            + <Quantity kind="dose" value={figured.scattered.mass_kg} />{" "}
            {figured.scattered.name.toLowerCase()}
            {figured.lifts > 1 && (
              <>
                , <Quantity kind="dose" value={figured.scattered.lift_kg} /> a lift
              </>
            )}
          </LayerScattered>
        )}
        {!figured.sheet && (
          <LayerBar data-part="layer-bar" aria-hidden="true">
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
}

function WaitingCard({
  cardRef,
  material,
  name,
}: {
  cardRef: Ref<HTMLLIElement>;
  material?: Material;
  name: string;
}) {
  return (
    <LayerCardBox variant="outlined" component="li" ref={cardRef} data-part="layer-card" aria-busy="true">
      <Swatch material={name} like={material?.like} width={44} height={58} />
      <LayerMain>
        <LayerName as="span" data-part="layer-name">
          {material?.name ?? name}
        </LayerName>
        <LayerAside as="p" data-part="layer-aside">
          not worked out yet
        </LayerAside>
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

function SheetHow({
  layer,
  onChange,
  name,
}: {
  layer: Layer;
  onChange: (change: Partial<Layer>) => void;
  name: string;
}) {
  const { units } = useShowing();
  return (
    <>
      <MeasureField
        label={`Laps of ${name}`}
        hideLabel
        limit="offset"
        width="74px"
        shown={typedLength(meant("Layer", layer, "lap_m"), units)}
        onMeaning={({ values: [lap_m] }) => onChange({ lap_m })}
      />
      <LayerAside data-part="layer-aside">laps</LayerAside>
    </>
  );
}

function BulkHow({ layer, figured, onEdit }: Props & { layer: Layer; figured: LayerFigures }) {
  const { units } = useShowing();
  const thickness_m = figured.thickness_m;
  const set = (amount: Parameters<typeof setAmount>[2]) =>
    onEdit((bed, index) => setAmount(bed, index, amount, []));
  const open = figured.void_m3 - figured.infill_m3;
  return (
    <>
      {layer.fill && <span>fills the rest</span>}
      {layer.fill && <LayerAside data-part="layer-aside">{showLength(thickness_m, units)} deep</LayerAside>}
      {layer.thickness_m != null && (
        <MeasureField
          label={`Thickness of ${figured.name}`}
          hideLabel
          limit="layer"
          width="84px"
          shown={typedLength(layer.thickness_m, units)}
          onMeaning={({ values: [value = 0] }) => set({ thickness_m: value })}
        />
      )}
      {layer.volume_m3 != null && (
        <>
          <MeasureField
            label={`Volume of ${figured.name}`}
            hideLabel
            limit="stock"
            width="96px"
            shown={typedVolume(layer.volume_m3, units)}
            onMeaning={({ values: [value = 0] }) => set({ volume_m3: value })}
          />
          <LayerAside data-part="layer-aside">{showLength(thickness_m, units)} deep</LayerAside>
        </>
      )}
      {layer.share != null && (
        <>
          <MeasureField
            label={`Share of ${figured.name}`}
            hideLabel
            limit="share"
            width="66px"
            shown={`${Math.round(layer.share * 1000) / 10} %`}
            onMeaning={({ values: [value = 0] }) => set({ share: value })}
          />
          <LayerAside data-part="layer-aside">of the rest, {showLength(thickness_m, units)} deep</LayerAside>
        </>
      )}
      {layer.infill ? (
        <LayerAside data-part="layer-aside">
          packed {Math.round(meant("Infill", layer.infill, "share") * 100)} %
        </LayerAside>
      ) : (
        open > 0 && (
          <span className={figured.vanishing_m3 > 0 ? "layer-open" : "layer-aside"}>
            voids {Math.round(figured.void_share * 100)} %
          </span>
        )
      )}
    </>
  );
}

function typedVolume(volume_m3: number, units: "ft_in" | "metric"): string {
  if (units === "metric") return `${Math.round(volume_m3 * 1e4) / 10} L`;
  return `${Math.round((volume_m3 / 0.028316846592) * 100) / 100} cu ft`;
}
