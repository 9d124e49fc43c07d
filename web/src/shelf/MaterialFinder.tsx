import useAutocomplete from "@mui/material/useAutocomplete";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, type Material } from "../api/client";
import { Swatch } from "../hatches/Swatch";
import "./material-finder.css";

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
  const options = (found.data ?? []).filter((material) => suits?.(material) ?? true);
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
    onClose: () => setTyping(false),
  });
  const { ref, ...inputProps } = finder.getInputProps() as React.InputHTMLAttributes<HTMLInputElement> & {
    ref: React.Ref<HTMLInputElement>;
  };
  return (
    <div className="finder" {...finder.getRootProps()}>
      <label {...finder.getInputLabelProps()} className={hideLabel ? "visually-hidden" : "measure-label"}>
        {label}
      </label>
      <input
        {...inputProps}
        ref={ref}
        className="finder-input"
        placeholder="type a name"
        autoFocus={autoFocus}
        onBlur={(event) => {
          inputProps.onBlur?.(event);
          onLeave?.();
        }}
      />
      {finder.popupOpen && (
        <ul className="finder-list" {...finder.getListboxProps()}>
          {options.map((material, index) => {
            const { key, ...optionProps } = finder.getOptionProps({ option: material, index }) as {
              key: string;
            } & object;
            return (
              <li key={key} {...optionProps} className="finder-option">
                <Swatch material={material.key} like={material.like} width={22} height={22} />
                <span>{material.name}</span>
                <span className="finder-kind">{kindOf(material, words, typing)}</span>
              </li>
            );
          })}
          {options.length === 0 && !found.isFetching && (
            <li className="finder-none">Nothing on the shelf is called that.</li>
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
