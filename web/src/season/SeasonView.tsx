import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { Link } from "react-router";
import { api, saidOf, type KeptGarden, type Material } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Aside, View, ViewHead, Work } from "../kit/View";
import { Pick } from "../theme/controls/Pick";
import { Entries } from "./Entries";
import { InAndOut } from "./InAndOut";
import { useOutbox } from "./outbox";
import { Lessons } from "./Lessons";
import { SaidDifferently } from "./SaidDifferently";
import type { SeasonFigures } from "./seasonApi";
import { SurfaceLine } from "./SurfaceLine";
import { TimeLine } from "./TimeLine";
import { Upkeep } from "./Upkeep";
import { useSeasonFigures } from "./useSeasonFigures";
import { Trials, WhenItPays, YieldTable } from "./WhatItGave";
import { WriteDown } from "./WriteDown";

/** Where all stands under each other, the hand finds what it writes with first. */
const FIRST_IN_ONE_COLUMN = { "@media (max-width: 1100px)": { order: -1 } } as const;

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material> };

/** What was seen and done, written down with one hand; what a bed's readings say of how it sinks. */
export default function SeasonView({ garden, materials }: Props) {
  const queries = useQueryClient();
  const [picked, setPicked] = useState<string>("");
  const arrived = useCallback(() => {
    void queries.invalidateQueries({ queryKey: ["season", garden.id] });
    void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
    void queries.invalidateQueries({ queryKey: ["dips", garden.id] });
  }, [queries, garden.id]);
  const waiting = useOutbox(garden.id, arrived);
  const figures = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const filled = figures.data?.figures.beds.find(({ state }) => state === "filled")?.key;
  const bedNames = useMemo(
    () => new Map(garden.beds.map(({ key, bed }) => [key, bed.name ?? key])),
    [garden.beds],
  );
  const bed = garden.beds.find(({ key }) => key === picked);
  // one bed alone has no need of a line beside others
  const drawn = bed ?? (garden.beds.length === 1 ? garden.beds[0] : undefined);
  const first = bed ?? garden.beds.find(({ key }) => key === filled) ?? garden.beds[0];
  const told = useSeasonFigures(garden.id);
  return (
    <View>
      <Work>
        <ViewHead>
          <Typography variant="view">Season</Typography>
          <Pick
            label="Shown"
            hideLabel
            options={[["", "All beds"], ...bedNames]}
            value={picked}
            onChoose={setPicked}
          />
          <Button component={Link} to={`/garden/${garden.id}/season/year`}>
            The year
          </Button>
        </ViewHead>
        {waiting.length > 0 && (
          <Note role="status">
            {waiting.length === 1 ? "1 entry is" : `${waiting.length} entries are`} on the way.
          </Note>
        )}
        {drawn ? (
          <SurfaceLine key={drawn.key} gardenId={garden.id} kept={drawn} />
        ) : (
          figures.data &&
          told.data && (
            <TimeLine
              garden={garden}
              beds={figures.data.figures.beds}
              season={told.data}
              onChoose={setPicked}
            />
          )
        )}
        {told.error && <Problem>{saidOf(told.error)}</Problem>}
        {told.data && <WhatItTells garden={garden} season={told.data} bedKey={picked || null} />}
        <Entries
          key={picked}
          garden={garden}
          bedKey={picked || null}
          bedNames={bedNames}
          materials={materials}
          waiting={waiting}
        />
      </Work>
      <Aside component="aside" aria-label="To write down" sx={FIRST_IN_ONE_COLUMN}>
        <WriteDown
          key={picked}
          garden={garden}
          materials={materials}
          bedKey={picked || null}
          first={first?.key}
        />
        <InAndOut gardenId={garden.id} />
      </Aside>
    </View>
  );
}

type ToldProps = { garden: KeptGarden; season: SeasonFigures; bedKey: string | null };

/** What the log comes to, each part behind its line. */
function WhatItTells({ garden, season, bedKey }: ToldProps) {
  const of = <Item extends { bed: string }>(items: readonly Item[]) =>
    items.filter(({ bed }) => bedKey === null || bed === bedKey);
  const open = of(season.upkeep).filter(({ done_on }) => done_on == null);
  const late = open.filter(({ is_late }) => is_late).length;
  const differently = of(season.differently);
  const lessons = season.lessons.filter(({ bed }) => bedKey === null || bed === "" || bed === bedKey);
  return (
    <div data-part="season-told">
      <Disclosure title="What the log teaches" said={lessons.length || undefined} startsOpen>
        {() => <Lessons garden={garden} season={season} bedKey={bedKey} />}
      </Disclosure>
      <Disclosure title="What the beds gave">
        {() => <YieldTable season={season} bedKey={bedKey} />}
      </Disclosure>
      <Disclosure title="Cost, and when it pays">
        {() => <WhenItPays season={season} bedKey={bedKey} />}
      </Disclosure>
      <Disclosure title="Side by side" said={season.trials.length || undefined}>
        {() => <Trials season={season} bedKey={bedKey} />}
      </Disclosure>
      <Disclosure
        title="Upkeep due"
        said={open.length > 0 ? `${open.length}${late > 0 ? `, ${late} late` : ""}` : undefined}
      >
        {() => <Upkeep gardenId={garden.id} season={season} bedKey={bedKey} />}
      </Disclosure>
      {differently.length > 0 && (
        <Disclosure title="Next time otherwise" said={differently.length}>
          {() => <SaidDifferently said={differently} />}
        </Disclosure>
      )}
    </div>
  );
}
