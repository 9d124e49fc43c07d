import { useState } from "react";
import type { PlanGarden } from "../api/client";
import { Group } from "../kit/Group";
import { Row } from "../kit/Row";
import { showTemperature } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";

export type Climate = {
  mean_temp_c?: PlanGarden["mean_temp_c"];
  last_frost?: PlanGarden["last_frost"];
  first_frost?: PlanGarden["first_frost"];
};

const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];
const twoDigits = (number: number) => String(number).padStart(2, "0");
const DAYS = Array.from({ length: 31 }, (_, index) => [twoDigits(index + 1), String(index + 1)] as const);
const NAMED = MONTHS.map((name, index) => [twoDigits(index + 1), name] as const);

const DEFAULT_C = 12;

type Props = { climate: Climate; onChange: (change: Climate) => void };

/** What settling, feeding and sowing are reckoned by: the mean temperature and the frosts. */
export function ClimateFields({ climate, onChange }: Props) {
  const { units } = useShowing();
  const { mean_temp_c: mean } = climate;
  return (
    <Row sx={{ alignItems: "flex-end", gap: 3 }}>
      <MeasureField
        label="Mean of the year"
        limit="temperature"
        width="112px"
        placeholder={showTemperature(DEFAULT_C, units)}
        shown={mean == null ? "" : showTemperature(mean, units)}
        onMeaning={({ values: [mean_temp_c] }) => onChange({ mean_temp_c })}
      />
      <MonthDay
        label="Last frost in spring"
        value={climate.last_frost}
        onDay={(last_frost) => onChange({ last_frost })}
      />
      <MonthDay
        label="First frost in autumn"
        value={climate.first_frost}
        onDay={(first_frost) => onChange({ first_frost })}
      />
    </Row>
  );
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
