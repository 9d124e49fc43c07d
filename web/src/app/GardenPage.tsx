import { PageNote } from "../kit/Page";
import { PageBody } from "../gardens/troubles.styles";
import { meant } from "../api/meant";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Navigate, Route, Routes, useLocation, useNavigate, useParams } from "react-router";
import { api, type KeptGarden, type Material } from "../api/client";
import { BlendView } from "../blend/BlendView";
import { Troubles } from "../gardens/Troubles";
import { HaulView } from "../haul/HaulView";
import { NewBed } from "../plot/NewBed";
import { PlotView } from "../plot/PlotView";
import type { Units } from "../quantities/format";
import { ShowingProvider } from "../quantities/UnitsContext";
import { CompareView } from "../schools/CompareView";
import { SchoolsView } from "../schools/SchoolsView";
import { HistoryView } from "../section/HistoryView";
import { SectionView } from "../section/SectionView";
import { ShelfView } from "../shelf/ShelfView";
import { WaterView } from "../water/WaterView";
import { Rail } from "./Rail";
import { SaveStateProvider, type Kept } from "./SaveStateContext";
import { TopBar } from "./TopBar";

/** One garden: rail, top bar, and the view that the address names. */
export function GardenPage() {
  const gardenId = Number(useParams().gardenId);
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const shelf = useQuery({ queryKey: ["shelf", gardenId, ""], queryFn: () => api.shelf(gardenId) });
  if (garden.error ?? shelf.error)
    return <PageNote data-part="page-note">{(garden.error ?? shelf.error)?.message}</PageNote>;
  if (!garden.data || !shelf.data) return <PageNote data-part="page-note">Opening the garden ...</PageNote>;
  return <Garden garden={garden.data} shelf={shelf.data} />;
}

function Garden({ garden, shelf }: { garden: KeptGarden; shelf: Material[] }) {
  const queries = useQueryClient();
  const location = useLocation();
  const navigate = useNavigate();
  const [save, setSave] = useState<Kept | null>(null);
  const units = useMutation({
    mutationFn: (wanted: Units) => api.changeUnits(garden.id, wanted),
    onSuccess: (kept) => queries.setQueryData(["garden", garden.id], kept),
    // With the line down the page still shows the other units; what the core has said stays as it was said.
    onError: (_error, wanted) =>
      queries.setQueryData<KeptGarden>(["garden", garden.id], (before) =>
        before ? { ...before, garden: { ...before.garden, units: wanted } } : before,
      ),
  });
  const showing = useMemo(
    () =>
      ({
        units: meant("Garden", garden.garden, "units"),
        currency: meant("Garden", garden.garden, "currency"),
      }) as const,
    [garden.garden.units, garden.garden.currency],
  );
  const materials = useMemo(() => new Map(shelf.map((material) => [material.key, material])), [shelf]);
  const base = `/garden/${garden.id}`;
  const chosen = /\/bed\/([a-z0-9_]+)/.exec(location.pathname)?.[1] ?? null;
  const [lastChosen, setLastChosen] = useState<string | null>(null);
  if (chosen && chosen !== lastChosen) setLastChosen(chosen);
  const first = chosen ?? lastChosen ?? garden.beds[0]?.key;
  const bedPath = (key: string) => `${base}/section/bed/${key}`;
  const shown = { garden, materials, bedPath };
  return (
    <ShowingProvider value={showing}>
      <SaveStateProvider value={setSave}>
        <Rail
          places={[
            { name: "plot", label: "Plot", to: `${base}/plot` },
            { name: "section", label: "Section", to: first ? bedPath(first) : `${base}/new` },
            { name: "blend", label: "Blend", to: `${base}/blend` },
            { name: "water", label: "Water", to: first ? `${base}/water/bed/${first}` : `${base}/new` },
            { name: "haul", label: "Haul", to: `${base}/haul` },
            { name: "shelf", label: "Shelf", to: `${base}/shelf` },
          ]}
        />
        <TopBar
          garden={garden}
          bedPath={bedPath}
          chosen={chosen}
          save={save}
          onUnits={(wanted) => units.mutate(wanted)}
        />
        <PageBody data-part="page-body">
          <Routes>
            <Route path="section/bed/:bedKey" element={<ChosenBed {...shown} />} />
            <Route path="section/bed/:bedKey/history" element={<ChosenBed {...shown} view="history" />} />
            <Route path="section/bed/:bedKey/schools" element={<ChosenBed {...shown} view="schools" />} />
            <Route path="section/bed/:bedKey/compare" element={<ChosenBed {...shown} view="compare" />} />
            <Route path="water/bed/:bedKey" element={<ChosenBed {...shown} view="water" />} />
            <Route
              path="plot"
              element={<PlotView garden={garden} materials={materials} bedPath={bedPath} />}
            />
            <Route
              path="blend/:mix?"
              element={<BlendView garden={garden} materials={materials} bedKey={first} />}
            />
            <Route path="haul" element={<HaulView gardenId={garden.id} materials={materials} />} />
            <Route path="shelf/:material?" element={<ShelfView gardenId={garden.id} />} />
            <Route
              path="new"
              element={
                <NewBed garden={garden} materials={materials} onMade={(key) => void navigate(bedPath(key))} />
              }
            />
            <Route path="*" element={<Navigate to={first ? bedPath(first) : `${base}/new`} replace />} />
          </Routes>
        </PageBody>
      </SaveStateProvider>
    </ShowingProvider>
  );
}

type ChosenProps = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  bedPath: (key: string) => string;
  view?: keyof typeof BESIDE;
};

/** Views of one bed beside its section. */
const BESIDE = { history: HistoryView, schools: SchoolsView, compare: CompareView, water: WaterView };

function ChosenBed({ garden, materials, bedPath, view }: ChosenProps) {
  const { bedKey } = useParams();
  const kept = garden.beds.find((bed) => bed.key === bedKey);
  const trouble = garden.troubles.filter(({ kind, key }) => kind === "bed" && key === bedKey);
  if (!kept && trouble.length > 0)
    return <Troubles gardenId={garden.id} troubles={trouble} bedPath={bedPath} />;
  if (!kept)
    return <PageNote data-part="page-note">There is no bed called “{bedKey}” in this garden.</PageNote>;
  const props = { gardenId: garden.id, kept, materials };
  const Beside = view && BESIDE[view];
  if (Beside) return <Beside key={kept.key} {...props} back={bedPath(kept.key)} />;
  return <SectionView key={kept.key} {...props} />;
}
