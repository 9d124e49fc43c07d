import Button from "@mui/material/Button";
import { useEventCallback } from "@mui/material/utils";
import { memo } from "react";
import { Link } from "react-router";
import type { Layer, LayerFigures, Material } from "../api/client";
import { meant } from "../api/meant";
import { changeLayer, changeMaterial, setAmount, splitLayer, withLaid, type Amount } from "../draft/edits";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { trimmed, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import type { CardProps } from "./LayerCard";
import { LayerAside, LayerToolsBox } from "./layer-card.styles";
import { ScatterTools } from "./ScatterTools";

type Props = Omit<CardProps, "cardRef" | "onSelect" | "selected" | "figured"> & {
  layer: Layer;
  figured: LayerFigures;
  material: Material | undefined;
};

type Way = "thickness" | "volume" | "share" | "fill";
const WAYS: readonly (readonly [Way, string])[] = [
  ["thickness", "Depth"],
  ["volume", "Volume"],
  ["share", "Share"],
  ["fill", "Fill"],
];

const END = { alignItems: "flex-end" } as const;

/** What can be changed about the chosen layer, on its card. */
export function LayerTools(props: Props) {
  const onEdit = useEventCallback(props.onEdit);
  const onMove = useEventCallback(props.onMove);
  const onRemove = useEventCallback(props.onRemove);
  return <Tools {...props} {...{ onEdit, onMove, onRemove }} />;
}

const Tools = memo(function Tools(props: Props) {
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
        <Button
          component={Link}
          to={`/garden/${gardenId}/blend/${material.key}`}
          sx={{ justifySelf: "start" }}
        >
          Open the mix
        </Button>
      )}
      {figured.sheet ? <SheetTools {...props} /> : <BulkTools {...props} />}
      <ScatterTools
        gardenId={gardenId}
        layer={layer}
        figured={figured}
        materials={props.materials}
        onEdit={onEdit}
      />
      <LaidTools {...props} />
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
        <Button variant="text" color="primary" sx={{ marginLeft: "auto" }} onClick={props.onRemove}>
          Remove
        </Button>
      </Row>
    </LayerToolsBox>
  );
});

/** How much of the layer lies there already. */
function LaidTools({ figures, figured, onEdit }: Props) {
  if (figures.state === "filled" || figures.state === "emptied") return null;
  return (
    <Row sx={END}>
      {figured.laid < 1 && (
        <Button onClick={() => onEdit((bed, index) => withLaid(bed, index, 1))}>I have laid this</Button>
      )}
      <MeasureField
        label="laid so far"
        limit="share"
        width="84px"
        shown={`${Math.round(figured.laid * 1000) / 10} %`}
        onMeaning={({ values: [share = 0] }) => onEdit((bed, index) => withLaid(bed, index, share))}
      />
      {!figured.sheet && figured.laid > 0 && figured.laid < 1 && (
        <LayerAside>
          <Quantity kind="volume" value={figured.left_loose_m3} /> loose still to come
        </LayerAside>
      )}
    </Row>
  );
}

function wayOf(layer: Layer): Way {
  if (layer.fill) return "fill";
  if (layer.share != null) return "share";
  return layer.volume_m3 != null ? "volume" : "thickness";
}

function BulkTools(props: Props) {
  const { figures, layer, figured, onEdit } = props;
  const way = wayOf(layer);
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
      <Note>
        <Quantity kind="volume" value={figured.loose_m3} /> loose as bought,{" "}
        <Quantity kind="volume" value={figured.solid_m3} /> with the gaps left out,{" "}
        <Quantity kind="mass" value={figured.mass_moist_kg} /> as delivered{figures.count > 1 && ", each bed"}
      </Note>
      {figured.soak_l >= 1 && (
        <Note>
          <Quantity kind="water" value={figured.soak_l / 1000} /> wet it through
          {figured.soak_minutes != null && `, ${trimmed(figured.soak_minutes, 0)} minutes of the tap`}.
        </Note>
      )}
      {figured.run_m && figured.run_m[1] > figured.run_m[0] && (
        <Note>
          It is the surface from <Quantity kind="length" value={figured.run_m[0]} /> to{" "}
          <Quantity kind="length" value={figured.run_m[1]} /> along the run, from the outer end.
        </Note>
      )}
      <StateOfRot {...props} />
      <LiftsField {...props} />
      {figured.takes_fines && <PackTools {...props} />}
    </>
  );
}

const ROT: Record<NonNullable<Layer["ripeness"]>, string> = {
  fresh: "Fresh",
  half: "Half rotted",
  finished: "Finished",
};

