import Button from "@mui/material/Button";
import FormLabel from "@mui/material/FormLabel";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { KeptGarden, Schemas } from "../api/client";
import { Choice } from "../kit/Choice";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Side } from "../kit/Side";
import { Tick } from "../kit/Tick";
import { MeasureField } from "../quantities/MeasureField";
import { showDay, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Rates } from "./Rates";
import { withTerms } from "./said";
import type { Working } from "./useWorks";
import type { WorksFigures } from "./worksApi";

type Works = Schemas["Works"];
type Weekday = NonNullable<Works["days"]>[number];

const WEEK: readonly (readonly [Weekday, string])[] = [
  ["mon", "Mon"],
  ["tue", "Tue"],
  ["wed", "Wed"],
  ["thu", "Thu"],
  ["fri", "Fri"],
  ["sat", "Sat"],
  ["sun", "Sun"],
];
const WEEKEND: readonly Weekday[] = ["sat", "sun"];
const GROUNDS = [
  ["loam", "Loam"],
  ["clay", "Clay"],
  ["stony", "Stony"],
  ["rooty", "Full of roots"],
] as const;

type Props = { garden: KeptGarden; figures: WorksFigures; working: Working; onClose: () => void };

/** When the garden is worked, by whom, and by which day it is to be sown. */
export default function Terms({ garden, figures, working, onClose }: Props) {
  const { currency } = useShowing();
  const works = working.words.works ?? {};
  const say = (change: Partial<Works>) => working.change((words) => withTerms(words, change));
  const days = works.days ?? WEEKEND;
  return (
    <Side title="Days and people" onClose={onClose}>
      <div>
        <FormLabel component="span" sx={{ display: "block", marginBottom: 1, fontSize: 13, color: "soft" }}>
          Working days
        </FormLabel>
        <ToggleButtonGroup
          aria-label="Working days"
          value={[...days]}
          onChange={(_event, chosen: Weekday[]) =>
            chosen.length > 0 && say({ days: WEEK.map(([day]) => day).filter((day) => chosen.includes(day)) })
          }
          sx={{ flexWrap: "wrap" }}
        >
          {WEEK.map(([day, name]) => (
            <ToggleButton key={day} value={day}>
              {name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </div>
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="Hours a day, each"
          limit="day_hours"
          width="120px"
          placeholder="6"
          shown={works.hours_a_day == null ? "" : String(works.hours_a_day)}
          onMeaning={({ values: [hours] }) => hours !== undefined && say({ hours_a_day: hours })}
        />
        <Choice
          shown
          label="Helpers"
          options={["0", "1", "2", "3", "4"].map((count) => [count, count === "0" ? "none" : count] as const)}
          value={String(Math.min(works.helpers ?? 0, 4))}
          onChoose={(count) => say({ helpers: Number(count) })}
        />
      </Row>
      <Row sx={{ alignItems: "flex-end" }}>
        <TextField
          label="First free day"
          type="date"
          value={works.start ?? ""}
          onChange={({ target }) => say({ start: target.value || null })}
        />
        <TextField
          label="All sown by"
          type="date"
          value={works.sow_on ?? ""}
          onChange={({ target }) => say({ sow_on: target.value || null })}
        />
      </Row>
      <Note>Without a day of yours it is the first working day after the last frost.</Note>
      <DaysOff days={works.days_off ?? []} onDays={(days_off) => say({ days_off })} />
      <Disclosure title="Single beds sown by another day">
        {() => (
          <Column>
            {garden.beds.map(({ key, bed }) => (
              <TextField
                key={key}
                label={bed.name ?? key}
                type="date"
                value={works.sow?.find((each) => each.bed === key)?.on ?? ""}
                onChange={({ target }) => {
                  const others = (works.sow ?? []).filter((each) => each.bed !== key);
                  say({ sow: target.value ? [...others, { bed: key, on: target.value }] : others });
                }}
              />
            ))}
          </Column>
        )}
      </Disclosure>
      <Choice
        shown
        label="What is dug in"
        options={GROUNDS}
        value={works.ground ?? "loam"}
        onChoose={(ground) => say({ ground })}
      />
      <Row sx={{ alignItems: "flex-end" }}>
        <Tick
          label="A small digger is hired"
          checked={works.machine ?? false}
          onTick={(machine) => say({ machine })}
        />
        <MeasureField
          label="It costs a day"
          limit="price"
          width="110px"
          placeholder="180"
          shown={works.machine_day == null ? "" : showMoney(works.machine_day, currency)}
          onMeaning={({ money }) => money != null && say({ machine_day: String(money) })}
        />
      </Row>
      <Rates figures={figures} working={working} />
      <Typography variant="note">
        Each figure is an estimate until you give your own; time you log corrects it.
      </Typography>
    </Side>
  );
}

function DaysOff({ days, onDays }: { days: readonly string[]; onDays: (days: string[]) => void }) {
  const [day, setDay] = useState("");
  return (
    <Column>
      <Row sx={{ alignItems: "flex-end" }}>
        <TextField
          label="A day off"
          type="date"
          value={day}
          onChange={({ target }) => setDay(target.value)}
        />
        <Button
          disabled={day === "" || days.includes(day)}
          onClick={() => {
            onDays([...days, day].sort());
            setDay("");
          }}
        >
          Keep it free
        </Button>
      </Row>
      <Row>
        {days.map((each) => (
          <Button key={each} variant="text" onClick={() => onDays(days.filter((other) => other !== each))}>
            {showDay(each)}: work after all
          </Button>
        ))}
      </Row>
    </Column>
  );
}
