import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { plantingApi, type CropOnShelf, type OwnCrop } from "./plantingApi";

type Props = {
  gardenId: number;
  crops: readonly CropOnShelf[];
  /** Keys of crops that grow in the bed at hand. */
  growing: readonly string[];
};

/** Crops of the gardener's own: like one of the shelf, save for what is said here. */
export function OwnCropForm({ gardenId, crops, growing }: Props) {
  const queries = useQueryClient();
  const own = useQuery({ queryKey: ["own crops", gardenId], queryFn: () => plantingApi.ownCrops(gardenId) });
  const keep = useMutation({
    mutationFn: (next: OwnCrop[]) => plantingApi.keepOwnCrops(gardenId, next),
    onSuccess: (kept) => {
      queries.setQueryData(["own crops", gardenId], kept);
      for (const key of ["crops", "figure"]) void queries.invalidateQueries({ queryKey: [key, gardenId] });
    },
  });
  const there = own.data ?? [];
  return (
    <>
      {keep.error && <Problem>{saidOf(keep.error)}</Problem>}
      {there.map((each) => (
        <Row key={each.key} data-part="own-crop">
          <span>{each.name ?? each.key}</span>
          <Note component="span" sx={{ marginRight: "auto" }}>
            like {crops.find(({ key }) => key === each.like)?.name.toLowerCase() ?? each.like}
          </Note>
          {growing.includes(each.key) ? (
            <Note component="span">grows here</Note>
          ) : (
            <Button onClick={() => keep.mutate(there.filter(({ key }) => key !== each.key))}>
              Forget it
            </Button>
          )}
        </Row>
      ))}
      <NewCrop
        key={there.length}
        crops={crops.filter(({ is_own }) => !is_own)}
        taken={crops.map(({ key }) => key)}
        onKeep={(crop) => keep.mutate([...there, crop])}
      />
    </>
  );
}

const KEY_LENGTH = 60;

/** A key for a name, unlike those that are taken. */
function keyOf(name: string, taken: readonly string[]): string {
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "_")
    .replace(/^[^a-z]+|_+$/g, "")
    .slice(0, KEY_LENGTH - 4);
  const first = plain || "crop";
  if (!taken.includes(first)) return first;
  let number = 2;
  while (taken.includes(`${first}_${number}`)) number += 1;
  return `${first}_${number}`;
}

type NewProps = { crops: readonly CropOnShelf[]; taken: readonly string[]; onKeep: (crop: OwnCrop) => void };
type Own = Pick<OwnCrop, "spacing_m" | "row_m" | "height_m" | "root_depth_m" | "days_to_harvest">;

const NOTHING: Own = {};

function NewCrop({ crops, taken, onKeep }: NewProps) {
  const { units } = useShowing();
  const [name, setName] = useState("");
  const [like, setLike] = useState<CropOnShelf | null>(null);
  const [own, setOwn] = useState(NOTHING);
  const length = (label: string, key: "spacing_m" | "row_m" | "height_m" | "root_depth_m") => (
    <MeasureField
      label={label}
      limit="length"
      width="118px"
      shown={own[key] == null ? "" : showLength(own[key], units)}
      placeholder={like ? showLength(like[key], units) : undefined}
      onMeaning={({ values: [value] }) => setOwn((before) => ({ ...before, [key]: value }))}
    />
  );
  const keep = () => {
    if (!like || !name.trim()) return;
    onKeep({ key: keyOf(name, taken), name: name.trim(), like: like.key, ...own });
    setName("");
    setLike(null);
    setOwn(NOTHING);
  };
  return (
    <>
      <TextField
        label="Its name"
        value={name}
        onChange={({ target }) => setName(target.value)}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Autocomplete<CropOnShelf>
        options={crops}
        value={like}
        getOptionLabel={(each) => each.name}
        getOptionKey={({ key }) => key}
        onChange={(_event, crop) => setLike(crop)}
        renderInput={(field) => <TextField {...field} label="Like" placeholder="tomato ..." />}
      />
      <Row sx={{ alignItems: "flex-end" }}>
        {length("Plant to plant", "spacing_m")}
        {length("Row to row", "row_m")}
        {length("How high", "height_m")}
        {length("Roots", "root_depth_m")}
        <MeasureField
          label="Days to harvest"
          limit="count"
          width="118px"
          shown={own.days_to_harvest == null ? "" : String(own.days_to_harvest)}
          placeholder={like ? String(like.days) : undefined}
          onMeaning={({ values: [days_to_harvest] }) => setOwn((before) => ({ ...before, days_to_harvest }))}
        />
      </Row>
      <Row>
        <Button variant="contained" disabled={!like || !name.trim()} onClick={keep}>
          Keep this crop
        </Button>
      </Row>
    </>
  );
}
