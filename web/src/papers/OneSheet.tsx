import { useQuery } from "@tanstack/react-query";
import { api, saidOf, type KeptGarden, type Material, type NeedFigures } from "../api/client";
import { SawList } from "../frame/SawList";
import { NeedsTable } from "../haul/NeedsList";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { plantingApi } from "../planting/plantingApi";
import { useSeasonFigures } from "../season/useSeasonFigures";
import { useWorksFigures } from "../works/useWorks";
import { BuildSheet } from "./BuildSheet";
import { CalendarSheet, StepsSheet, YearSheet } from "./DaySheets";
import { SettingOutSheet, ZoneSheet } from "./GroundSheets";
import { ListSheet } from "./ListSheet";
import { Paper } from "./Paper";
import { PlantingSheet } from "./PlantingSheet";
import type { SheetChoice } from "./sheets";

type Props = { sheet: SheetChoice; garden: KeptGarden; materials: ReadonlyMap<string, Material> };

/** One of the sheets that can be chosen, once what stands on it is there. */
export function OneSheet({ sheet, garden, materials }: Props) {
  const asked = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  if (asked.error) return <Problem>{saidOf(asked.error)}</Problem>;
  if (!asked.data) return <Note>Working the figures out ...</Note>;
  const { figures } = asked.data;
  const of = figures.beds.find(({ key }) => key === sheet.of);
  const { plot } = garden.garden;
  switch (sheet.kind) {
    case "build":
      return of && <Build garden={garden} figures={of} materials={materials} />;
    case "planting":
      return of && <PlantingSheet figures={of} />;
    case "pile":
      return (
        <Paper title="Pile sheet: what goes to which bed" to="haul">
          <NeedsTable needs={heaped(figures.needs)} materials={materials} by="all" />
          <NeedsTable needs={heaped(figures.needs)} materials={materials} by="beds" />
        </Paper>
      );
    case "list":
      return <List garden={garden} supplierKey={sheet.of} haul={figures.haul} />;
    case "saw":
      return (
        <Paper title="Saw list" to={garden.beds[0] ? `frame/bed/${garden.beds[0].key}` : "plot"}>
          <SawList gardenId={garden.id} saved />
        </Paper>
      );
    case "setting-out":
      return plot && <SettingOutSheet garden={garden} plot={plot} />;
    case "zones":
      return <ZoneSheet garden={garden} beds={figures.beds} zones={figures.zones} />;
    case "calendar":
      return <Calendar gardenId={garden.id} />;
    case "steps":
      return <Steps gardenId={garden.id} />;
    case "year":
      return <Year garden={garden} figures={figures} />;
  }
}

/** What lies in the drive in heaps, bags and rolls; pieces stand on shopping lists. */
const heaped = (needs: readonly NeedFigures[]) =>
  needs.filter(({ by, loose_m3, area_m2 }) => (by === "volume" || by === "area") && loose_m3 + area_m2 > 0);

type Figures = Awaited<ReturnType<typeof api.figureGarden>>["figures"];
type BuildProps = { garden: KeptGarden; figures: Figures["beds"][number]; materials: Props["materials"] };

function Build({ garden, figures, materials }: BuildProps) {
  const works = useWorksFigures(garden.id);
  const kept = garden.beds.find(({ key }) => key === figures.key);
  if (!kept) return null;
  const steps = works.data?.steps.filter(({ bed }) => bed === figures.key) ?? [];
  return <BuildSheet bed={kept.bed} figures={figures} materials={materials} steps={steps} />;
}

type ListProps = { garden: KeptGarden; supplierKey: string; haul: Figures["haul"] };

function List({ garden, supplierKey, haul }: ListProps) {
  const sources = useQuery({ queryKey: ["sources", garden.id], queryFn: () => api.sources(garden.id) });
  const supplier = sources.data?.sources.suppliers.find(({ key }) => key === supplierKey);
  return supplier ? <ListSheet supplier={supplier} haul={haul} /> : null;
}

function Calendar({ gardenId }: { gardenId: number }) {
  const days = useQuery({
    queryKey: ["figure", gardenId, "sowing"],
    queryFn: () => plantingApi.sowing(gardenId),
  });
  return days.data ? <CalendarSheet days={days.data} gardenId={gardenId} /> : null;
}

function Steps({ gardenId }: { gardenId: number }) {
  const works = useWorksFigures(gardenId);
  return works.data ? <StepsSheet steps={works.data.steps} /> : null;
}

function Year({ garden, figures }: { garden: KeptGarden; figures: Figures }) {
  const season = useSeasonFigures(garden.id);
  return season.data ? <YearSheet garden={garden} season={season.data} figures={figures} /> : null;
}
