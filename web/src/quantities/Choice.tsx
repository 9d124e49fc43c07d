import "./choice.css";

type Props<T extends string> = {
  label: string;
  options: readonly (readonly [value: T, name: string])[];
  value: T;
  onChoose: (value: T) => void;
  /** Show the label over the choice; else it is for readers alone. */
  shown?: boolean;
};

/** One of a few, side by side. */
export function Choice<T extends string>({ label, options, value, onChoose, shown = false }: Props<T>) {
  return (
    <div>
      {shown && <span className="measure-label">{label}</span>}
      <div className="segments" role="group" aria-label={label}>
        {options.map(([each, name]) => (
          <button key={each} type="button" aria-pressed={each === value} onClick={() => onChoose(each)}>
            {name}
          </button>
        ))}
      </div>
    </div>
  );
}

export const TAPE_LAY = [
  ["inside", "inside"],
  ["outside", "outside"],
] as const;
