import Typography from "@mui/material/Typography";
import { PageNote } from "../kit/Page";
import { HaulAdd, HaulHead, HaulPanel, HaulViewBox, HaulWork } from "./haul.styles";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Material, type Sources, type TalliedFigures } from "../api/client";
import { OwnHeaps } from "./OwnHeaps";
import { SupplierEditor } from "./SupplierEditor";
import { SupplierPanel } from "./SupplierPanel";
import { ToPay } from "./ToPay";

type Props = { gardenId: number; materials: ReadonlyMap<string, Material> };

/** What to buy where for all beds, drawn as it will lie in the drive. */
export function HaulView({ gardenId, materials }: Props) {
  const figured = useQuery({ queryKey: ["figure", gardenId], queryFn: () => api.figureGarden(gardenId) });
  const sources = useQuery({ queryKey: ["sources", gardenId], queryFn: () => api.sources(gardenId) });
  const error = figured.error ?? sources.error;
  if (error) return <PageNote data-part="page-note">{error.message}</PageNote>;
  if (!figured.data || !sources.data)
    return <PageNote data-part="page-note">Working out what to buy ...</PageNote>;
  return <Haul gardenId={gardenId} materials={materials} tallied={figured.data} sources={sources.data} />;
}

type HaulProps = Props & { tallied: TalliedFigures; sources: Sources };

function Haul({ gardenId, materials, tallied, sources }: HaulProps) {
  const queries = useQueryClient();
  const [adding, setAdding] = useState(false);
  const { figures } = tallied;
  const lines = figures.haul?.lines ?? [];
  const beds = figures.beds.reduce((sum, bed) => sum + bed.count, 0);
  const changed = async () => {
    setAdding(false);
    await queries.invalidateQueries({ queryKey: ["sources", gardenId] });
    void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
  };
  return (
    <HaulViewBox data-part="haul-view">
      <HaulHead data-part="haul-head">
        <Typography variant="view" data-part="view-title">
          Haul
        </Typography>
        <span>
          {beds === 1 ? "1 bed" : `${beds} beds`}
          {(figures.plot?.courses.length ?? 0) > 0 && " and the paths"}, after your own heaps; every volume is
          loose, as bought
        </span>
      </HaulHead>
      <HaulWork>
        {sources.suppliers.map((supplier) => (
          <SupplierPanel
            key={supplier.key}
            gardenId={gardenId}
            supplier={supplier}
            lines={lines.filter((line) => line.supplier === supplier.key)}
            sums={figures.haul?.suppliers.find((each) => each.supplier === supplier.key)}
            materials={materials}
            onChanged={changed}
          />
        ))}
        <OwnHeaps
          gardenId={gardenId}
          stock={sources.stock}
          needs={figures.needs}
          materials={materials}
          onChanged={changed}
        />
        {adding ? (
          <HaulPanel variant="outlined" component="section">
            <SupplierEditor
              gardenId={gardenId}
              supplier={{ key: "new_supplier", name: "", offers: [] }}
              fresh
              materials={materials}
              onSaved={changed}
              onLeave={() => setAdding(false)}
            />
          </HaulPanel>
        ) : (
          <HaulAdd onClick={() => setAdding(true)}>
            {sources.suppliers.length === 0 ? "Enter the first supplier" : "Enter another supplier"}
          </HaulAdd>
        )}
      </HaulWork>
      <ToPay tallied={tallied} />
    </HaulViewBox>
  );
}
