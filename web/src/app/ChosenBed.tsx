import { useParams } from "react-router";
import type { KeptGarden, Material } from "../api/client";
import { Troubles } from "../gardens/Troubles";
import { PageNote } from "../kit/Page";
import {
  CompareView,
  FrameView,
  HistoryView,
  PlantingView,
  SchoolsView,
  SectionView,
  WaterView,
} from "./views";

type Props = {
  garden: KeptGarden;
  materials: ReadonlyMap<string, Material>;
  bedPath: (key: string) => string;
  view?: keyof typeof BESIDE;
};

/** Views of one bed beside its section. */
const BESIDE = {
  history: HistoryView,
  schools: SchoolsView,
  compare: CompareView,
  water: WaterView,
  frame: FrameView,
  planting: PlantingView,
};

/** The view of the bed that the address names. */
export function ChosenBed({ garden, materials, bedPath, view }: Props) {
  const { bedKey } = useParams();
  const kept = garden.beds.find((bed) => bed.key === bedKey);
  const trouble = garden.troubles.filter(({ kind, key }) => kind === "bed" && key === bedKey);
  if (!kept && trouble.length > 0)
    return <Troubles gardenId={garden.id} troubles={trouble} bedPath={bedPath} />;
  if (!kept) return <PageNote>There is no bed called “{bedKey}” in this garden.</PageNote>;
  const props = { gardenId: garden.id, kept, materials };
  const Beside = view && BESIDE[view];
  if (Beside) return <Beside key={kept.key} {...props} back={bedPath(kept.key)} />;
  return <SectionView key={kept.key} {...props} />;
}
