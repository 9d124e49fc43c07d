import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { saidOf, type Schemas } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { showDay, showHours, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import type { Working } from "./useWorks";
import { worksApi } from "./worksApi";

type Mend = Schemas["MendOfWorks"];

/** What would mend it where beds are sown too late, what it brings in days, and what it costs. */
export function Mends({ gardenId, working }: { gardenId: number; working: Working }) {
  const queries = useQueryClient();
  const answer = useQuery({
    queryKey: ["figure", gardenId, "works", "mends"],
    queryFn: () => worksApi.mends(gardenId),
  });
  if (answer.error) return <Problem>{saidOf(answer.error)}</Problem>;
  if (!answer.data) return <Note role="status">Trying helpers, days and other ways of filling ...</Note>;
  const take = (works: NonNullable<Mend["works"]>) => {
    working.change((words) => ({ ...words, works: works as Schemas["Works"] }));
    void queries.invalidateQueries({ queryKey: ["figure", gardenId, "works", "mends"] });
  };
  return (
    <ul data-part="mends">
      {answer.data.mends.map((mend) => (
        <OneMend key={mend.key} gardenId={gardenId} mend={mend} onTake={take} />
      ))}
    </ul>
  );
}

type OneProps = { gardenId: number; mend: Mend; onTake: (works: NonNullable<Mend["works"]>) => void };

function OneMend({ gardenId, mend, onTake }: OneProps) {
  const { currency } = useShowing();
  const navigate = useNavigate();
  const { works, bed, school } = mend;
  return (
    <li data-part="mend">
      <b>{mend.title}</b>
      <Note>
        {mend.late_days === 0
          ? "In time"
          : mend.late_days === 1
            ? "1 day late"
            : `${mend.late_days} days late`}
        {mend.ends_on != null && `, all done ${showDay(mend.ends_on)}`}
        {Math.abs(mend.hours_less) >= 0.1 &&
          `; ${showHours(Math.abs(mend.hours_less))} ${mend.hours_less > 0 ? "less" : "more"} work`}
        ; {mend.price != null && Number(mend.price) !== 0 && `${showMoney(mend.price, currency)}, `}
        {mend.price_said}
      </Note>
      {works != null && (
        <Button variant="link" color="primary" onClick={() => onTake(works)}>
          Take it
        </Button>
      )}
      {bed != null && school != null && (
        <Button
          variant="link"
          color="primary"
          onClick={() => void navigate(`/garden/${gardenId}/section/bed/${bed}/schools`)}
        >
          Look at its schools
        </Button>
      )}
    </li>
  );
}
