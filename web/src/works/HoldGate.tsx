import Button from "@mui/material/Button";
import Paper from "@mui/material/Paper";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showDay } from "../quantities/format";
import { GateSign } from "./GateSign";
import type { Working } from "./useWorks";
import type { WorkStep } from "./worksApi";

/** A hold point: what is to be looked at, what was found, and whether it may go on. */
export function HoldGate({ step, working }: { step: WorkStep; working: Working }) {
  const [measured, setMeasured] = useState("");
  const answer = (passed: boolean) => {
    working.tick({ step: step.key, done: passed, passed, measured: measured.trim() });
    setMeasured("");
  };
  const tooLong = measured.length > MOST;
  return (
    <Paper variant="outlined" sx={{ padding: "10px 12px", display: "grid", gap: 2 }} data-part="hold-gate">
      <Typography variant="strong" component="p">
        <GateSign passed={step.passed} />
        {step.hold}
      </Typography>
      <TextField
        label="What you measured or saw"
        value={measured}
        error={tooLong}
        helperText={tooLong ? `Up to ${MOST} letters; this has ${measured.length}.` : null}
        onChange={(event) => setMeasured(event.target.value)}
      />
      <Row>
        <Button
          variant="contained"
          disabled={tooLong || working.ticking !== null}
          onClick={() => answer(true)}
          sx={{ minHeight: 44 }}
        >
          It is right
        </Button>
        <Button
          disabled={tooLong || working.ticking !== null}
          onClick={() => answer(false)}
          sx={{ minHeight: 44 }}
        >
          Not yet
        </Button>
      </Row>
      {step.answers.map(({ on, passed, measured: said }, index) => (
        <Note key={index} data-part="answer">
          {showDay(on)}: {passed ? "right" : "not yet"}
          {said && `, ${said}`}
        </Note>
      ))}
    </Paper>
  );
}

const MOST = 500;
