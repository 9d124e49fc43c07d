import TextField from "@mui/material/TextField";
import type { ReactNode } from "react";
import type { LimitName, Material } from "../api/client";
import { MeasureField } from "../quantities/MeasureField";
import { Row } from "../kit/Row";
import {
  showShare,
  showTemperature,
  trimmed,
  typedLength,
  typedMass,
  typedVolume,
  type Units,
} from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import type { EntryKind } from "./seasonApi";
import type { Typed } from "./typedEntry";

type Props = {
  kind: EntryKind;
  /** What an entry that is changed says. */
  start: Typed;
  typed: Typed;
  materials: ReadonlyMap<string, Material>;
  onTyped: (typed: Typed) => void;
  /** Told whether a field holds something that isn't understood, or not yet. */
  onUnread: (field: string, unread: boolean) => void;
};

const MOST_CROP = 80;
const MOST_NOTE = 4000;

type Measured = Exclude<keyof Typed, "words" | "material" | "differently" | "half" | "upkeep">;

/** What a field shows of an entry that is changed. */
function startShown(name: Measured, start: Typed, units: Units): string {
  const value = start[name];
  if (value === undefined) return "";
  if (typeof value === "string") return value;
  switch (name) {
    case "length_m":
      return typedLength(value, units);
    case "volume_m3":
      return typedVolume(value, units);
    case "mass_kg":
      return typedMass(value, units);
    case "temp_c":
      return showTemperature(value, units);
    case "organic_share":
      return showShare(value);
    default:
      return trimmed(value, 2);
  }
}

/** What an entry of a kind asks for. */
export function EntryFields({ kind, start, typed, materials, onTyped, onUnread }: Props): ReactNode {
  const { units } = useShowing();
  const set = (part: Partial<Typed>) => onTyped({ ...typed, ...part });
  const measure = (label: string, limit: LimitName, name: Measured) => (
    <MeasureField
      label={label}
      limit={limit}
      width="132px"
      eager
      shown={startShown(name, start, units)}
      onReading={(state) => {
        onUnread(name, state !== "read" && state !== "empty");
        // emptied, it says again what it said at first, and not what was typed in between
        if (state === "empty" && typed[name] !== start[name]) set({ [name]: start[name] });
      }}
      onMeaning={({ values: [value], money }) =>
        set({ [name]: name === "worth" ? (money == null ? undefined : String(money)) : value })
      }
    />
  );
  const crop = (
    <TextField
      label="What"
      value={typed.words ?? ""}
      onChange={({ target }) => set({ words: target.value })}
      slotProps={{ htmlInput: { maxLength: MOST_CROP } }}
    />
  );
  switch (kind) {
    case "surface":
      return measure("Surface over the floor", "depth", "length_m");
    case "dip":
      return measure("Water stands at", "depth", "length_m");
    case "harvest":
      return (
        <>
          {crop}
          <Row sx={{ alignItems: "flex-end" }}>
            {measure("Weighs", "mass", "mass_kg")}
            {measure("or how many", "count", "count")}
            {measure("Worth, if you like", "price", "worth")}
          </Row>
        </>
      );
    case "watered":
    case "refill":
      return measure("How much, if measured", "stock", "volume_m3");
    case "note":
      return (
        <TextField
          label="In your words"
          multiline
          minRows={3}
          value={typed.words ?? ""}
          onChange={({ target }) => set({ words: target.value })}
          slotProps={{ htmlInput: { maxLength: MOST_NOTE, spellCheck: true, autoCapitalize: "sentences" } }}
        />
      );
    case "rain":
      return measure("Rain in the gauge", "rain", "length_m");
    case "sown":
      return (
        <Row sx={{ alignItems: "flex-end" }}>
          {crop}
          {measure("How many", "count", "count")}
        </Row>
      );
    case "top_up":
      return (
        <>
          <Pick
            label="Of what"
            options={[...materials.values()].flatMap(({ key, name, is_sheet }) =>
              is_sheet ? [] : [[key, name] as const],
            )}
            value={typed.material ?? "compost"}
            onChoose={(material) => set({ material })}
          />
          {measure("How much, loose", "stock", "volume_m3")}
        </>
      );
    case "soil_temperature":
      return measure("Soil is", "day_temperature", "temp_c");
    case "soil_test":
      return (
        <Row sx={{ alignItems: "flex-end" }}>
          {measure("pH", "ph", "ph")}
          {measure("Organic", "share", "organic_share")}
          {measure("Nitrogen, mg/kg", "mg_kg", "nitrogen_mg_kg")}
          {measure("Phosphorus, mg/kg", "mg_kg", "phosphorus_mg_kg")}
          {measure("Potassium, mg/kg", "mg_kg", "potassium_mg_kg")}
          {measure("Lead, mg/kg", "mg_kg", "lead_mg_kg")}
        </Row>
      );
  }
}
