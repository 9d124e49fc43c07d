import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useMemo, useState } from "react";
import { Navigate, Route, Routes, useLocation, useNavigate, useParams } from "react-router";
import { api, saidOf, type KeptGarden, type Material } from "../api/client";
import { meant } from "../api/meant";
import { isFromBefore } from "../draft/isFromBefore";
import { disposeDrafts } from "../draft/drafts";
import { SaveStateProvider } from "../draft/SaveStateContext";
import { isTyping } from "../kit/isTyping";
import { PageNote, PageWait } from "../kit/Page";
import { useConfirming } from "../quantities/confirming";
import { ShowingProvider } from "../quantities/UnitsContext";
import { otherUnits, type Units } from "../quantities/format";
import { fetchFinder } from "../shelf/MaterialFinder";
import { ChosenBed } from "./ChosenBed";
import { DemoNote } from "./DemoNote";
import { placesOf } from "./places";
import { Rail } from "./Rail";
import { Body, Frame, SkipLink } from "./shell.styles";
import { TopBar } from "./TopBar";
import { useWaiting } from "./useWaiting";
import { ViewsAhead } from "./ViewsAhead";
import {
  BlendView,
  HaulView,
  LinesView,
  OutdoorView,
  PapersView,
  NewBed,
  PlotView,
  SettingOutView,
  ShareView,
  ShelfView,
  SowingView,
  SureView,
  WishesView,
  WorksSheetView,
  SeasonView,
  SeasonYearView,
  WorksView,
} from "./views";

const loadFinder = () => import("./Finder");
const Finder = lazy(loadFinder);
const fetchFinders = () => Promise.all([loadFinder(), fetchFinder()]);
const KeyList = lazy(() => import("./KeyList"));
const More = lazy(() => import("./More"));

/** One garden: rail, top bar, and the view that the address names. */
export function GardenPage() {
  const gardenId = Number(useParams().gardenId);
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const shelf = useQuery({ queryKey: ["shelf", gardenId, ""], queryFn: () => api.shelf(gardenId) });
  useEffect(() => () => disposeDrafts(`${gardenId}/`), [gardenId]);
  const error = garden.error ?? shelf.error;
  // what was fetched once is shown, though it could not be fetched again
  if (garden.data && shelf.data && !isFromBefore(garden))
    return <Garden garden={garden.data} shelf={shelf.data} />;
  if (error) return <PageNote>{saidOf(error)}</PageNote>;
  return <PageWait saying="Opening the garden ..." />;
}

type Open = "find" | "keys" | "more" | null;

