import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { ShelfList, ShelfMaterials, ShelfNone, ShelfSearch, ShelfViewBox, ShelfYours } from "./shelf.styles";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api, type Material } from "../api/client";
import { Swatch } from "../hatches/Swatch";
import { MaterialSheet } from "./MaterialSheet";

const GROUPS: Record<string, string> = {
  soil: "Soils, composts, mixes",
  organic: "Green and brown",
  wood: "Wood",
  mineral: "Stone and mineral",
  meal: "Meals",
  sheet: "Sheets",
};

/** Everything a layer can be made of, each figure with its unit, range and source; a default, or yours. */
export function ShelfView({ gardenId }: { gardenId: number }) {
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
    <ShelfViewBox>
      <ShelfList>
        <Typography variant="view" data-part="view-title">
          Shelf
        </Typography>
        <ShelfSearch>
          <span>Search the shelf</span>
          <input
           
            type="search"
            value={words}
            placeholder="any name: loam, landscape fabric, black gold"
            onChange={(event) => setWords(event.currentTarget.value)}
          />
        </ShelfSearch>
        {shown.length === 0 && !found.isFetching && (
          <ShelfNone>Nothing on the shelf is called that.</ShelfNone>
        )}
        {asked ? (
          <MaterialList materials={shown} chosen={material?.key} onChoose={setChosen} />
        ) : (
          Object.entries(GROUPS).map(([group, title]) => (
            <section key={group} aria-label={title}>
              <h2>{title}</h2>
              <MaterialList
                materials={shown.filter((each) => each.group === group)}
                chosen={material?.key}
                onChoose={setChosen}
              />
            </section>
          ))
        )}
      </ShelfList>
      {material && (
        <MaterialSheet key={material.key} gardenId={gardenId} material={material} onChanged={changed} />
      )}
    </ShelfViewBox>
  );
}

type ListProps = {
  materials: readonly Material[];
  chosen: string | undefined;
  onChoose: (key: string) => void;
};

function MaterialList({ materials, chosen, onChoose }: ListProps) {
  return (
    <ShelfMaterials>
      {materials.map((each) => (
        <li key={each.key}>
          <Button aria-pressed={each.key === chosen} onClick={() => onChoose(each.key)}>
            <Swatch material={each.key} like={each.like} width={34} height={26} />
            <span>{each.name}</span>
            {(each.like ?? each.is_mix) && <ShelfYours>{each.is_mix ? "your mix" : "yours"}</ShelfYours>}
          </Button>
        </li>
      ))}
    </ShelfMaterials>
  );
}
