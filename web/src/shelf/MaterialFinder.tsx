import useAutocomplete from "@mui/material/useAutocomplete";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useMemo, useState, type KeyboardEvent } from "react";
import { api, type Material } from "../api/client";
import { Swatch } from "../hatches/Swatch";

type Props = {
  gardenId: number;
  label: string;
  value: Material | null;
  onChoose: (material: Material) => void;
  /** Which of the shelf may be chosen here. */
  suits?: (material: Material) => boolean;
  hideLabel?: boolean;
  autoFocus?: boolean;
  onLeave?: () => void;
};

/** Finds a material by any of its names; the core ranks what the words may mean. */
export function MaterialFinder({
  gardenId,
  label,
  value,
  onChoose,
  suits,
  hideLabel,
  autoFocus,
  onLeave,
}: Props) {
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
  const release = () => setPressed(null);
  const settled = !typing || (asked === words && !found.isPlaceholderData && !found.isFetching);
  const [hasty, setHasty] = useState(false);
  const [open, setOpen] = useState(false);
  const finder = useAutocomplete<Material, false, true, false>({
    options,
    value: (value ?? null) as Material,
    disableClearable: true,
    getOptionLabel: (material) => (material ? material.name : ""),
    isOptionEqualToValue: (one, two) => one.key === two.key,
    filterOptions: (all) => all,
    autoHighlight: true,
    openOnFocus: true,
    selectOnFocus: true,
    handleHomeEndKeys: true,
    onInputChange: (_event, text, reason) => {
      setWords(text);
      setTyping(reason === "input");
    },
    onChange: (_event, material) => onChoose(material),
    open,
    onOpen: () => setOpen(true),
    onClose: () => {
      setOpen(false);
      setTyping(false);
    },
  });
  useEffect(() => {
    const [first] = options;
    if (!hasty || !settled) return;
    setHasty(false);
    if (!first) return;
    setOpen(false);
    setTyping(false);
    onChoose(first);
  }, [hasty, settled, options, onChoose]);
  /** Enter before the answer is there means what is typed, not what the list still shows. */
  const waitForWhatIsTyped = (event: KeyboardEvent & { defaultMuiPrevented?: boolean }) => {
    if (event.key !== "Enter" || settled) return;
    event.preventDefault();
    event.defaultMuiPrevented = true;
    setHasty(true);
  };
  const { ref, ...inputProps } = finder.getInputProps() as React.InputHTMLAttributes<HTMLInputElement> & {
    ref: React.Ref<HTMLInputElement>;
  };
  return (
    <div data-part="finder" {...finder.getRootProps({ onKeyDown: waitForWhatIsTyped })}>
      <label {...finder.getInputLabelProps()} className={hideLabel ? "visually-hidden" : "measure-label"}>
        {label}
      </label>
      <input
        {...inputProps}
        ref={ref}
        data-part="finder-input"
        placeholder="type a name"
        autoFocus={autoFocus}
        onBlur={(event) => {
          inputProps.onBlur?.(event);
          onLeave?.();
        }}
      />
      {finder.popupOpen && (
        <ul
          {...finder.getListboxProps()}
          onPointerDown={() => setPressed(suiting)}
          onPointerLeave={release}
          onPointerCancel={release}
          onClick={release}
        >
          {options.map((material, index) => {
            const { key, ...optionProps } = finder.getOptionProps({ option: material, index }) as {
              key: string;
            } & object;
            return (
              <li key={key} {...optionProps}>
                <Swatch material={material.key} like={material.like} width={22} height={22} />
                <span>{material.name}</span>
                <span>{kindOf(material, words, typing)}</span>
              </li>
            );
          })}
          {options.length === 0 && !found.isFetching && (
            <li data-part="finder-none">Nothing on the shelf is called that.</li>
          )}
        </ul>
      )}
    </div>
  );
}

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
