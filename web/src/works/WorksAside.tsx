import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import type { FindingFigures, KeptGarden } from "../api/client";
import { Findings } from "../findings/Findings";
import { Disclosure } from "../kit/Disclosure";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { Aside } from "../kit/View";
import { showDay, showHours } from "../quantities/format";
import { BuildWhen } from "./BuildWhen";
import { Mends } from "./Mends";
import type { Working } from "./useWorks";
import { WORK_NAMES } from "./workNames";
import type { WorksFigures } from "./worksApi";

type Props = {
  garden: KeptGarden;
  figures: WorksFigures;
  working: Working;
  onOpen: (key: string) => void;
};

/** How far the works are, what is late and what mends it, what to beware of, and the years after. */
export function WorksAside({ garden, figures, working, onOpen }: Props) {
  const total = figures.hours + figures.done_hours;
  const show = (finding: FindingFigures) => {
    const found = figures.findings.find((each) => each.finding === finding)?.steps[0];
    if (found) onOpen(found);
  };
  return (
    <Aside component="aside" variant="outlined" data-part="works-aside">
      <section aria-label="How far it is">
        <Typography variant="panelTitle">How far it is</Typography>
        <LinearProgress
          variant="determinate"
          value={total > 0 ? (100 * figures.done_hours) / total : 0}
          aria-label="Hours done of all"
          sx={{ marginTop: 2 }}
        />
        <Lines>
          <FactLine name="Work left">{showHours(figures.hours)}</FactLine>
          <FactLine name="A working day has">
            {showHours(figures.day_hours)}
            {figures.people > 1 && `, ${figures.people} people`}
          </FactLine>
          {figures.begins_on != null && <FactLine name="Begins">{showDay(figures.begins_on)}</FactLine>}
          {figures.ends_on != null && <FactLine name="All done">{showDay(figures.ends_on)}</FactLine>}
        </Lines>
      </section>
      {figures.late.length > 0 && (
        <section aria-label="Late" data-part="late">
          <Typography variant="panelTitle">Sown too late</Typography>
          <Lines>
            {figures.late.map((late) => (
              <FactLine key={late.step} name={late.name}>
                {showDay(late.on)}, {late.days === 1 ? "1 day" : `${late.days} days`} late
              </FactLine>
            ))}
          </Lines>
          <Disclosure title="What would mend it">
            {() => <Mends gardenId={garden.id} working={working} />}
          </Disclosure>
        </section>
      )}
      {figures.broken_off.map((each) => (
        <section key={each.bed} aria-label={`${each.name}, left halfway`} data-part="broken-off">
          <Typography variant="panelTitle">{each.name}: left halfway</Typography>
          <Note>
            Done: {each.done}. Next: {each.next}.
          </Note>
          <ul>
            {each.safe.map((line) => (
              <li key={line}>
                <Note>{line}</Note>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <Findings
        findings={figures.findings.map(({ finding }) => finding)}
        onShow={show}
        canShow={(finding) =>
          (figures.findings.find((each) => each.finding === finding)?.steps.length ?? 0) > 0
        }
      />
      <Disclosure title="Autumn or spring">{() => <BuildWhen garden={garden} />}</Disclosure>
      {figures.pace.some(({ hours }) => hours > 0) && (
        <section aria-label="Your pace" data-part="pace">
          <Typography variant="panelTitle">Your own pace</Typography>
          <Lines>
            {figures.pace
              .filter(({ hours }) => hours > 0)
              .map(({ work, factor, hours }) => (
                <FactLine key={work} name={WORK_NAMES[work]}>
                  {Math.round(factor * 100) / 100} times as long, from {showHours(hours)}
                </FactLine>
              ))}
          </Lines>
        </section>
      )}
      <Disclosure title="In the years after" said={String(figures.upkeep.length)}>
        {() => (
          <Lines>
            {figures.upkeep.map(({ key, title, why, on }) => (
              <FactLine
                key={key}
                name={
                  <>
                    {title}
                    <Note component="span" sx={{ display: "block" }}>
                      {why}
                    </Note>
                  </>
                }
              >
                {showDay(on)}
              </FactLine>
            ))}
          </Lines>
        )}
      </Disclosure>
      <Button component="a" href={`/api/gardens/${garden.id}/works.ics`} download="works.ics">
        As a calendar file
      </Button>
    </Aside>
  );
}
