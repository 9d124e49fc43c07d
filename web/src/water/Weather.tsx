import { Problem } from "../kit/Problem";
import Typography from "@mui/material/Typography";
import { Row } from "../kit/Row";
import { FilePick } from "../theme/controls/FilePick";
import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import { WaterList } from "./water.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf } from "../api/client";
import { showDay } from "../quantities/format";
import { GardenYear } from "../climate/GardenYear";
import { waterApi, type WeatherKept } from "./waterApi";

const LARGEST = 2 * 1024 * 1024;
/** The weather that a year runs on: a daily file in and out. */
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
  const { error } = bring;
  return (
    <section aria-labelledby="weather-title">
      <Typography variant="panelTitle" id="weather-title" sx={{ marginBottom: 1.5 }}>
        Weather
      </Typography>
      <Note>
        {kept.data?.first && kept.data.last
          ? `${kept.data.days} days kept, ${showDay(kept.data.first)} to ${showDay(kept.data.last)}; a whole year of them is used.`
          : "No daily weather yet: years are drawn from normals."}
      </Note>
      <GardenYear gardenId={gardenId} />
      <Note>A daily file has a column each for date, tmin_c, tmax_c and rain_mm.</Note>
      <Row>
        <FilePick
          label="Daily file: date, tmin_c, tmax_c, rain_mm"
          accept=".csv,text/csv"
          onFile={(file) => bring.mutate(file)}
        >
          Bring a daily file
        </FilePick>
        <Button component="a" href={`/api/gardens/${gardenId}/weather.csv`} download>
          As a file
        </Button>
      </Row>
      {error && (
        <Problem>
          {error instanceof Error && error.message.startsWith("The file") ? error.message : saidOf(error)}
        </Problem>
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
