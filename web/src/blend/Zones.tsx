import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import { ZoneList } from "./blend.styles";
import Typography from "@mui/material/Typography";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { Pick } from "../theme/controls/Pick";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { KeptBed, Material } from "../api/client";
import { Swatch } from "../drawing/Swatch";
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
    <Sheet component="section" data-part="blend-zones" aria-labelledby="zones-title">
      <Row sx={{ marginBottom: 2 }}>
        <Typography variant="panelTitle" id="zones-title" sx={{ marginRight: "auto" }}>
          Soils of a bed, top to bottom
        </Typography>
        <Pick
          label="Bed"
          hideLabel
          options={beds.map((each) => [each.key, each.bed.name ?? each.key] as const)}
          value={bed.key}
          onChoose={onBed}
        />
        <Button component={Link} to={bedPath}>
          Section
        </Button>
      </Row>
      {zones.zones.length === 0 && <Note>No soil lies in it yet.</Note>}
      <ZoneList>
        {zones.zones.map((zone) => {
          const out = zone.marks.filter(({ state }) => state === "under" || state === "over").length;
          return (
            <li key={zone.layer} data-chosen={zone.material === chosen || undefined}>
              <Swatch
                material={zone.material}
                like={materials.get(zone.material)?.like}
                width={30}
                height={24}
              />
              {zone.is_mix ? (
                <Button variant="link" component={Link} to={mixPath(zone.material)}>
                  {zone.name}
                </Button>
              ) : (
                <span>{zone.name}</span>
              )}
              <span>
                <Quantity kind="length" value={zone.thickness_m} />,{" "}
                <Quantity kind="volume" value={zone.loose_m3} /> loose
              </span>
              <span data-out={out || undefined}>
                {zone.use
                  ? `${USES.find(([use]) => use === zone.use)?.[1] ?? zone.use}: ${out === 0 ? "fits" : `${out} out of band`}`
                  : "not a mix"}
              </span>
            </li>
          );
        })}
      </ZoneList>
    </Sheet>
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
