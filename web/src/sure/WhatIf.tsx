import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useId, useState } from "react";
import { useNavigate } from "react-router";
import { api, saidOf, type Bed, type KeptBed } from "../api/client";
import { FigureTable } from "../kit/FigureTable";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showLength, type Units } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { sureApi, type SureFigure, type WhatIfAsked, type WhatIfParts } from "./sureApi";
import { FIGURES, showBand, showSure } from "./sureWords";

const Sliders = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fit, minmax(165px, 1fr))",
  gap: "6px 28px",
  padding: "8px 10px",
});

type Wish = Omit<WhatIfAsked, "bed">;
const AS_IT_IS: Wish = { wood_times: 1, below_times: 1 };
const DEPTH_STEP_M = 0.01;
const MOST_TIMES = 2;
const MOST_MULCH_M = 0.2;

type Props = { gardenId: number; kept: KeptBed };

/** A bed that stands, or is planned, with some of it otherwise: both with their figures and bands. */
export function WhatIf({ gardenId, kept }: Props) {
  const { units, currency } = useShowing();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [wish, setWish] = useState<Wish>(AS_IT_IS);
  const { bed, key, revision } = kept;
  const asked = useQuery({
    queryKey: ["what if", gardenId, key, revision, wish],
    queryFn: ({ signal }) => sureApi.whatIf(gardenId, { bed, ...wish }, signal),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
  });
  const take = useMutation({
    mutationFn: (changed: Bed) => api.saveBed(gardenId, key, { revision, bed: changed }),
    onSuccess: async () => {
      await queries.invalidateQueries();
      await navigate(`/garden/${gardenId}/section/bed/${key}`);
    },
  });
  const told = asked.data;
  return (
    <Sheet
      component="section"
      aria-label="What if"
      aria-busy={asked.isFetching || undefined}
      data-part="what-if"
    >
      <Typography variant="panelTitle">What if</Typography>
      {told && (
        <Asked parts={told.parts} units={units} onWish={(part) => setWish((now) => ({ ...now, ...part }))} />
      )}
      {asked.error && <Problem>{saidOf(asked.error)}</Problem>}
      {told && (
        <FigureTable size="small">
          <TableHead>
            <TableRow>
              <TableCell component="th">of one bed</TableCell>
              <TableCell component="th">as it is</TableCell>
              <TableCell component="th">as it would be</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {told.then.figures.map((then) => (
              <Both
                key={then.figure}
                now={told.now.figures.find(({ figure }) => figure === then.figure)}
                then={then}
                units={units}
                currency={currency}
              />
            ))}
          </TableBody>
        </FigureTable>
      )}
      {told && (
        <Row sx={{ marginTop: 3 }}>
          <Button
            disabled={take.isPending || asked.isPlaceholderData || wish === AS_IT_IS}
            onClick={() => take.mutate(told.changed as Bed)}
          >
            Make the bed so
          </Button>
          {take.error && <Problem>{saidOf(take.error)}</Problem>}
        </Row>
      )}
    </Sheet>
  );
}

type AskedProps = { parts: WhatIfParts; units: Units; onWish: (part: Partial<Wish>) => void };

function Asked({ parts, units, onWish }: AskedProps) {
  const { depth_m, wood_m, below_m, mulch_m } = parts;
  return (
    <Sliders>
      {depth_m != null && (
        <Ask
          label="Depth"
          from={depth_m}
          least={Math.max(depth_m / 2, DEPTH_STEP_M)}
          most={depth_m * MOST_TIMES}
          units={units}
          onAsk={(value) => onWish({ depth_m: value })}
        />
      )}
      {wood_m != null && (
        <Ask
          label="Wood"
          from={wood_m}
          least={0}
          most={wood_m * MOST_TIMES}
          units={units}
          onAsk={(value) => onWish({ wood_times: value / wood_m })}
        />
      )}
      {below_m != null && (
        <Ask
          label="Else under the soil"
          from={below_m}
          least={0}
          most={below_m * MOST_TIMES}
          units={units}
          onAsk={(value) => onWish({ below_times: value / below_m })}
        />
      )}
      <Ask
        label="Mulch"
        from={mulch_m}
        least={0}
        most={Math.max(MOST_MULCH_M, mulch_m)}
        units={units}
        onAsk={(value) => onWish({ mulch_m: value })}
      />
    </Sliders>
  );
}

type AskProps = {
  label: string;
  from: number;
  least: number;
  most: number;
  units: Units;
  onAsk: (value: number) => void;
};

function Ask({ label, from, least, most, units, onAsk }: AskProps) {
  const id = useId();
  const [value, setValue] = useState(from);
  return (
    <div>
      <Note id={id}>
        {label}: <b>{showLength(value, units)}</b>
      </Note>
      <Slider
        aria-labelledby={id}
        value={value}
        min={least}
        max={most}
        step={DEPTH_STEP_M}
        getAriaValueText={(each) => showLength(each, units)}
        onChange={(_event, next) => setValue(next)}
        onChangeCommitted={(_event, next) => onAsk(next)}
      />
    </div>
  );
}

type BothProps = { now: SureFigure | undefined; then: SureFigure; units: Units; currency: string };

function Both({ now, then, units, currency }: BothProps) {
  const beside = Math.max(now?.high ?? 0, then.high);
  return (
    <TableRow data-part="what-if-figure" data-figure={then.figure}>
      <TableCell component="th" scope="row">
        {FIGURES[then.figure]}
      </TableCell>
      {[now, then].map((each, at) => (
        <TableCell key={at}>
          {each ? (
            <>
              {showSure(each, each.usual, units, currency, beside)}
              <Note>{showBand(each, units, currency)}</Note>
            </>
          ) : (
            "none"
          )}
        </TableCell>
      ))}
    </TableRow>
  );
}
