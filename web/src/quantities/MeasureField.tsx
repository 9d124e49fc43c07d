import { useEffect, useId, useRef, useState, type KeyboardEvent } from "react";
import { api, type LimitName, type Meaning } from "../api/client";
import { useShowing, type Showing } from "./UnitsContext";
import { useReading, type ReadState } from "./useReading";
import "./measure-field.css";

type Props = {
  label: string;
  limit: LimitName;
  /** What the field shows while nobody types: the kept value in the garden's units. */
  shown: string;
  onMeaning: (meaning: Meaning) => void;
  dimensions?: boolean;
  hideLabel?: boolean;
  /** Take what is typed as soon as it is understood, as in a form that is sent as a whole. */
  eager?: boolean;
  placeholder?: string;
  width?: string;
  autoFocus?: boolean;
  /** Told whenever what is typed is understood, refused, or still asked about. */
  onReading?: (state: ReadState["state"]) => void;
};

function readAnyway(
  typed: string,
  limit: LimitName,
  dimensions: boolean,
  { units, currency }: Showing,
  onMeaning: (meaning: Meaning) => void,
): void {
  api.read({ typed: typed.slice(0, 400), limit, dimensions, units, currency, contents: "media" }).then(
    ({ meanings }) => {
      const [only, other] = meanings;
      if (only && !other) onMeaning(only);
    },
    () => undefined, // the line is down and the field is gone: there is nothing left to show it in
  );
}

/**
 * The one field for every measure: what is typed, what it is understood as in both systems, and what is wrong with it,
 * in place. Nonsense stays where it was typed; the kept value changes only when the text is understood.
 */
export function MeasureField(props: Props) {
  const { label, limit, shown, onMeaning, dimensions = false, hideLabel = false, eager = false } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [focused, setFocused] = useState(false);
  const [wanted, setWanted] = useState(false);
  const reading = useReading(typed, limit, dimensions);
  const showing = useShowing();
  const id = useId();
  const taken = useRef<string | null>(null);

  const meaning = reading.state === "read" ? reading.meaning : null;
  const { onReading } = props;
  useEffect(() => {
    onReading?.(reading.state);
  }, [reading.state, onReading]);

  const take = (chosen: Meaning) => {
    if (taken.current !== typed) onMeaning(chosen);
    taken.current = typed;
    setWanted(false);
    if (!eager) setTyped(null);
  };

  useEffect(() => {
    if (meaning && (eager || wanted)) take(meaning);
  });

  const commit = () => {
    if (typed === null) return;
    if (!typed.trim()) return void setTyped(null);
    if (meaning) take(meaning);
    else setWanted(true);
  };

  // Gone from the screen before it was read (another bed chosen, say), what was typed still counts.
  const leaving = useRef<(() => void) | null>(null);
  useEffect(() => {
    leaving.current = wanted && typed ? () => readAnyway(typed, limit, dimensions, showing, onMeaning) : null;
  });
  useEffect(() => () => leaving.current?.(), []);

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === "Enter") {
      if (!eager) event.preventDefault();
      commit();
    }
    if (event.key === "Escape" && typed !== null) {
      event.stopPropagation();
      setTyped(null);
      setWanted(false);
    }
  };

  const refused = reading.state === "refused";
  const noteId = `${id}-note`;
  const note = noteOf(reading, focused);
  return (
    <div className="measure" style={props.width ? { width: props.width } : undefined}>
      <label className={hideLabel ? "visually-hidden" : "measure-label"} htmlFor={id}>
        {label}
      </label>
      <input
        id={id}
        type="text"
        inputMode="text"
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        className="measure-input"
        value={typed ?? shown}
        placeholder={props.placeholder}
        aria-invalid={refused || undefined}
        aria-describedby={note ? noteId : undefined}
        autoFocus={props.autoFocus}
        onFocus={(event) => {
          setFocused(true);
          event.currentTarget.select();
        }}
        onBlur={() => {
          setFocused(false);
          commit();
        }}
        onChange={(event) => {
          taken.current = null;
          setWanted(false);
          setTyped(event.currentTarget.value);
        }}
        onKeyDown={onKeyDown}
      />
      {note && (
        <div
          id={noteId}
          className={`measure-note ${refused ? "is-refused" : ""}`}
          role={refused ? "alert" : "status"}
        >
          {note}
        </div>
      )}
      {reading.state === "either" && (
        <div className="measure-note measure-either" role="group" aria-label={`${label}: which is meant?`}>
          <span>Either could be meant:</span>
          {reading.meanings.map((each) => (
            <button
              key={each.understood}
              type="button"
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => take(each)}
            >
              {each.understood}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}

function noteOf(reading: ReturnType<typeof useReading>, focused: boolean): string | null {
  if (reading.state === "refused") return reading.problem;
  if (reading.state === "waiting") return "Not read yet: the line is down. It will be read when it is back.";
  if (reading.state === "read" && focused) {
    const { shown, other, understood, assumed } = reading.meaning;
    const both = other ? `${shown} = ${other}` : shown;
    return assumed ? `${understood}: ${both}` : both;
  }
  return null;
}
