import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf, type KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column } from "../kit/Row";
import { Pick } from "../theme/controls/Pick";
import { worksApi } from "./worksApi";

/** Whether a bed is better built in autumn or in spring, with its own waits, sinking and nitrogen. */
export function BuildWhen({ garden }: { garden: KeptGarden }) {
  const beds = garden.beds.map(({ key, bed }) => [key, bed.name ?? key] as const);
  const [chosen, setChosen] = useState(garden.beds[0]?.key ?? "");
  const answer = useQuery({
    queryKey: ["figure", garden.id, "works", "when", chosen],
    queryFn: () => worksApi.when(garden.id, chosen),
    enabled: chosen !== "",
  });
  if (beds.length === 0) return <Note>There is no bed yet.</Note>;
  return (
    <Column data-part="build-when">
      <Pick label="Bed" options={beds} value={chosen} onChoose={setChosen} />
      {answer.error && <Problem>{saidOf(answer.error)}</Problem>}
      {answer.data && (
        <>
          <b>{answer.data.better === null ? "It makes no difference" : `Better in ${answer.data.better}`}</b>
          {answer.data.why.map((line) => (
            <Note key={line}>{line}</Note>
          ))}
          {answer.data.built.map(({ season, said }) => (
            <Note key={season}>
              {season === "autumn" ? "Autumn: " : "Spring: "}
              {said}
            </Note>
          ))}
        </>
      )}
    </Column>
  );
}
