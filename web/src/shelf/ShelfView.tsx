import Skeleton from "@mui/material/Skeleton";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useDeferredValue, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api } from "../api/client";
import { Column } from "../kit/Row";
import { MaterialSheet } from "./MaterialSheet";

const MaterialGrid = lazy(() => import("./MaterialGrid"));

const Shelf = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 9fr) minmax(0, 11fr)",
  gap: 22,
  alignItems: "start",
  padding: "14px 20px 28px",
  "@media (max-width: 1100px)": { gridTemplateColumns: "minmax(0, 1fr)" },
  "@media (max-width: 760px)": { padding: "10px 12px 40px" },
});

/** Everything a layer can be made of, each figure with its unit, range and source; a default, or yours. */
export default function ShelfView({ gardenId }: { gardenId: number }) {
  const queries = useQueryClient();
  const [words, setWords] = useState("");
  const navigate = useNavigate();
  const chosen = useParams().material ?? "compost";
  const setChosen = (key: string) => void navigate(`/garden/${gardenId}/shelf/${key}`);
  const asked = useDeferredValue(words.trim());
  const all = useQuery({ queryKey: ["shelf", gardenId, ""], queryFn: () => api.shelf(gardenId) });
  const found = useQuery({
    queryKey: ["shelf", gardenId, asked],
    queryFn: ({ signal }) => api.shelf(gardenId, asked, signal),
    placeholderData: (before) => before,
  });
  const shown = found.data ?? [];
  const material = all.data?.find((each) => each.key === chosen) ?? shown[0];
  const changed = async (key: string) => {
    await queries.invalidateQueries({ queryKey: ["shelf", gardenId] });
    void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    setChosen(key);
  };
  return (
    <Shelf>
      <Column>
        <Typography variant="view">Shelf</Typography>
        <TextField
          label="Search the shelf"
          type="search"
          value={words}
          placeholder="any name: loam, landscape fabric, black gold"
          onChange={(event) => setWords(event.target.value)}
        />
        <Suspense fallback={<Skeleton height={420} />}>
          <MaterialGrid materials={shown} chosen={material?.key} onChoose={setChosen} />
        </Suspense>
      </Column>
      {material && (
        <MaterialSheet key={material.key} gardenId={gardenId} material={material} onChanged={changed} />
      )}
    </Shelf>
  );
}
