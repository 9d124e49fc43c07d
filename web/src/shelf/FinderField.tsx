import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { memo, useDeferredValue, useMemo, useState, type KeyboardEvent } from "react";
import { api, type Material } from "../api/client";
import { useKeptInPlace } from "../kit/useKeptInPlace";
import { useWhenReady } from "../kit/useWhenReady";
import { Swatch } from "../drawing/Swatch";
import { FINDER_ROOM, type FinderProps } from "./finder";

/** The field with its list; the core ranks what the words may mean. */
export default memo(function FinderField({
  gardenId,
  label,
  value,
  onChoose,
  suits,
  autoFocus,
}: FinderProps) {
  const [words, setWords] = useState("");
  const [typing, setTyping] = useState(false);
  const asked = useDeferredValue(typing ? words : "");
  const found = useQuery({
    queryKey: ["shelf", gardenId, asked],
    queryFn: ({ signal }) => api.shelf(gardenId, asked, signal),
    placeholderData: (before) => before,
  });
  const suiting = useMemo(
    () => (found.data ?? []).filter((material) => suits?.(material) ?? true),
    [found.data, suits],
  );
  // an answer that comes while an option is pressed must not slide another under the finger
  const [pressed, setPressed] = useState<Material[] | null>(null);
  const options = pressed ?? suiting;
  const settled = !typing || (asked === words && !found.isPlaceholderData && !found.isFetching);
  const [open, setOpen] = useState(false);
  const choose = (material: Material) => {
    setOpen(false);
    setTyping(false);
    setPressed(null);
    onChoose(material);
  };
  const chooseFirst = useWhenReady(settled, () => {
    const [first] = options;
    if (first) choose(first);
  });
  /** Enter before the answer is there means what is typed, not what the list still shows. */
  const waitForWhatIsTyped = (event: KeyboardEvent & { defaultMuiPrevented?: boolean }) => {
    if (event.key !== "Enter" || settled) return;
    event.preventDefault();
    event.defaultMuiPrevented = true;
    chooseFirst();
  };
  const release = () => setPressed(null);
  const popper = useKeptInPlace(open);
  return (
    <Autocomplete<Material, false, boolean>
      data-part="finder"
      options={options}
      value={value}
      disableClearable={value !== null}
      getOptionLabel={({ name }) => name}
      getOptionKey={({ key }) => key}
      isOptionEqualToValue={(one, two) => one.key === two.key}
      filterOptions={(all) => all}
      openOnFocus
      selectOnFocus
      handleHomeEndKeys
      open={open}
      onOpen={() => setOpen(true)}
      onClose={() => {
        setOpen(false);
        setTyping(false);
      }}
      onInputChange={(_event, text, reason) => {
        setWords(text);
        setTyping(reason === "input");
      }}
      onChange={(_event, material) => material && choose(material)}
      onKeyDown={waitForWhatIsTyped}
      noOptionsText={found.isFetching ? "Looking ..." : "Nothing on the shelf is called that."}
      sx={FINDER_ROOM}
      renderInput={(params) => (
        <TextField {...params} label={label} placeholder="type a name" autoFocus={autoFocus} />
      )}
      renderOption={({ key, ...props }, material) => (
        <li key={key} {...props}>
          <Swatch material={material.key} like={material.like} width={22} height={22} />
          <span>{material.name}</span>
          <Box component="span" sx={{ marginLeft: "auto", color: "soft", fontSize: "var(--text-note)" }}>
            {kindOf(material, words, typing)}
          </Box>
        </li>
      )}
      slotProps={{
        popper: { popperRef: popper },
        listbox: {
          "aria-busy": !settled,
          onPointerDown: () => setPressed(suiting),
          onPointerLeave: release,
          onPointerCancel: release,
          onClick: release,
        },
      }}
    />
  );
});

/** The synonym that was hit, where the words are not in the name; else what kind of thing it is. */
function kindOf(material: Material, words: string, typing: boolean): string {
  const wanted = words.trim().toLowerCase();
  if (typing && wanted && !material.name.toLowerCase().includes(wanted)) {
    const synonym = material.synonyms.find((each) => each.toLowerCase().includes(wanted));
    if (synonym) return synonym;
  }
  if (material.is_mix) return "your mix";
  if (material.like) return "yours";
  return material.is_sheet ? "sheet" : material.group;
}
