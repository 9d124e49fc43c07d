import { useQuery } from "@tanstack/react-query";
import { PersistQueryClientProvider } from "@tanstack/react-query-persist-client";
import { lazy, Suspense } from "react";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import { api, saidOf } from "../api/client";
import { keeping } from "../draft/keptQueries";
import { HatchDefs } from "../drawing/HatchDefs";
import { PageNote } from "../kit/Page";
import { TellProvider } from "../kit/Tell";
import { GardenPage } from "./GardenPage";
import { sendWaitingTicks } from "../works/ticks";
import { queries } from "./queries";

const SignIn = lazy(() => import("../account/SignIn"));
const LookView = lazy(() => import("../sharing/LookView"));
const GardensView = lazy(() => import("../gardens/GardensView"));

export function App() {
  return (
    <PersistQueryClientProvider
      client={queries}
      persistOptions={keeping}
      onSuccess={() => {
        sendWaitingTicks(queries);
        // what was kept may be older than what was saved last: it is shown, and asked for anew
        void queries.invalidateQueries({ predicate: ({ state }) => state.data !== undefined });
      }}
    >
      <HatchDefs />
      <TellProvider>
        <BrowserRouter>
          <Suspense fallback={<PageNote>Opening ...</PageNote>}>
            <Routes>
              <Route path="/garden/:gardenId/*" element={<GardenPage />} />
              <Route path="/sign-in" element={<SignIn />} />
              <Route path="/look/:secret" element={<LookView />} />
              <Route path="/gardens" element={<GardensView />} />
              <Route path="*" element={<FirstGarden />} />
            </Routes>
          </Suspense>
        </BrowserRouter>
      </TellProvider>
    </PersistQueryClientProvider>
  );
}

function FirstGarden() {
  const gardens = useQuery({ queryKey: ["gardens"], queryFn: api.gardens });
  if (gardens.error) return <PageNote>{saidOf(gardens.error)}</PageNote>;
  if (!gardens.data) return <PageNote>Opening ...</PageNote>;
  const first = gardens.data.find((garden) => !garden.deleted_at);
  if (!first) return <Navigate to="/gardens" replace />;
  return <Navigate to={`/garden/${first.id}`} replace />;
}