function Garden({ garden, shelf }: { garden: KeptGarden; shelf: Material[] }) {
  const queries = useQueryClient();
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const [open, setOpen] = useState<Open>(null);
  useConfirming();
  useWaiting(garden);
  const typedAhead = useOpenByKeys(open, setOpen);
  const units = useMutation({
    mutationFn: (wanted: Units) => api.changeUnits(garden.id, wanted),
    onSuccess: (kept) => queries.setQueryData(["garden", garden.id], kept),
    // Without a connection the page still shows the other units; what the core has said stays as it was said.
    onMutate: (wanted) =>
      queries.setQueryData<KeptGarden>(["garden", garden.id], (before) =>
        before ? { ...before, garden: { ...before.garden, units: wanted } } : before,
      ),
  });
  const shownIn = meant("Garden", garden.garden, "units");
  const toldIn = units.isPending ? otherUnits(units.variables) : shownIn;
  const showing = useMemo(
    () => ({
      units: shownIn,
      told_in: toldIn,
      currency: meant("Garden", garden.garden, "currency"),
      handful_kg: garden.garden.handful_kg ?? undefined,
    }),
    [garden.garden, shownIn, toldIn],
  );
  const materials = useMemo(() => new Map(shelf.map((material) => [material.key, material])), [shelf]);
  const base = `/garden/${garden.id}`;
  const chosen = /\/bed\/([a-z0-9_]+)/.exec(pathname)?.[1] ?? null;
  const [lastChosen, setLastChosen] = useState<string | null>(null);
  if (chosen && chosen !== lastChosen) setLastChosen(chosen);
  const first = chosen ?? lastChosen ?? garden.beds[0]?.key;
  const sectionPath = (key: string) => `${base}/section/bed/${key}`;
  // a bed is looked at in the view that another was looked at in
  const beside = /\/(water|frame|planting)\//.exec(pathname)?.[1];
  const bedPath = (key: string) => (beside ? `${base}/${beside}/bed/${key}` : sectionPath(key));
  const shown = { garden, materials, bedPath: sectionPath };
  const places = placesOf(base, first);
  const close = () => setOpen(null);
  if (pathname === `${base}/outdoors`)
    return (
      <ShowingProvider value={showing}>
        <SaveStateProvider>
          <Suspense fallback={<PageWait saying="Opening the view ..." />}>
            <OutdoorView garden={garden} />
          </Suspense>
        </SaveStateProvider>
      </ShowingProvider>
    );
  return (
    <ShowingProvider value={showing}>
      <SaveStateProvider>
        <Frame>
          <SkipLink href="#view">To the view</SkipLink>
          <Rail places={places} onMore={() => setOpen("more")} />
          <TopBar
            garden={garden}
            bedPath={bedPath}
            chosen={chosen ?? lastChosen}
            isNew={pathname.endsWith("/new")}
            onUnits={(wanted) => units.mutate(wanted)}
            onFind={() => setOpen("find")}
            onKeys={() => setOpen("keys")}
          />
          <Body id="view" tabIndex={-1} data-part="page-body">
            <DemoNote />
            <ViewsAhead key={garden.id} gardenId={garden.id} others={fetchFinders} />
            <Suspense fallback={<PageWait saying="Opening the view ..." />}>
              <Routes>
                <Route path="section/bed/:bedKey" element={<ChosenBed {...shown} />} />
                <Route path="section/bed/:bedKey/history" element={<ChosenBed {...shown} view="history" />} />
                <Route path="section/bed/:bedKey/schools" element={<ChosenBed {...shown} view="schools" />} />
                <Route path="section/bed/:bedKey/compare" element={<ChosenBed {...shown} view="compare" />} />
                <Route path="water/bed/:bedKey" element={<ChosenBed {...shown} view="water" />} />
                <Route path="frame/bed/:bedKey" element={<ChosenBed {...shown} view="frame" />} />
                <Route path="planting/bed/:bedKey" element={<ChosenBed {...shown} view="planting" />} />
                <Route path="sowing" element={<SowingView garden={garden} />} />
                <Route path="lines" element={<LinesView garden={garden} />} />
                <Route path="share" element={<ShareView garden={garden} />} />
                <Route path="papers" element={<PapersView garden={garden} materials={materials} />} />
                <Route path="plot" element={<PlotView {...shown} />} />
                <Route path="plot/setting-out" element={<SettingOutView {...shown} />} />
                <Route path="blend/:mix?" element={<BlendView {...shown} bedKey={first} />} />
                <Route path="haul" element={<HaulView gardenId={garden.id} materials={materials} />} />
                <Route path="works" element={<WorksView garden={garden} />} />
                <Route path="season" element={<SeasonView garden={garden} materials={materials} />} />
                <Route path="season/year" element={<SeasonYearView garden={garden} />} />
                <Route path="works/sheet" element={<WorksSheetView garden={garden} />} />
                <Route path="wishes" element={<WishesView garden={garden} materials={materials} />} />
                <Route path="sure" element={<SureView garden={garden} bedKey={first} />} />
                <Route path="shelf/:material?" element={<ShelfView gardenId={garden.id} />} />
                <Route
                  path="new"
                  element={
                    <NewBed
                      garden={garden}
                      materials={materials}
                      onMade={(key) => void navigate(sectionPath(key))}
                    />
                  }
                />
                <Route
                  path="*"
                  element={<Navigate to={first ? sectionPath(first) : `${base}/new`} replace />}
                />
              </Routes>
            </Suspense>
          </Body>
        </Frame>
        <Suspense>
          {open === "find" && (
            <Finder
              garden={garden}
              places={places}
              bedPath={bedPath}
              typedAhead={typedAhead}
              onClose={close}
            />
          )}
          {open === "keys" && <KeyList onClose={close} />}
          {open === "more" && (
            <More
              places={places}
              units={showing.units}
              onUnits={(wanted) => units.mutate(wanted)}
              onFind={() => setOpen("find")}
              onKeys={() => setOpen("keys")}
              onClose={close}
            />
          )}
        </Suspense>
      </SaveStateProvider>
    </ShowingProvider>
  );
}

/** The two things that keys open anywhere: the list of keys, and the finder; what is typed until it is there counts. */
function useOpenByKeys(open: Open, onOpen: (open: Open) => void): string {
  const [ahead, setAhead] = useState("");
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey)
        return;
      if (open === "find" && (event.key.length === 1 || event.key === "Enter")) {
        event.preventDefault();
        const typed = event.key === "Enter" ? "\n" : event.key;
        setAhead((before) => before + typed);
        return;
      }
      if (event.key !== "?" && event.key !== "/") return;
      event.preventDefault();
      setAhead("");
      onOpen(event.key === "?" ? "keys" : "find");
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [open, onOpen]);
  return ahead;
}
