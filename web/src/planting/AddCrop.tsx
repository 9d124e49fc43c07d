import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Note } from "../kit/Note";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import type { CropOnShelf } from "./plantingApi";

type Props = { crops: readonly CropOnShelf[]; onAdd: (crop: CropOnShelf) => void };

/** A crop found by any of its names, put into the bed. */
export function AddCrop({ crops, onAdd }: Props) {
  const { units } = useShowing();
  const [words, setWords] = useState("");
  return (
    <Autocomplete<CropOnShelf>
      options={crops}
      value={null}
      inputValue={words}
      onInputChange={(_event, typed, reason) => reason !== "reset" && setWords(typed)}
      getOptionLabel={({ name }) => name}
      getOptionKey={({ key }) => key}
      filterOptions={(all, { inputValue }) => {
        const asked = inputValue.trim().toLowerCase();
        return all.filter(({ name, synonyms }) =>
          [name, ...synonyms].some((each) => each.toLowerCase().includes(asked)),
        );
      }}
      renderOption={({ key, ...props }, crop) => (
        <li key={key} {...props}>
          <span>
            {crop.name}{" "}
            <Note component="span">
              {crop.roots} roots, {showLength(crop.spacing_m, units)} apart, {crop.days} days
            </Note>
          </span>
        </li>
      )}
      renderInput={(field) => <TextField {...field} label="Plant" placeholder="lettuce, tomato ..." />}
      onChange={(_event, crop) => {
        if (crop) onAdd(crop);
        setWords("");
      }}
      noOptionsText="No crop is called so"
    />
  );
}
