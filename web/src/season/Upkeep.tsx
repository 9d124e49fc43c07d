import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { todayHere } from "../kit/todayHere";
import { showDay } from "../quantities/format";
import { freshKey } from "./freshKey";
import { send } from "./outbox";
import type { SeasonFigures } from "./seasonApi";

type Props = { gardenId: number; season: SeasonFigures; bedKey: string | null };

/** What falls due on filled beds, ticked off into the log. */
export function Upkeep({ gardenId, season, bedKey }: Props) {
  const due = season.upkeep.filter(({ bed }) => bedKey === null || bed === bedKey);
  if (due.length === 0) return <Note>Nothing falls due within a year on a bed that is filled.</Note>;
  return (
    <Column data-part="upkeep-due">
      {due.map((each) => (
        <Row key={each.key} sx={{ alignItems: "baseline" }}>
          <Note component="span" sx={{ color: "ink", flex: "1 1 220px" }}>
            {each.title}
            <Note component="span"> {each.why}</Note>
          </Note>
          {each.done_on != null ? (
            <Note component="span">done {showDay(each.done_on)}</Note>
          ) : (
            <>
              <Note component="span">{each.is_late ? `was due ${showDay(each.on)}` : showDay(each.on)}</Note>
              <Button
                aria-label={`Done: ${each.title}`}
                onClick={() =>
                  void send({
                    gardenId,
                    key: freshKey(),
                    revision: 0,
                    entry: {
                      kind: "note",
                      bed: each.bed,
                      on: todayHere(),
                      text: each.title,
                      differently: false,
                      upkeep: each.key,
                    },
                  })
                }
              >
                Done
              </Button>
            </>
          )}
        </Row>
      ))}
    </Column>
  );
}
