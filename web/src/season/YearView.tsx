import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link, useSearchParams } from "react-router";
import { api, saidOf, type KeptGarden, type TalliedFigures } from "../api/client";
import { SpringOrder } from "../haul/SpringOrder";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Row } from "../kit/Row";
import { PlainView, ViewHead } from "../kit/View";
import { showDay, showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { SCREEN_ONLY } from "../theme/sizes";
import { SaidDifferently } from "./SaidDifferently";
import type { SeasonFigures } from "./seasonApi";
import { TimeLine } from "./TimeLine";
import { useSeasonFigures } from "./useSeasonFigures";
import { Trials, WhenItPays, YieldTable } from "./WhatItGave";

const TwoColumns = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)",
  gap: "14px 28px",
  alignItems: "start",
  "@media (max-width: 760px)": { gridTemplateColumns: "minmax(0, 1fr)" },
});

/** A year at a glance, to print: what was forecast, what happened, and what to do before next spring. */
export default function YearView({ garden }: { garden: KeptGarden }) {
  const [query, setQuery] = useSearchParams();
  const season = useSeasonFigures(garden.id);
  const figures = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const error = season.error ?? figures.error;
  if (error) return <PageNote>{saidOf(error)}</PageNote>;
  if (!season.data || !figures.data) return <PageNote>Adding the year up ...</PageNote>;
  const told = season.data;
  const years = told.seasons.length > 0 ? told.seasons : [new Date().getFullYear()];
  const asked = Number(query.get("of"));
  const year = years.includes(asked) ? asked : (years[0] ?? 0);
  const named = (each: number) => (told.southern ? `${each}/${(each + 1) % 100}` : String(each));
  return (
    <PlainView data-part="year">
      <ViewHead>
        <Typography variant="view">The year {named(year)}</Typography>
        <Note sx={{ marginRight: "auto" }}>{garden.garden.name}</Note>
        <Row sx={SCREEN_ONLY}>
          <Pick
            label="Year"
            hideLabel
            options={years.map((each) => [String(each), named(each)] as const)}
            value={String(year)}
            onChoose={(of) => setQuery({ of }, { replace: true })}
          />
          <Button component={Link} to={`/garden/${garden.id}/season`}>
            Season
          </Button>
          <Button variant="contained" component={Link} to={`/garden/${garden.id}/papers?sheet=year`}>
            Print
          </Button>
        </Row>
      </ViewHead>
      <YearTold garden={garden} figures={figures.data.figures} season={told} year={year} />
    </PlainView>
  );
}

type ToldProps = {
  garden: KeptGarden;
  figures: TalliedFigures["figures"];
  season: SeasonFigures;
  year: number;
};

/** A year's line of time, and what came of it. */
export function YearTold({ garden, figures, season: told, year }: ToldProps) {
  const weather = told.weather.find((each) => each.season === year);
  const differently = told.differently.filter(({ on }) => on.startsWith(String(year)));
  const { spring } = figures;
  return (
    <>
      <TimeLine garden={garden} beds={figures.beds} season={told} onChoose={() => undefined} />
      <TwoColumns>
        <Part title="Forecast and what happened">
          <Surfaces season={told} year={year} />
          <Note>
            {weather
              ? weather.told
              : "The year's weather wasn't brought in, so it can't be held against the usual."}
          </Note>
        </Part>
        <Part title="What the beds gave">
          <YieldTable season={told} bedKey={null} year={year} />
        </Part>
        <Part title="Side by side">
          <Trials season={told} bedKey={null} year={year} />
        </Part>
        <Part title="Cost, and when it pays">
          <WhenItPays season={told} bedKey={null} />
        </Part>
        <Part title="Before next spring">
          <Upcoming season={told} />
        </Part>
        {differently.length > 0 && (
          <Part title="Next time otherwise">
            <SaidDifferently said={differently} />
          </Part>
        )}
      </TwoColumns>
      {spring && <SpringOrder order={spring} />}
    </>
  );
}

const Kept = styled("section")({ breakInside: "avoid", display: "grid", gap: 6 });

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Kept aria-label={title}>
      <Typography variant="panelTitle">{title}</Typography>
      {children}
    </Kept>
  );
}

/** How high beds were read to stand last in a year, and how high they were forecast to. */
function Surfaces({ season, year }: { season: SeasonFigures; year: number }) {
  const { units } = useShowing();
  const shown = season.surfaces.filter((each) => each.season === year);
  if (shown.length === 0) return <Note>No surface was read that year.</Note>;
  return (
    <Table size="small">
      <TableHead>
        <TableRow>
          <TableCell component="th">Surface</TableCell>
          <TableCell align="right">As filled</TableCell>
          <TableCell align="right">Forecast</TableCell>
          <TableCell align="right">Read last</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {shown.map((each) => (
          <TableRow key={each.bed}>
            <TableCell component="th" scope="row">
              {each.name}
            </TableCell>
            <TableCell align="right">{showLength(each.as_filled_m, units)}</TableCell>
            <TableCell align="right">{showLength(each.forecast_m, units)}</TableCell>
            <TableCell align="right">
              <b>{showLength(each.read_m, units)}</b>, {showDay(each.on)}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** Upkeep that is still to be done, with room to tick it on paper. */
function Upcoming({ season }: { season: SeasonFigures }) {
  const open = season.upkeep.filter(({ done_on }) => done_on == null);
  if (open.length === 0) return <Note>Nothing falls due within a year.</Note>;
  return (
    <Table size="small">
      <TableBody>
        {open.map((each) => (
          <TableRow key={each.key}>
            <TableCell>{each.title}</TableCell>
            <TableCell align="right">
              {each.is_late ? `was due ${showDay(each.on)}` : `by ${showDay(each.on)}`}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
