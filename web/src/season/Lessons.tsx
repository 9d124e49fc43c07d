import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, saidOf, type KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import type { Lesson, SeasonFigures } from "./seasonApi";

type Props = { garden: KeptGarden; season: SeasonFigures; bedKey: string | null };

/** What the log teaches against what was reckoned with, each taken over by a click where it can be. */
export function Lessons({ garden, season, bedKey }: Props) {
  const gardenId = garden.id;
  const queries = useQueryClient();
  const again = () => void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
  const take = useMutation({
    mutationFn: (lesson: Lesson) => takeOver(gardenId, lesson),
    onSuccess: () => {
      again();
      void queries.invalidateQueries({ queryKey: ["sources", gardenId] });
      void queries.invalidateQueries({ queryKey: ["garden", gardenId] });
    },
  });
  const bedOf = (lesson: Lesson) => garden.beds.find(({ key }) => key === lesson.bed);
  const choose = useMutation({
    mutationFn: async ({ lesson, follows }: { lesson: Lesson; follows: boolean }) => {
      const kept = bedOf(lesson);
      if (!kept) return;
      const bed = { ...kept.bed, sinks: follows ? ("as_read" as const) : ("as_usual" as const) };
      await api.saveBed(gardenId, kept.key, { revision: kept.revision, bed });
    },
    onSuccess: () => {
      again();
      void queries.invalidateQueries({ queryKey: ["garden", gardenId] });
    },
  });
  const error = take.error ?? choose.error;
  const shown = season.lessons.filter(({ bed }) => bedKey === null || bed === "" || bed === bedKey);
  if (shown.length === 0)
    return <Note>Readings of a surface, dips, hours and what was paid teach what is told here.</Note>;
  return (
    <Column data-part="lessons">
      {shown.map((lesson) => (
        <section key={lesson.key} data-part="lesson">
          <Note sx={{ color: "ink" }}>{lesson.told}</Note>
          <Row>
            {lesson.sinking && !lesson.taken && (
              <Button onClick={() => take.mutate(lesson)}>Reckon so in beds that nothing was read of</Button>
            )}
            {lesson.sinking && lesson.taken && (
              <>
                <Note component="span">The garden reckons with it.</Note>
                <Button variant="link" onClick={() => take.mutate({ ...lesson, sinking: null })}>
                  Back to the usual
                </Button>
              </>
            )}
            {lesson.sinking && (
              <ForThisBed
                follows={bedOf(lesson)?.bed.sinks !== "as_usual"}
                onFollow={(follows) => choose.mutate({ lesson, follows })}
              />
            )}
            {lesson.price && <Button onClick={() => take.mutate(lesson)}>Put it into the offer</Button>}
            {lesson.kind === "thirst" && (
              <Button variant="link" component={Link} to={`/garden/${gardenId}/water/bed/${lesson.bed}`}>
                Its dips, and what fits them
              </Button>
            )}
            {lesson.kind === "pace" && <Note component="span">The works reckon with it.</Note>}
          </Row>
        </section>
      ))}
      {error && <Problem>{saidOf(error)}</Problem>}
    </Column>
  );
}

type ForThisBedProps = { follows: boolean; onFollow: (follows: boolean) => void };

/** Whether a bed is forecast by what was read of it, or as usual all the same. */
function ForThisBed({ follows, onFollow }: ForThisBedProps) {
  return (
    <>
      <Note component="span">
        {follows ? "This bed is forecast so." : "This bed is forecast as usual all the same."}
      </Note>
      <Button variant="link" onClick={() => onFollow(!follows)}>
        {follows ? "As usual instead" : "By its readings"}
      </Button>
    </>
  );
}

async function takeOver(gardenId: number, { bed, readings, sinking, price }: Lesson): Promise<void> {
  if (price) {
    const { revision, sources } = await api.sources(gardenId);
    const suppliers = sources.suppliers.map((supplier) =>
      supplier.key !== price.supplier
        ? supplier
        : {
            ...supplier,
            offers: supplier.offers?.map((offer, place) => {
              if (place !== price.place) return offer;
              const on = { priced_on: price.on };
              return offer.form === "bulk"
                ? { ...offer, ...on, price_per_m3: price.price }
                : { ...offer, ...on, price: price.price };
            }),
          },
    );
    await api.saveSources(gardenId, { revision, sources: { ...sources, suppliers } });
    return;
  }
  await api.changeGarden(gardenId, (head) => ({
    ...head,
    sinking: sinking ? { ...sinking, bed, readings } : null,
  }));
}
