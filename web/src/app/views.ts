import { lazy } from "react";

const load = {
  plot: () => import("../plot/PlotView"),
  settingOut: () => import("../plot/SettingOutView"),
  section: () => import("../section/SectionView"),
  history: () => import("../section/HistoryView"),
  schools: () => import("../schools/SchoolsView"),
  compare: () => import("../schools/CompareView"),
  blend: () => import("../blend/BlendView"),
  water: () => import("../water/WaterView"),
  frame: () => import("../frame/FrameView"),
  planting: () => import("../planting/PlantingView"),
  sowing: () => import("../planting/SowingView"),
  lines: () => import("../lines/LinesView"),
  haul: () => import("../haul/HaulView"),
  works: () => import("../works/WorksView"),
  season: () => import("../season/SeasonView"),
  seasonYear: () => import("../season/YearView"),
  worksSheet: () => import("../works/SheetView"),
  outdoors: () => import("../outdoors/OutdoorView"),
  share: () => import("../sharing/ShareView"),
  papers: () => import("../papers/PapersView"),
  wishes: () => import("../wishes/WishesView"),
  sure: () => import("../sure/SureView"),
  shelf: () => import("../shelf/ShelfView"),
  newBed: () => import("../measuring/NewBed"),
} as const;

/** Every view is a chunk of its own. */
export const PlotView = lazy(load.plot);
export const SettingOutView = lazy(load.settingOut);
export const SectionView = lazy(load.section);
export const HistoryView = lazy(load.history);
export const SchoolsView = lazy(load.schools);
export const CompareView = lazy(load.compare);
export const BlendView = lazy(load.blend);
export const WaterView = lazy(load.water);
export const FrameView = lazy(load.frame);
export const PlantingView = lazy(load.planting);
export const SowingView = lazy(load.sowing);
export const LinesView = lazy(load.lines);
export const HaulView = lazy(load.haul);
export const WorksView = lazy(load.works);
export const SeasonView = lazy(load.season);
export const SeasonYearView = lazy(load.seasonYear);
export const WorksSheetView = lazy(load.worksSheet);
export const OutdoorView = lazy(load.outdoors);
export const ShareView = lazy(load.share);
export const PapersView = lazy(load.papers);
export const WishesView = lazy(load.wishes);
export const SureView = lazy(load.sure);
export const ShelfView = lazy(load.shelf);
export const NewBed = lazy(load.newBed);

/** Fetch the other views once nothing else is to be done, so that they open without a connection too. */
export function fetchViewsAhead(...others: readonly (() => Promise<unknown>)[]): void {
  const fetchAll = () => {
    for (const one of others) void one().catch(() => undefined);
    for (const one of Object.values(load)) void one().catch(() => undefined);
  };
  if ("requestIdleCallback" in window) window.requestIdleCallback(fetchAll, { timeout: 8000 });
  else setTimeout(fetchAll, 4000);
}
