import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import { LayerAside, LayerBooks, LayerFields, LayerToolsBox } from "./layer-card.styles";
import { meant } from "../api/meant";
import { Link } from "react-router";
import type { Bed, BedFigures, Layer, LayerFigures, Material } from "../api/client";
import { typedLength } from "../quantities/format";
import { Choice } from "../kit/Choice";
import { Quantity } from "../quantities/Quantity";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { ScatterTools } from "./ScatterTools";
import { changeLayer, changeMaterial, setAmount, splitLayer, type Amount } from "./edits";

/** An edit of the layer, told to whatever the bed has become meanwhile and wherever the layer is in it now. */
export type LayerEdit = (change: (bed: Bed, index: number) => Bed) => void;

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  index: number;
  layer: Layer;
  figured: LayerFigures;
  material: Material | undefined;
  materials: ReadonlyMap<string, Material>;
  onEdit: LayerEdit;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
};

type Way = "thickness" | "volume" | "share" | "fill";
const WAYS: readonly (readonly [Way, string])[] = [
  ["thickness", "Depth"],
  ["volume", "Volume"],
  ["share", "Share"],
  ["fill", "Fill"],
];

/** What can be changed about the chosen layer, on its card. */
export function LayerTools(props: Props) {
  const { gardenId, bed, index, layer, figured, material, onEdit } = props;
  return (
    <LayerToolsBox>
      <MaterialFinder
        key={layer.material}
        gardenId={gardenId}
        label="Made of"
        value={material ?? null}
        onChoose={(chosen) => onEdit((bed, index) => changeMaterial(bed, index, chosen, figured.thickness_m))}
      />
      {material?.is_mix && (
        <Button component={Link} to={`/garden/${gardenId}/blend/${material.key}`}>
          Open the mix
        </Button>
      )}
      {figured.sheet ? <SheetTools {...props} /> : <BulkTools {...props} />}
      <ScatterTools gardenId={gardenId} layer={layer} materials={props.materials} onEdit={onEdit} />
      <Row>
        <Button onClick={() => props.onMove(1)} disabled={index === bed.layers.length - 1}>
          Up
        </Button>
        <Button onClick={() => props.onMove(-1)} disabled={index === 0}>
          Down
        </Button>
        {!figured.sheet && (
          <Button onClick={() => onEdit((bed, index) => splitLayer(bed, index, figured.split))}>Split</Button>
        )}
        <Button onClick={props.onRemove}>Remove</Button>
      </Row>
    </LayerToolsBox>
  );
}

function BulkTools(props: Props) {
  const { figures, layer, figured, onEdit } = props;
  const way: Way = layer.fill
    ? "fill"
    : layer.share != null
      ? "share"
      : layer.volume_m3 != null
        ? "volume"
        : "thickness";
  const standing = figures.layers.map((each) => each.thickness_m);
  const choose = (wanted: Way) => {
    if (wanted !== way) onEdit((bed, index) => setAmount(bed, index, amountAs(wanted, figured), standing));
  };
  return (
    <>
      <Choice
        label={`How much ${figured.name}`}
        options={figures.section.form === "flat" ? WAYS.slice(0, 2) : WAYS}
        value={way}
        onChoose={choose}
      />
      <LayerBooks>
        <Quantity kind="volume" value={figured.loose_m3} /> loose as bought,{" "}
        <Quantity kind="volume" value={figured.solid_m3} /> without voids,{" "}
        <Quantity kind="mass" value={figured.mass_moist_kg} /> as delivered{figures.count > 1 && ", each bed"}
      </LayerBooks>
      {figured.run_m && figured.run_m[1] > figured.run_m[0] && (
        <LayerBooks>
          It is the surface from <Quantity kind="length" value={figured.run_m[0]} /> to{" "}
          <Quantity kind="length" value={figured.run_m[1]} /> along the run, from the outer end.
        </LayerBooks>
      )}
      <LiftsField {...props} />
      {figured.void_share > 0 && <PackTools {...props} />}
    </>
  );
}

function amountAs(way: Way, figured: LayerFigures): Amount {
  if (way === "fill") return { fill: true };
  if (way === "volume") return { volume_m3: figured.placed_m3 };
  if (way === "share") return { share: 0.5 };
  return { thickness_m: figured.thickness_m };
}