/** How far it has rotted, of what can be had in several states; the usual one needn't be said. */
function StateOfRot({ layer, material, onEdit }: Props) {
  if (!material || material.states.length === 0) return null;
  return (
    <Choice
      label="State of rot"
      options={material.states.map((state) => [state, ROT[state]] as const)}
      value={layer.ripeness ?? material.usual_state}
      onChoose={(state) =>
        onEdit((bed, index) =>
          changeLayer(bed, index, { ripeness: state === material.usual_state ? null : state }),
        )
      }
    />
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
    <Row sx={END}>
      <MeasureField
        label="Goes to lay it in"
        limit="count"
        width="64px"
        shown={String(lifts)}
        onMeaning={({ values: [value = 1] }) =>
          onEdit((bed, index) => changeLayer(bed, index, { lifts: Math.min(value, 50) }))
        }
      />
      <LayerAside>
        {lifts > 1 ? (
          <>
            {typedLength(figured.lift_m, units)} each time,{" "}
            <Quantity kind="volume" value={figured.lift_loose_m3} /> loose
          </>
        ) : (
          "all of it at once"
        )}
      </LayerAside>
    </Row>
  );
}

function PackTools({ gardenId, layer, materials, onEdit }: Props) {
  const infill = layer.infill;
  return (
    <Row sx={END}>
      <MaterialFinder
        key={infill?.material ?? "none"}
        gardenId={gardenId}
        label="Gaps packed with"
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
            width="70px"
            shown={`${Math.round((infill.share ?? 1) * 1000) / 10} %`}
            onMeaning={({ values: [share = 1] }) =>
              onEdit((bed, index) => {
                const now = bed.layers[index]?.infill;
                return now ? changeLayer(bed, index, { infill: { ...now, share } }) : bed;
              })
            }
          />
          <Button onClick={() => onEdit((bed, index) => changeLayer(bed, index, { infill: null }))}>
            Leave open
          </Button>
        </>
      )}
    </Row>
  );
}

const COVERS = [
  ["floor", "Floor"],
  ["edge", "Edge band"],
  ["rest", "What a band leaves"],
  ["walls", "Walls"],
] as const;

const BAND_M = 0.3;

/** The sheet over something else; a band starts a foot wide. */
function coverChange(cover: (typeof COVERS)[number][0], layer: Layer): Partial<Layer> {
  return {
    cover: cover === "floor" ? null : cover,
    band_m: cover === "edge" ? (layer.band_m ?? BAND_M) : null,
    skirt_m: cover === "walls" || cover === "rest" ? null : layer.skirt_m,
  };
}

function SheetTools({ layer, figured, material, onEdit }: Props) {
  const { units } = useShowing();
  const change = (changed: Partial<Layer>) => onEdit((bed, index) => changeLayer(bed, index, changed));
  const [wide, long] = layer.piece_m ?? [];
  const piece = wide && long ? `${typedLength(wide, units)} × ${typedLength(long, units)}` : "";
  const usual = figured.usual_piece ? figured.piece_m : null;
  const usually = usual && `${typedLength(usual[0], units)} × ${typedLength(usual[1], units)}`;
  const cover = layer.cover ?? "floor";
  return (
    <Row sx={END}>
      <Choice
        label="What it covers"
        options={COVERS}
        value={cover}
        onChoose={(chosen) => change(coverChange(chosen, layer))}
      />
      {cover === "edge" && (
        <MeasureField
          label="Band"
          limit="offset"
          width="86px"
          shown={typedLength(layer.band_m ?? 0, units)}
          onMeaning={({ values: [band_m] }) => change({ band_m })}
        />
      )}
      <MeasureField
        label="Plies"
        limit="count"
        width="60px"
        shown={String(meant("Layer", layer, "plies"))}
        onMeaning={({ values: [plies = 1] }) => change({ plies: Math.min(plies, 20) })}
      />
      <MeasureField
        label="Up the sides"
        limit="offset"
        width="86px"
        shown={typedLength(meant("Layer", layer, "up_sides_m"), units)}
        onMeaning={({ values: [up_sides_m] }) => change({ up_sides_m })}
      />
      {!material?.is_liner && (
        <>
          <MeasureField
            label="Past the edge"
            limit="offset"
            width="90px"
            shown={typedLength(meant("Layer", layer, "skirt_m"), units)}
            onMeaning={({ values: [skirt_m] }) => change({ skirt_m })}
          />
          <MeasureField
            label="One piece is"
            limit="length"
            dimensions
            width="150px"
            placeholder={usually ?? "not known"}
            shown={piece}
            onMeaning={({ values }) => change({ piece_m: values.slice(0, 2), roll_width_m: null })}
          />
          {piece ? (
            <MeasureField
              label="Pieces there are"
              limit="count"
              width="84px"
              placeholder="enough"
              shown={layer.on_hand == null ? "" : String(layer.on_hand)}
              onMeaning={({ values: [on_hand] }) => change({ on_hand })}
            />
          ) : (
            <MeasureField
              label="Or a roll so wide"
              limit="length"
              width="100px"
              placeholder="no roll"
              shown={layer.roll_width_m == null ? "" : typedLength(layer.roll_width_m, units)}
              onMeaning={({ values: [roll_width_m] }) => change({ roll_width_m })}
            />
          )}
        </>
      )}
      <Note sx={{ flexBasis: "100%" }}>
        <Quantity kind="area" value={figured.cover_m2} /> to cover, each ply
        {usually && `; counted in pieces of ${usually}, as they usually are`}.
      </Note>
    </Row>
  );
}
