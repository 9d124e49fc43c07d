import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { KeptGarden, Schemas } from "../api/client";
import { Column, Row } from "../kit/Row";
import { Side } from "../kit/Side";
import { MeasureField } from "../quantities/MeasureField";
import { Pick } from "../theme/controls/Pick";
import { withTerms } from "./said";
import type { Working } from "./useWorks";
import { WORK_NAMES } from "./workNames";
import type { WorkStep } from "./worksApi";

type Own = Schemas["OwnStep"];
type WorkKind = WorkStep["work"];

type Props = {
  garden: KeptGarden;
  steps: readonly WorkStep[];
  working: Working;
  onClose: () => void;
};

const MOST_NAME = 80;
const MOST_WORDS = 500;

/** A step of the gardener's own: what, for which bed, how long, after what and before what. */
export default function OwnStep({ garden, steps, working, onClose }: Props) {
  const [name, setName] = useState("");
  const [bed, setBed] = useState("");
  const [work, setWork] = useState<WorkKind>("care");
  const [hours, setHours] = useState(0.5);
  const [wait, setWait] = useState(0);
  const [after, setAfter] = useState("");
  const [before, setBefore] = useState("");
  const [why, setWhy] = useState("");
  const [hold, setHold] = useState("");
  const tooLong = name.length > MOST_NAME || why.length > MOST_WORDS || hold.length > MOST_WORDS;
  const beds = garden.beds.map(({ key, bed: each }) => [key, each.name ?? key] as const);
  const others = steps.map((step) => [step.key, step.title] as const);
  const keep = () => {
    const own: Own = {
      step: freeKey(bed, working.words.works?.own ?? []),
      bed: bed || null,
      name: name.trim(),
      why: why.trim(),
      work,
      hours,
      after: after ? [after] : [],
      before: before ? [before] : [],
      wait_days: wait,
      hold: hold.trim() || null,
    };
    working.change((words) => withTerms(words, { own: [...(words.works?.own ?? []), own] }));
    onClose();
  };
  return (
    <Side title="A step of your own" onClose={onClose}>
      <Column>
        <TextField
          label="What is done"
          value={name}
          error={name.length > MOST_NAME}
          helperText={name.length > MOST_NAME ? `Up to ${MOST_NAME} letters.` : null}
          onChange={({ target }) => setName(target.value)}
        />
        <TextField label="Why" value={why} onChange={({ target }) => setWhy(target.value)} />
        <Pick label="For" options={[["", "The garden"], ...beds]} value={bed} onChoose={setBed} />
        <Pick
          label="Kind of work"
          options={Object.entries(WORK_NAMES) as [WorkKind, string][]}
          value={work}
          onChoose={setWork}
        />
        <Row sx={{ alignItems: "flex-end" }}>
          <MeasureField
            label="Hours"
            limit="hours"
            width="96px"
            eager
            shown="0.5"
            onMeaning={({ values: [value] }) => value !== undefined && setHours(value)}
          />
          <MeasureField
            label="Days to wait after it"
            limit="hours"
            width="150px"
            eager
            shown="0"
            onMeaning={({ values: [value] }) =>
              value !== undefined && setWait(Math.min(Math.round(value), 400))
            }
          />
        </Row>
        <Pick label="After" options={[["", "Nothing"], ...others]} value={after} onChoose={setAfter} />
        <Pick label="Before" options={[["", "Nothing"], ...others]} value={before} onChoose={setBefore} />
        <TextField
          label="To be answered before going on, if anything"
          value={hold}
          onChange={({ target }) => setHold(target.value)}
        />
        <Button variant="contained" disabled={!name.trim() || tooLong} onClick={keep}>
          Add the step
        </Button>
      </Column>
    </Side>
  );
}

function freeKey(bed: string, own: readonly Own[]): string {
  const taken = new Set(own.map(({ step }) => step));
  let number = own.length + 1;
  while (taken.has(`${bed || "garden"}.own.${number}`)) number += 1;
  return `${bed || "garden"}.own.${number}`;
}
