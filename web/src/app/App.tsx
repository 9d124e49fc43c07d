import { QueryClient, QueryClientProvider, useQuery } from "@tanstack/react-query";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import { api } from "../api/client";
import { HatchDefs } from "../hatches/HatchDefs";
import { GardenPage } from "./GardenPage";

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 60_000, retry: 1, refetchOnWindowFocus: false } },
});

export function App() {
  return (
    <QueryClientProvider client={queries}>
      <HatchDefs />
      <BrowserRouter>
        <Routes>
          <Route path="/garden/:gardenId/*" element={<GardenPage />} />
          <Route path="*" element={<FirstGarden />} />
        </Routes>
      </BrowserRouter>
    </QueryClientProvider>
  );
}

function FirstGarden() {
  const gardens = useQuery({ queryKey: ["gardens"], queryFn: api.gardens });
  if (gardens.error) return <p className="page-note">{gardens.error.message}</p>;
  if (!gardens.data) return <p className="page-note">Opening ...</p>;
  const [first] = gardens.data;
  if (!first) return <p className="page-note">There is no garden here yet.</p>;
  return <Navigate to={`/garden/${first.id}`} replace />;
}
