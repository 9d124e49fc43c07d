import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import { WaterFields, WaterList } from "./water.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf } from "../api/client";
import { showDay } from "../quantities/format";
import { waterApi, type FeedFault, type WeatherKept } from "./waterApi";

const LARGEST = 2 * 1024 * 1024;
const FAULTS: readonly (readonly [FeedFault, string])[] = [
  ["none", "Ask the simulated feed"],
  ["late", "Late feed"],
  ["missing", "Feed with gaps"],
  ["absurd", "Absurd feed"],
];

/** The weather that a year runs on: a daily file in and out, and a simulated feed. */
export function Weather({ gardenId }: { gardenId: number }) {
  const queries = useQueryClient();
  const kept = useQuery({ queryKey: ["weather", gardenId], queryFn: () => waterApi.weather(gardenId) });
  const [last, setLast] = useState<WeatherKept | null>(null);
  const taken = (now: WeatherKept) => {
    setLast(now);
    queries.setQueryData(["weather", gardenId], now);
    void queries.invalidateQueries({ queryKey: ["water", gardenId] });
    void queries.invalidateQueries({ queryKey: ["told", gardenId] });
  };
  const bring = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > LARGEST) throw new Error("The file is over 2 MB; take a shorter time.");
      return waterApi.bringWeather(gardenId, await file.text());
    },
    onSuccess: taken,
  });
  const ask = useMutation({
    mutationFn: (fault: FeedFault) => waterApi.askFeed(gardenId, fault),
    onSuccess: taken,
  });
  const error = bring.error ?? ask.error;
  return (
    <section aria-labelledby="weather-title">
      <h2 id="weather-title">Weather</h2>
      <Note>
        {kept.data?.first && kept.data.last
          ? `${kept.data.days} days kept, ${showDay(kept.data.first)} to ${showDay(kept.data.last)}; a whole year of them is used.`
          : "No daily weather yet: years are drawn from normals."}
      </Note>
      <WaterFields>
        <label>
          <span>Daily file: date, tmin_c, tmax_c, rain_mm</span>
          <input
            type="file"
            accept=".csv,text/csv"
            onChange={(event) => {
              const [file] = event.currentTarget.files ?? [];
              if (file) bring.mutate(file);
            }}
          />
        </label>
        <Button component="a" href={`/api/gardens/${gardenId}/weather.csv`} download>
          As a file
        </Button>
        {FAULTS.map(([fault, name]) => (
          <Button key={fault} onClick={() => ask.mutate(fault)}>
            {name}
          </Button>
        ))}
      </WaterFields>
      {error && (
        <p role="alert">
          {error instanceof Error && error.message.startsWith("The file") ? error.message : saidOf(error)}
        </p>
      )}
      {last && (
        <Note role="status">
          {last.taken} days taken{last.bad.length > 0 && `, ${last.bad.length} rows left out:`}
        </Note>
      )}
      {last && last.bad.length > 0 && (
        <WaterList data-part="water-list">
          {last.bad.slice(0, 8).map(({ line, message }) => (
            <li key={line}>
              line {line}: {message}
            </li>
          ))}
        </WaterList>
      )}
    </section>
  );
}
