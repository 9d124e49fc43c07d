import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { KeptBed, Material } from "../api/client";
import { Swatch } from "../hatches/Swatch";
import { Quantity } from "../quantities/Quantity";
import { blendApi, type ZonesFigures } from "./blendApi";
import { USES } from "./edits";

type Props = {
  bed: KeptBed;
  materials: ReadonlyMap<string, Material>;
  zones: ZonesFigures | undefined;
  chosen: string;
  beds: readonly KeptBed[];
  onBed: (key: string) => void;
  mixPath: (key: string) => string;
  bedPath: string;
};

/** The soils of one bed, top to bottom: which mix lies in which zone, and whether it suits there. */
export function Zones({ bed, materials, zones, chosen, beds, onBed, mixPath, bedPath }: Props) {
  if (!zones) return null;
  return (
    <section className="blend-zones" aria-labelledby="zones-title">
      <header>
        <h2 id="zones-title">Soils of a bed, top to bottom</h2>
        <select
          className="measure-input"
          aria-label="Bed"
          value={bed.key}
          onChange={(event) => onBed(event.currentTarget.value)}
        >
          {beds.map((each) => (
            <option key={each.key} value={each.key}>
              {each.bed.name ?? each.key}
            </option>
          ))}
        </select>
        <Link className="text-button" to={bedPath}>
          Section
        </Link>
      </header>
      {zones.zones.length === 0 && <p className="panel-note">No soil lies in it yet.</p>}
      <ol>
        {zones.zones.map((zone) => {
          const out = zone.marks.filter(({ state }) => state === "under" || state === "over").length;
          return (
            <li key={zone.layer} className={zone.material === chosen ? "is-chosen" : ""}>
              <Swatch
                material={zone.material}
                like={materials.get(zone.material)?.like}
                width={30}
                height={24}
              />
              {zone.is_mix ? <Link to={mixPath(zone.material)}>{zone.name}</Link> : <span>{zone.name}</span>}
              <span>
                <Quantity kind="length" value={zone.thickness_m} />,{" "}
                <Quantity kind="volume" value={zone.loose_m3} /> loose
              </span>
              <span className={out ? "is-out" : ""}>
                {zone.use
                  ? `${USES.find(([use]) => use === zone.use)?.[1] ?? zone.use}: ${out === 0 ? "fits" : `${out} out of band`}`
                  : "not a mix"}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** The soils of a bed as it is kept. */
export function useZones(gardenId: number, bedKey: string | undefined) {
  return useQuery({
    queryKey: ["zones", gardenId, bedKey],
    queryFn: ({ signal }) => blendApi.zones(gardenId, bedKey ?? "", signal),
    enabled: bedKey !== undefined,
    staleTime: 0,
  });
}
