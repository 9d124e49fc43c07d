import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Disclosure } from "../kit/Disclosure";
import { Column, Row } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { saidOfStep, withSaid, withTerms } from "./said";
import type { Working } from "./useWorks";
import type { WorkStep } from "./worksApi";

/** A step put off, given other hours, or left out with a reason; one of the gardener's own taken away. */
export function StepChanges({ step, working }: { step: WorkStep; working: Working }) {
  const said = saidOfStep(working.words, step.key);
  const [reason, setReason] = useState("");
  const say = (change: Parameters<typeof withSaid>[2]) =>
    working.change((words) => withSaid(words, step.key, change));
  const leaveOut = () => {
    if (reason.trim()) say({ left_out: reason.trim().slice(0, 500) });
    setReason("");
  };
  return (
    <Disclosure title="Put off, other hours, leave out">
      {() => (
        <Column>
          <Row sx={{ alignItems: "flex-end" }}>
            <TextField
              label="Not before"
              type="date"
              value={said?.not_before ?? ""}
              onChange={({ target }) => say({ not_before: target.value || null })}
            />
            <MeasureField
              label="Hours it takes"
              limit="hours"
              width="104px"
              placeholder={String(Math.round(step.hours * 10) / 10)}
              shown={said?.hours == null ? "" : String(said.hours)}
              onMeaning={({ values: [hours] }) => hours !== undefined && say({ hours })}
            />
            {said?.hours != null && <Button onClick={() => say({ hours: null })}>As reckoned</Button>}
          </Row>
          {step.left_out === "" ? (
            <Row sx={{ alignItems: "flex-end" }}>
              <TextField
                label="Leave it out, because"
                value={reason}
                onChange={(event) => setReason(event.target.value)}
                onKeyDown={(event) => event.key === "Enter" && leaveOut()}
              />
              <Button disabled={!reason.trim()} onClick={leaveOut}>
                Leave it out
              </Button>
            </Row>
          ) : (
            <Button onClick={() => say({ left_out: null })}>Take it in again</Button>
          )}
          {step.kind === "own" && (
            <Button
              variant="text"
              onClick={() =>
                working.change((words) =>
                  withTerms(words, { own: words.works?.own?.filter((each) => each.step !== step.key) }),
                )
              }
            >
              Take this step of your own away
            </Button>
          )}
        </Column>
      )}
    </Disclosure>
  );
}