function LiftsField({ layer, figured, onEdit }: Props) {
  const { units } = useShowing();
  const lifts = meant("Layer", layer, "lifts");
  return (
    <Row>
      <MeasureField
        label="Laid in"
        limit="count"
        width="52px"
        shown={String(lifts)}
        onMeaning={({ values: [value = 1] }) =>
          onEdit((bed, index) => changeLayer(bed, index, { lifts: Math.min(value, 50) }))
        }
      />
      <LayerAside data-part="layer-aside">
        {lifts > 1 ? (
          <>
            lifts of {typedLength(figured.lift_m, units)} each,{" "}
            <Quantity kind="volume" value={figured.lift_loose_m3} /> loose
          </>
        ) : (
          "lift"
        )}
      </LayerAside>
    </Row>
  );
}

function PackTools({ gardenId, layer, materials, onEdit }: Props) {
  const infill = layer.infill;
  return (
    <Row>
      <MaterialFinder
        key={infill?.material ?? "none"}
        gardenId={gardenId}
        label="Voids packed with"
        value={infill ? (materials.get(infill.material) ?? null) : null}
        suits={(each) => !each.is_sheet && each.void_share === 0 && each.grain === "fine"}
        onChoose={(chosen) =>
          onEdit((bed, index) =>
            changeLayer(bed, index, { infill: { material: chosen.key, share: infill?.share ?? 1 } }),
          )
        }
      />
      {infill && (
        <>
          <MeasureField
            label="to"
            limit="share"
            width="62px"
            shown={`${Math.round((infill.share ?? 1) * 1000) / 10} %`}
            onMeaning={({ values: [share = 1] }) =>
              onEdit((bed, index) => changeLayer(bed, index, { infill: { ...infill, share } }))
            }
          />
          <Button
           
            onClick={() => onEdit((bed, index) => changeLayer(bed, index, { infill: null }))}
          >
            Leave open
          </Button>
        </>
      )}
    </Row>
  );
}

function SheetTools({ layer, material, onEdit }: Props) {
  const { units } = useShowing();
  const change = (changed: Partial<Layer>) => onEdit((bed, index) => changeLayer(bed, index, changed));
  const [wide, long] = layer.piece_m ?? [];
  const piece = wide && long ? `${typedLength(wide, units)} × ${typedLength(long, units)}` : "";
  return (
    <LayerFields>
      <MeasureField
        label="Plies"
        limit="count"
        width="52px"
        shown={String(meant("Layer", layer, "plies"))}
        onMeaning={({ values: [plies = 1] }) => change({ plies: Math.min(plies, 20) })}
      />
      <MeasureField
        label="Up the sides"
        limit="offset"
        width="78px"
        shown={typedLength(meant("Layer", layer, "up_sides_m"), units)}
        onMeaning={({ values: [up_sides_m] }) => change({ up_sides_m })}
      />
      {!material?.is_liner && (
        <>
          <MeasureField
            label="Past the edge"
            limit="offset"
            width="78px"
            shown={typedLength(meant("Layer", layer, "skirt_m"), units)}
            onMeaning={({ values: [skirt_m] }) => change({ skirt_m })}
          />
          <MeasureField
            label="One piece is"
            limit="length"
            dimensions
            width="130px"
            placeholder="not known"
            shown={piece}
            onMeaning={({ values }) => change({ piece_m: values.slice(0, 2), roll_width_m: null })}
          />
          {piece ? (
            <MeasureField
              label="Pieces there are"
              limit="count"
              width="74px"
              placeholder="enough"
              shown={layer.on_hand == null ? "" : String(layer.on_hand)}
              onMeaning={({ values: [on_hand] }) => change({ on_hand })}
            />
          ) : (
            <MeasureField
              label="Or a roll so wide"
              limit="length"
              width="92px"
              placeholder="no roll"
              shown={layer.roll_width_m == null ? "" : typedLength(layer.roll_width_m, units)}
              onMeaning={({ values: [roll_width_m] }) => change({ roll_width_m })}
            />
          )}
        </>
      )}
    </LayerFields>
  );
}
