import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, unwrap, type PlanGarden, type Schemas } from "../api/client";
import { Choice } from "../kit/Choice";
import { Disclosure } from "../kit/Disclosure";
import { Group } from "../kit/Group";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { showTemperature, trimmed } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { Months } from "./Months";
import { MONTHS } from "./months";

type PickOf<T, K extends keyof T> = { [P in K]: T[P] };
type Typical = Schemas["TypicalOut"];

const climatesOf = async (hemisphere: Hemisphere): Promise<Typical[]> =>
  unwrap(await client.GET("/api/climates/{hemisphere}", { params: { path: { hemisphere } } }));

export type Climate = Partial<
  PickOf<
    PlanGarden,
    | "latitude_deg"
    | "hemisphere"
    | "mean_temp_c"
    | "last_frost"
    | "first_frost"
    | "normals"
    | "typical_climate"
  >
>;

const twoDigits = (number: number) => String(number).padStart(2, "0");
const DAYS = Array.from({ length: 31 }, (_, index) => [twoDigits(index + 1), String(index + 1)] as const);
const NAMED = MONTHS.map((name, index) => [twoDigits(index + 1), name] as const);

const DEFAULT_C = 12;

type Props = { climate: Climate; onChange: (change: Climate) => void };

const HALVES = [
  ["north", "northern half"],
  ["south", "southern half"],
] as const;
type Hemisphere = (typeof HALVES)[number][0];
const OWN = "own";

function halfOf({ latitude_deg, hemisphere }: Climate): Hemisphere {
  if (latitude_deg) return latitude_deg < 0 ? "south" : "north";
  return hemisphere ?? "north";
}

/** Where the garden lies and what its year is like: settling, feeding, water and sowing are reckoned by it. */
export function ClimateFields({ climate, onChange }: Props) {
  const { units } = useShowing();
  const half = halfOf(climate);
  const { mean_temp_c: mean, latitude_deg: latitude } = climate;
  const found = useQuery({ queryKey: ["climates", half], queryFn: () => climatesOf(half) });
  const queries = useQueryClient();
  const chosen = found.data?.find(({ key }) => key === climate.typical_climate);
  const take = async (key: string, on: Hemisphere) => {
    const place: Climate = { hemisphere: on, latitude_deg: latitude ? signed(latitude, on) : null };
    if (key === OWN) return onChange(place);
    const list = await queries.fetchQuery({ queryKey: ["climates", on], queryFn: () => climatesOf(on) });
    const typical = list.find((each) => each.key === key);
    onChange(typical ? { ...place, ...yearOf(typical) } : { ...place, normals: null, typical_climate: null });
  };
  const kept = climate.typical_climate ?? (climate.normals ? OWN : "");
  return (
    <Column>
      <Row sx={{ alignItems: "flex-end", gap: 3 }}>
        <Choice
          label="Where it lies"
          shown
          options={HALVES}
          value={half}
          onChoose={(on) => void take(kept || OWN, on)}
        />
        <MeasureField
          label="Latitude, if known"
          limit="latitude"
          width="124px"
          placeholder="45"
          shown={latitude ? trimmed(Math.abs(latitude), 1) : ""}
          onMeaning={({ values: [value] }) =>
            onChange({ hemisphere: half, latitude_deg: value ? signed(value, half) : null })
          }
        />
        <Pick<string>
          label="What its year is like"
          options={[
            ["", "not chosen"],
            ...(kept === OWN ? [[OWN, "months of your own"] as const] : []),
            ...(found.data ?? []).map(({ key, name, koppen }) => [key, `${name} (${koppen})`] as const),
          ]}
          value={kept}
          onChoose={(key) => void take(key, half)}
          sx={{ minWidth: 240 }}
        />
      </Row>
      <Note>
        {chosen
          ? `${capital(chosen.said)}: a typical climate of its kind, not measured where you are.`
          : kept === OWN
            ? "Your own months are used."
            : "Choose the nearest description, or sinking, water and sowing rest on a guess."}
      </Note>
      <Row sx={{ alignItems: "flex-end", gap: 3 }}>
        {!climate.normals && (
          <MeasureField
            label="Mean of the year"
            limit="temperature"
            width="112px"
            placeholder={showTemperature(DEFAULT_C, units)}
            shown={mean == null ? "" : showTemperature(mean, units)}
            onMeaning={({ values: [mean_temp_c] }) => onChange({ mean_temp_c })}
          />
        )}
        <MonthDay
          key={`last ${climate.last_frost}`}
          label="Last frost in spring"
          value={climate.last_frost}
          onDay={(last_frost) => onChange({ last_frost })}
        />
        <MonthDay
          key={`first ${climate.first_frost}`}
          label="First frost in autumn"
          value={climate.first_frost}
          onDay={(first_frost) => onChange({ first_frost })}
        />
      </Row>
      {climate.normals && (
        <Disclosure title="Its months" said={climate.typical_climate ? "typical" : "your own"}>
          {() => (
            <Months
              normals={climate.normals ?? []}
              onMonths={(normals) => onChange({ normals, typical_climate: null, mean_temp_c: null })}
            />
          )}
        </Disclosure>
      )}
    </Column>
  );
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function signed(latitude_deg: number, half: Hemisphere): number {
  return Math.abs(latitude_deg) * (half === "south" ? -1 : 1);
}

/** A typical climate taken over; its mean follows from its months. */
function yearOf({ key, normals, last_frost, first_frost }: Typical): Climate {
  return { typical_climate: key, normals, last_frost, first_frost, mean_temp_c: null };
}

type MonthDayProps = { label: string; value: string | null | undefined; onDay: (day: string) => void };

function MonthDay({ label, value, onDay }: MonthDayProps) {
  const [month = "", day = ""] = (value ?? "").split("-");
  const [typed, setTyped] = useState({ month, day });
  const choose = (next: { month: string; day: string }) => {
    setTyped(next);
    if (next.month && next.day) onDay(`${next.month}-${next.day}`);
  };
  return (
    <Group label={label} sx={{ width: "auto" }}>
      <Pick<string>
        label={`${label}, day`}
        hideLabel
        options={[["", "day"], ...DAYS]}
        value={typed.day}
        onChoose={(chosen) => choose({ ...typed, day: chosen })}
      />
      <Pick<string>
        label={`${label}, month`}
        hideLabel
        options={[["", "month"], ...NAMED]}
        value={typed.month}
        onChoose={(chosen) => choose({ ...typed, month: chosen })}
      />
    </Group>
  );
}
