import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type BedFigures, type KeptGarden, type Material } from "../api/client";
import { Sign } from "../app/icons";
import { showLength } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { BagsAndDepth } from "./BagsAndDepth";
import { Bin } from "./Bin";
import { SmallSection, smallScale } from "./SmallSection";
import "./plot.css";

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  bedPath: (key: string) => string;
};

const CARD_WIDTH = 250;
const CARD_HEIGHT = 120;

/** All beds of the garden, cut open at one scale, and where a new one starts. */
export function PlotView({ garden, materials, bedPath }: Props) {
  const answer = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const beds = answer.data?.figures.beds ?? [];
  const scale = Math.min(...beds.map((bed) => smallScale(bed, CARD_WIDTH, CARD_HEIGHT)));
  return (
    <main className="plot-view">
      <div className="plot-work">
        <h1 className="view-title">Plot</h1>
        {answer.error && <p role="alert">{answer.error.message}</p>}
        <ul className="plot-beds">
          {beds.map((bed) => (
            <li key={bed.key}>
              <BedCard bed={bed} materials={materials} scale={scale} to={bedPath(bed.key)} />
            </li>
          ))}
          <li>
            <Link className="plot-bed plot-new" to={`/garden/${garden.id}/new`}>
              <Sign name="new" />
              <span>{garden.beds.length === 0 ? "Measure the first bed" : "Measure another bed"}</span>
            </Link>
          </li>
        </ul>
        <Bin gardenId={garden.id} materials={materials} />
      </div>
      <BagsAndDepth gardenId={garden.id} materials={materials} />
    </main>
  );
}

type CardProps = { bed: BedFigures; materials: ReadonlyMap<string, Material>; scale: number; to: string };

function BedCard({ bed, materials, scale, to }: CardProps) {
  const { units } = useShowing();
  const size = [bed.inside_length_m, bed.inside_width_m, bed.rim_m]
    .map((each) => showLength(each, units))
    .join(" × ");
  const grave = bed.findings.filter((finding) => !finding.seen && finding.level !== "note").length;
  return (
    <Link className="plot-bed" to={to}>
      <span className="plot-drawing">
        <SmallSection figures={bed} materials={materials} scale={scale} />
      </span>
      <strong>
        {bed.name}
        {bed.count > 1 && <span className="chip">{bed.count} alike</span>}
      </strong>
      <span className="plot-fact">{size} deep, inside</span>
      <span className="plot-fact">
        <Quantity kind="volume" value={bed.placed_m3} /> placed{bed.count > 1 && ", each"} ·{" "}
        <Quantity kind="mass" value={bed.mass_saturated_kg} /> wet
      </span>
      <span className={`plot-fact ${grave ? "plot-grave" : ""}`}>
        {grave === 0
          ? "nothing to mend"
          : grave === 1
            ? "1 thing worth a look"
            : `${grave} things worth a look`}
      </span>
    </Link>
  );
}
