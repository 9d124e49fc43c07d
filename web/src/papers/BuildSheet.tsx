import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { Bed, BedFigures, Material } from "../api/client";
import { Drawing } from "../drawing/Drawing";
import { sectionAt, SECTION_BESIDE } from "../drawing/geometry";
import { leaderFrom } from "../drawing/leaders";
import { Swatch } from "../drawing/Swatch";
import { Note } from "../kit/Note";
import { TIMBER } from "../api/words";
import { showSawn, showSection } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import type { WorkStep } from "../works/worksApi";
import { Empty } from "./Empty";
import { Paper, usePrinting } from "./Paper";
import { ScaleBar } from "./ScaleBar";
import { scaleFor } from "./sizes";

type Props = {
  bed: Bed;
  figures: BedFigures;
  materials: ReadonlyMap<string, Material>;
  steps: readonly WorkStep[];
};

const nothing = () => undefined;

/** A bed to build: cut open to scale, its layers with their depth marks, its boards, its steps to tick. */
export function BuildSheet({ bed, figures, materials, steps }: Props) {
  const { paper } = usePrinting();
  const { section } = figures;
  const deep_m = Math.max(section.top_m, 0.05) + (section.pit?.depth_m ?? 0);
  const at = scaleFor(paper, [section.right_m - section.left_m, deep_m], SECTION_BESIDE);
  const geometry = sectionAt(figures, at.px_per_m);
  const open = steps.filter((step) => !step.done && step.left_out === "");
  return (
    <Paper title={`Build sheet: ${figures.name}`} to={`section/bed/${figures.key}`}>
      <Note>
        {figures.count > 1 && `${figures.count} alike, figures of one. `}
        Outside <Quantity kind="length" value={figures.plan.length_m} /> by{" "}
        <Quantity kind="length" value={figures.plan.width_m} />, takes{" "}
        <Quantity kind="area" value={figures.footprint_m2} /> of ground; holds{" "}
        <Quantity kind="volume" value={figures.fill_volume_m3} /> to its line.
      </Note>
      <div style={{ position: "relative" }}>
        <Drawing
          bed={bed}
          figures={figures}
          geometry={geometry}
          materials={materials}
          selected={null}
          still
          ghosts={[]}
          onSelect={nothing}
          onDrag={nothing}
          onNudge={nothing}
          onDragEnd={nothing}
        />
        <svg
          width={geometry.width}
          height={geometry.height}
          style={{ position: "absolute", inset: 0 }}
          aria-hidden
        >
          {figures.layers.map((layer, index) => {
            const [x, y] = leaderFrom(geometry, layer);
            return <Numbered key={index} x={x} y={y} number={index + 1} />;
          })}
        </svg>
      </div>
      <ScaleBar at={at} />
      <Layers figures={figures} materials={materials} />
      {figures.frame && <Pieces figures={figures} />}
      {open.length > 0 && (
        <div>
          <Typography variant="panelTitle">Steps</Typography>
          {open.map((step) => (
            <Typography key={step.key} sx={{ breakInside: "avoid" }}>
              <Empty /> {step.title}
            </Typography>
          ))}
        </div>
      )}
    </Paper>
  );
}

function Numbered({ x, y, number }: { x: number; y: number; number: number }) {
  return (
    <g>
      <circle cx={x} cy={y} r={8} fill="#fff" stroke="#000" />
      <text x={x} y={y + 4} textAnchor="middle" fontSize={11} fontWeight={650} fill="#000">
        {number}
      </text>
    </g>
  );
}

/** From the top down, as they lie; filled from the last to the first. */
function Layers({ figures, materials }: Pick<Props, "figures" | "materials">) {
  const { form, top_m } = figures.section;
  const hasRim = form === "vessel" || form === "trench";
  const from_m = hasRim ? figures.rim_m : top_m;
  const layers = figures.layers.map((layer, index) => ({ layer, number: index + 1 })).toReversed();
  return (
    <Table size="small" data-part="paper-layers">
      <TableHead>
        <TableRow>
          <TableCell>No.</TableCell>
          <TableCell>From the top down; fill from the last to the first</TableCell>
          <TableCell align="right">Thick</TableCell>
          <TableCell align="right">
            {hasRim ? "Its top below the rim" : "Its top below the highest"}
          </TableCell>
          <TableCell align="right">Loose, or sheet</TableCell>
          <TableCell align="right">Moist</TableCell>
          <TableCell>Laid</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {layers.map(({ layer, number }) => (
          <TableRow key={number}>
            <TableCell sx={{ whiteSpace: "nowrap" }}>
              {number}{" "}
              <Swatch
                material={layer.material}
                like={materials.get(layer.material)?.like}
                width={26}
                height={16}
              />
            </TableCell>
            <TableCell>{layer.name}</TableCell>
            <TableCell align="right">
              {!layer.sheet && <Quantity kind="length" value={layer.thickness_m} />}
            </TableCell>
            <TableCell align="right">
              {!layer.sheet && <Quantity kind="length" value={from_m - layer.top_m} />}
            </TableCell>
            <TableCell align="right">
              {layer.sheet ? (
                <Quantity kind="area" value={layer.sheet_area_m2} />
              ) : (
                <Quantity kind="volume" value={layer.loose_m3} />
              )}
            </TableCell>
            <TableCell align="right">
              {layer.mass_moist_kg > 0 && <Quantity kind="mass" value={layer.mass_moist_kg} />}
            </TableCell>
            <TableCell>
              <Empty />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function Pieces({ figures }: Pick<Props, "figures">) {
  const { units } = useShowing();
  const pieces = figures.frame?.pieces ?? [];
  if (pieces.length === 0) return null;
  return (
    <Table size="small">
      <TableHead>
        <TableRow>
          <TableCell>Frame</TableCell>
          <TableCell align="right">How many</TableCell>
          <TableCell align="right">Long</TableCell>
          <TableCell align="right">Section</TableCell>
          <TableCell>Cut</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {pieces.map((piece, index) => (
          <TableRow key={index}>
            <TableCell>
              {piece.part.replaceAll("_", " ")}, {TIMBER[piece.material] ?? piece.material}
            </TableCell>
            <TableCell align="right">{piece.count}</TableCell>
            <TableCell align="right">{showSawn(piece.length_m, units)}</TableCell>
            <TableCell align="right">{showSection(piece.thickness_m, piece.width_m, units)}</TableCell>
            <TableCell>
              <Empty />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
