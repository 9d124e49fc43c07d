import Button from "@mui/material/Button";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import {
  memo,
  useCallback,
  useEffect,
  useId,
  useLayoutEffect,
  useRef,
  useState,
  type KeyboardEvent,
} from "react";
import { api, type LimitName, type Meaning } from "../api/client";
import { bareUnit } from "./bareUnit";
import { confirmLater } from "./confirming";
import { useShowing } from "./UnitsContext";
import { useAsTyped } from "./useAsTyped";
import { useReading, type ReadState } from "./useReading";
import { leaveWaiting, takeBack } from "./waiting";

type Props = {
  label: string;
  limit: LimitName;
  /** What the field shows while nobody types: the kept value in the garden's units. */
  shown: string;
  onMeaning: (meaning: Meaning) => void;
  dimensions?: boolean;
  /** How heavy what is measured lies, moist and loose, so that it may be weighed. */
  density_kg_m3?: number;
  hideLabel?: boolean;
  /** Take what is typed as soon as it is understood, as in a form that is sent as a whole. */
  eager?: boolean;
  placeholder?: string;
  width?: string;
  autoFocus?: boolean;
  /** Whose measure it is: what is typed without a connection is then shown again when its field comes back. */
  waitsAs?: string;
  /** Told whenever what is typed is understood, refused, or still asked about. */
  onReading?: (state: ReadState["state"]) => void;
};

/**
 * The one field for every measure: what is typed, what it is understood as in both systems, and what is wrong with it,
 * in place. Nonsense stays where it was typed; the kept value changes only when the text is understood.
 */
export function MeasureField({ onMeaning, onReading, ...rest }: Props) {
  const told = useRef({ onMeaning, onReading });
  useLayoutEffect(() => {
    told.current = { onMeaning, onReading };
  });
  // the same functions for ever, so that a field that shows the same is not drawn again while a boundary is dragged
  const meant = useCallback((meaning: Meaning) => told.current.onMeaning(meaning), []);
  const readAs = useCallback((state: ReadState["state"]) => told.current.onReading?.(state), []);
  return <Field {...rest} onMeaning={meant} onReading={readAs} />;
}

const Field = memo(function Field(props: Props) {
  const {
    label,
    limit,
    shown,
    onMeaning,
    onReading,
    dimensions = false,
    hideLabel = false,
    eager = false,
  } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [focused, setFocused] = useState(false);
  const [wanted, setWanted] = useState(false);
  const reading = useReading(typed, limit, dimensions, props.density_kg_m3);
  const showing = useShowing();
  const [asTyped, keepAsTyped] = useAsTyped(shown, showing.units);
  const id = useId();
  // where what is typed waits: as it was when the field came, whatever is renamed or opened meanwhile
  const [{ place, comesBack }] = useState(() => ({
    place: props.waitsAs ? `${props.waitsAs} ${label}` : id,
    comesBack: props.waitsAs !== undefined,
  }));
  const taken = useRef<string | null>(null);
  const meaning = reading.state === "read" ? reading.meaning : null;
  useEffect(() => onReading?.(reading.state), [reading.state, onReading]);

  const take = (chosen: Meaning) => {
    if (taken.current !== typed) {
      onMeaning(chosen);
      if ("here" in reading && reading.here) confirmLater(reading.here, chosen);
    }
    taken.current = typed;
    setWanted(false);
    if (eager) return;
    keepAsTyped(typed);
    setTyped(null);
  };
  const takeNow = useRef(take);
  useLayoutEffect(() => {
    takeNow.current = take;
  });
  useEffect(() => {
    if (meaning && (eager || wanted)) takeNow.current(meaning);
  }, [meaning, eager, wanted]);

  const commit = () => {
    if (typed === null) return;
    if (!typed.trim()) return void setTyped(null);
    if (meaning) take(meaning);
    else setWanted(true);
  };

  // Gone from the screen before it was read (another bed chosen, say), what was typed still counts.
  const leaving = useRef<(() => void) | null>(null);
  useEffect(() => {
    leaving.current =
      wanted && typed
        ? () => {
            const { units, currency, handful_kg } = showing;
            const how = { limit, dimensions, units, currency, handful_kg, contents: "media" as const };
            const asked = { ...how, typed: typed.slice(0, 400), density_kg_m3: props.density_kg_m3 };
            const read = () => api.read(asked);
            leaveWaiting(place, typed, async () => (await read()).meanings, onMeaning);
          }
        : null;
  });
  useEffect(() => {
    const back = comesBack ? takeBack(place) : null;
    if (back !== null) {
      setTyped(back);
      setWanted(true);
    }
    return () => leaving.current?.();
  }, [place, comesBack]);

  const onKeyDown = (event: KeyboardEvent) => {
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
  const note = noteOf(reading, focused) ?? (focused && typed === null && asTyped !== null ? shown : null);
  const either = reading.state === "either" ? reading.meanings : null;
  const suffix = bareUnit(typed ?? asTyped ?? shown, limit, showing.units);
  return (
    <TextField
      id={id}
      label={hideLabel ? undefined : label}
      value={typed ?? asTyped ?? shown}
      placeholder={props.placeholder}
      autoFocus={props.autoFocus}
      error={refused}
      sx={WIDTHS(props.width)}
      onFocus={(event) => {
        setFocused(true);
        event.target.select();
      }}
      onBlur={() => {
        setFocused(false);
        commit();
      }}
      onChange={(event) => {
        taken.current = null;
        setWanted(false);
        setTyped(event.target.value);
      }}
      onKeyDown={onKeyDown}
      helperText={
        either ? (
          <Either
            label={label}
            meanings={either}
            onChoose={(each) => {
              take(each);
            }}
          />
        ) : (
          note
        )
      }
      slotProps={{
        input: {
          endAdornment: suffix && (
            <InputAdornment position="end" aria-hidden>
              {suffix}
            </InputAdornment>
          ),
        },
        htmlInput: {
          "aria-label": hideLabel ? label : undefined,
          "aria-busy": reading.state === "asking" || (wanted && meaning !== null) || undefined,
          inputMode: "text",
          autoCapitalize: "off",
          spellCheck: false,
        },
        formHelperText: { role: refused ? "alert" : either ? "group" : "status", component: "div" } as object,
      }}
    />
  );
});

const known = new Map<string, { width: string }>();

/** One object a width, so that the style is made once. */
function WIDTHS(width: string | undefined): { width: string } | undefined {
  if (!width) return undefined;
  const found = known.get(width) ?? { width };
  known.set(width, found);
  return found;
}

type EitherProps = { label: string; meanings: readonly Meaning[]; onChoose: (meaning: Meaning) => void };

function Either({ label, meanings, onChoose }: EitherProps) {
  return (
    <span role="group" aria-label={`${label}: which is meant?`}>
      Either could be meant:{" "}
      {meanings.map((each) => (
        <Button
          key={each.understood}
          sx={{ marginRight: 1 }}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => onChoose(each)}
        >
          {each.understood}
        </Button>
      ))}
    </span>
  );
}

function noteOf(reading: ReadState, focused: boolean): string | null {
  if (reading.state === "refused") return reading.problem;
  if (reading.state === "waiting") return "Not read yet: no connection. It will be read when it is back.";
  if (reading.state === "read" && focused) {
    const { shown, other, understood, assumed } = reading.meaning;
    const both = other ? `${shown} = ${other}` : shown;
    const said = assumed ? `${understood}: ${both}` : both;
    return reading.here ? `${said}, read without a connection` : said;
  }
  return null;
}
