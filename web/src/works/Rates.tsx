import Button from "@mui/material/Button";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { withTerms } from "./said";
import type { Working } from "./useWorks";
import { WORK_NAMES } from "./workNames";
import type { WorksFigures } from "./worksApi";

type Props = { figures: WorksFigures; working: Working };

const LIMITS = { m3: "rate_m3", m2: "rate_m2", count: "rate" } as const;

/** What one person does in an hour, and how many times as long the gardener takes. */
export function Rates({ figures, working }: Props) {
  const own = working.words.works?.rates ?? {};
  const set = (name: string, value: number | null) =>
    working.change((words) => {
      const others = Object.entries(words.works?.rates ?? {}).filter(([each]) => each !== name);
      return withTerms(words, {
        rates: Object.fromEntries(value === null ? others : [...others, [name, value]]),
      });
    });
  return (
    <Disclosure title="What one does in an hour, and your own pace">
      {() => (
        <Column>
          {figures.rates.map((rate) => (
            <Row key={rate.name} sx={{ alignItems: "flex-end" }}>
              <MeasureField
                label={`${rate.title}, an hour`}
                limit={LIMITS[rate.unit]}
                width="210px"
                shown={rate.said}
                onMeaning={({ values: [value] }) => value !== undefined && set(rate.name, value)}
              />
              <Note component="span">{rate.source === "yours" ? "yours" : rate.source}</Note>
              {own[rate.name] !== undefined && (
                <Button variant="text" onClick={() => set(rate.name, null)}>
                  As usual
                </Button>
              )}
            </Row>
          ))}
          {Object.entries(WORK_NAMES).map(([work, name]) => {
            const pace = figures.pace.find((each) => each.work === work);
            return (
              <Row key={work} sx={{ alignItems: "flex-end" }}>
                <MeasureField
                  label={`${name}: times as long`}
                  limit="pace"
                  width="150px"
                  placeholder="1"
                  shown={pace ? String(Math.round(pace.factor * 100) / 100) : ""}
                  onMeaning={({ values: [factor] }) =>
                    factor !== undefined &&
                    working.change((words) => ({ ...words, pace: { ...words.pace, [work]: factor } }))
                  }
                />
                <Note component="span">
                  {pace && pace.hours > 0
                    ? `from ${Math.round(pace.hours * 10) / 10} h that you logged`
                    : "as usual"}
                </Note>
              </Row>
            );
          })}
        </Column>
      )}
    </Disclosure>
  );
}
