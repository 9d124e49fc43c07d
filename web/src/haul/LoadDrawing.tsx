import css from "./haul.module.css";
import css2 from "../drawing/drawing.module.css";
import { styled } from "@mui/material/styles";
import { hatchKey, hatchOf } from "../drawing/hatches";
import { BAG, heapSize, pileLogs, ROW_HEIGHT as HEIGHT, stackBags, stackWidth } from "./loads";

export type Load = {
  key: string;
  material: string;
  like?: string | null;
  form: "bag" | "heap";
  count: number;
  volume_m3: number;
  caption: string;
};

const LoadRow = styled("div")({
  display: "flex",
  alignItems: "flex-end",
  flexWrap: "wrap",
  gap: "4px 0",
  marginTop: 4,
  overflow: "hidden",
});

const GAP = 30;
const CAPTION_WIDTH = 6.2;

/** Loads as they will lie in the drive: bags stacked, loose heaps, logs. */
export function LoadDrawing({ loads }: { loads: readonly Load[] }) {
  const largest_m3 = Math.max(
    ...loads.filter(({ form }) => form === "heap").map(({ volume_m3 }) => volume_m3),
    0,
  );
  return (
    <LoadRow aria-hidden="true">
      {loads.map((load) => (
        <OneLoad key={load.key} load={load} largest_m3={largest_m3} />
      ))}
    </LoadRow>
  );
}

function OneLoad({ load, largest_m3 }: { load: Load; largest_m3: number }) {
  const name = hatchKey(load.material, load.like);
  const fill = `url(#hatch-${name})`;
  const drawn = widthOf(load, name, largest_m3);
  const width = Math.max(drawn, load.caption.length * CAPTION_WIDTH) + GAP;
  const left = (width - drawn) / 2;
  return (
    <svg width={width} height={HEIGHT + 20}>
      <line className={css.loadGround} x1={0} x2={width} y1={HEIGHT} y2={HEIGHT} />
      <g transform={`translate(${left} 0)`}>
        {load.form === "bag" ? (
          <Bags count={load.count} fill={fill} />
        ) : name.endsWith("_logs") ? (
          <Logs volume_m3={load.volume_m3} name={name} />
        ) : (
          <Heap size={heapSize(load.volume_m3, largest_m3)} fill={fill} />
        )}
      </g>
      <text className={css.loadCaption} x={width / 2} y={HEIGHT + 15} textAnchor="middle">
        {load.caption}
      </text>
    </svg>
  );
}

function widthOf(load: Load, name: string, largest_m3: number): number {
  if (load.form === "bag") return stackWidth(load.count);
  if (name.endsWith("_logs")) return Math.max(...pileLogs(load.volume_m3).map((log) => log.x + log.r));
  return heapSize(load.volume_m3, largest_m3).width;
}

function Bags({ count, fill }: { count: number; fill: string }) {
  return (
    <>
      {stackBags(count).map(({ x, y }) => (
        <rect
          key={`${x} ${y}`}
          className={css.loadBag}
          x={x + 1}
          y={HEIGHT - BAG.height - y}
          width={BAG.width}
          height={BAG.height}
          rx={5}
          fill={fill}
        />
      ))}
    </>
  );
}

function Heap({ size, fill }: { size: { width: number; height: number }; fill: string }) {
  const { width, height } = size;
  const top = HEIGHT - height;
  const d = `M0 ${HEIGHT}C${width * 0.28} ${HEIGHT - height * 0.5} ${width * 0.34} ${top} ${width / 2} ${top}S${width * 0.72} ${HEIGHT - height * 0.5} ${width} ${HEIGHT}Z`;
  return <path className={css.loadHeap} d={d} fill={fill} />;
}

function Logs({ volume_m3, name }: { volume_m3: number; name: string }) {
  const { ground, ink } = hatchOf(name, null);
  return (
    <g>
      {pileLogs(volume_m3).map((log) => (
        <g key={`${log.x} ${log.y}`} transform={`translate(${log.x} ${HEIGHT - log.y})`}>
          <circle className={css2.logBark} fill={ground} stroke={ink} r={log.r - 0.9} />
          <circle className={css2.logRing} stroke={ink} r={log.r * 0.5} />
        </g>
      ))}
    </g>
  );
}
