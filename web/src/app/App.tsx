import { onlineManager, QueryCache, QueryClient, QueryClientProvider, useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import { api, Refused, saidOf } from "../api/client";
import { HatchDefs } from "../drawing/HatchDefs";
import { PageNote } from "../kit/Page";
import { TellProvider } from "../kit/Tell";
import { GardenPage } from "./GardenPage";

const SignIn = lazy(() => import("../account/SignIn"));
const GardensView = lazy(() => import("../gardens/GardensView"));

// a page that is opened without a connection knows so from the start
onlineManager.setOnline(navigator.onLine);

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 60_000,
      retry: (failures, error) => !(error instanceof Refused) && failures < 2,
      refetchOnWindowFocus: false,
    },
  },
  queryCache: new QueryCache({ onError: toTheDoor }),
});

/** Nobody is signed in any more: the front door is where that is mended. */
function toTheDoor(error: Error): void {
  const nobody = error instanceof Refused && error.problem.status === 401;
  if (nobody && window.location.pathname !== "/sign-in") window.location.assign("/sign-in");
}

export function App() {
  return (
    <QueryClientProvider client={queries}>
      <HatchDefs />
      <TellProvider>
        <BrowserRouter>
          <Suspense fallback={<PageNote>Opening ...</PageNote>}>
            <Routes>
              <Route path="/garden/:gardenId/*" element={<GardenPage />} />
              <Route path="/sign-in" element={<SignIn />} />
              <Route path="/gardens" element={<GardensView />} />
              <Route path="*" element={<FirstGarden />} />
            </Routes>
          </Suspense>
        </BrowserRouter>
      </TellProvider>
    </QueryClientProvider>
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
