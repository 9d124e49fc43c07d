import css from "./haul.module.css";
import css2 from "../section/drawing.module.css";
import { LoadRow } from "./haul.styles";
import { hatchKey } from "../hatches/hatches";
import { BAG, heapSize, pileLogs, stackBags, stackWidth } from "./loads";

export type Load = {
  key: string;
  material: string;
  like?: string | null;
  form: "bag" | "heap";
  count: number;
  volume_m3: number;
  caption: string;
};

const HEIGHT = 64;
const GAP = 30;
const CAPTION_WIDTH = 6.2;

/** Loads as they will lie in the drive: bags stacked, loose heaps, logs. */
export function LoadDrawing({ loads }: { loads: readonly Load[] }) {
  return (
    <LoadRow aria-hidden="true">
      {loads.map((load) => (
        <OneLoad key={load.key} load={load} />
      ))}
    </LoadRow>
  );
}

function OneLoad({ load }: { load: Load }) {
  const name = hatchKey(load.material, load.like);
  const fill = `url(#hatch-${name})`;
  const width = Math.max(widthOf(load, name), load.caption.length * CAPTION_WIDTH) + GAP;
  const left = (width - widthOf(load, name)) / 2;
  return (
    <svg width={width} height={HEIGHT + 20}>
      <line className={css.loadGround} x1={0} x2={width} y1={HEIGHT} y2={HEIGHT} />
      <g transform={`translate(${left} 0)`}>
        {load.form === "bag" ? (
          <Bags count={load.count} fill={fill} />
        ) : name.endsWith("_logs") ? (
          <Logs volume_m3={load.volume_m3} name={name} />
        ) : (
          <Heap volume_m3={load.volume_m3} fill={fill} />
        )}
      </g>
      <text className={css.loadCaption} x={width / 2} y={HEIGHT + 15} textAnchor="middle">
        {load.caption}
      </text>
    </svg>
  );
}

function widthOf(load: Load, name: string): number {
  if (load.form === "bag") return stackWidth(load.count);
  if (name.endsWith("_logs")) return Math.max(...pileLogs(load.volume_m3).map((log) => log.x + log.r));
  return heapSize(load.volume_m3).width;
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

function Heap({ volume_m3, fill }: { volume_m3: number; fill: string }) {
  const { width, height } = heapSize(volume_m3);
  const top = HEIGHT - height;
  const d = `M0 ${HEIGHT}C${width * 0.28} ${HEIGHT - height * 0.5} ${width * 0.34} ${top} ${width / 2} ${top}S${width * 0.72} ${HEIGHT - height * 0.5} ${width} ${HEIGHT}Z`;
  return <path className={css.loadHeap} d={d} fill={fill} />;
}

function Logs({ volume_m3, name }: { volume_m3: number; name: string }) {
  return (
    <g className={name}>
      {pileLogs(volume_m3).map((log) => (
        <g key={`${log.x} ${log.y}`} transform={`translate(${log.x} ${HEIGHT - log.y})`}>
          <circle className={css2.logBark} r={log.r - 0.9} />
          <circle className={css2.logRing} r={log.r * 0.5} />
        </g>
      ))}
    </g>
  );
}
