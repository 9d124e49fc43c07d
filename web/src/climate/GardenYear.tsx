import { Note } from "../kit/Note";
import { GardenYearBox, GardenYearFields, MonthDayBox } from "./garden-year.styles";
import { meant } from "../api/meant";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type PlanGarden } from "../api/client";
import { trimmed } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { ShowingProvider } from "../quantities/UnitsContext";

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

/** The garden's year, that settling, feeding and sowing are reckoned by: its mean temperature and its frosts. */
export function GardenYear({ gardenId }: { gardenId: number }) {
  const [open, setOpen] = useState(false);
  return (
    <GardenYearBox onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Its year</summary>
      {open && <YearFields gardenId={gardenId} />}
    </GardenYearBox>
  );
}

function YearFields({ gardenId }: { gardenId: number }) {
  const queries = useQueryClient();
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const keep = useMutation({
    // one after the other: each rests on what the one before kept
    scope: { id: `garden ${gardenId}` },
    mutationFn: (change: Partial<PlanGarden>) =>
      api.changeGarden(gardenId, (head) => ({ ...head, ...change })),
    onSuccess: (kept) => {
      queries.setQueryData(["garden", gardenId], kept);
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  const head = garden.data?.garden;
  if (!head) return null;
  const mean = head.mean_temp_c;
  return (
    <ShowingProvider
      value={{ units: meant("Garden", head, "units"), currency: meant("Garden", head, "currency") }}
    >
      <GardenYearFields>
        <MeasureField
          label="Mean, °C"
          limit="temperature"
          width="84px"
          placeholder="12"
          shown={mean == null ? "" : trimmed(mean, 1)}
          onMeaning={({ values: [mean_temp_c] }) => keep.mutate({ mean_temp_c })}
        />
        <MonthDay
          label="Last frost"
          value={head.last_frost}
          onDay={(last_frost) => keep.mutate({ last_frost })}
        />
        <MonthDay
          label="First frost"
          value={head.first_frost}
          onDay={(first_frost) => keep.mutate({ first_frost })}
        />
      </GardenYearFields>
      {keep.error && <p role="alert">{saidOf(keep.error)}</p>}
      <Note>
        {mean == null ? "12 °C is the default" : `${trimmed((mean * 9) / 5 + 32, 0)} °F`}: warm fill rots and
        sinks faster.
      </Note>
    </ShowingProvider>
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
  const days = Array.from({ length: 31 }, (_, index) => String(index + 1).padStart(2, "0"));
  return (
    <MonthDayBox>
      <legend>{label}</legend>
      <select
       
        aria-label={`${label}, day`}
        value={typed.day}
        onChange={(event) => choose({ ...typed, day: event.currentTarget.value })}
      >
        <option value="">day</option>
        {days.map((each) => (
          <option key={each} value={each}>
            {Number(each)}
          </option>
        ))}
      </select>
      <select
       
        aria-label={`${label}, month`}
        value={typed.month}
        onChange={(event) => choose({ ...typed, month: event.currentTarget.value })}
      >
        <option value="">month</option>
        {MONTHS.map((name, index) => (
          <option key={name} value={String(index + 1).padStart(2, "0")}>
            {name}
          </option>
        ))}
      </select>
    </MonthDayBox>
  );
}
