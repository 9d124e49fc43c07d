import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import TableContainer from "@mui/material/TableContainer";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Chip from "@mui/material/Chip";
import { Disclosure } from "../kit/Disclosure";
import { Hidden } from "../kit/Hidden";
import { Note } from "../kit/Note";
import { PlainView, ViewHead } from "../kit/View";
import { CompareTable } from "./schools.styles";

import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link, useNavigate } from "react-router";
import { api, saidOf, type KeptBed, type Material, type VersionFigures } from "../api/client";
import { useSaveState } from "../draft/SaveStateContext";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { showDay, showMoney, trimmed } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { useBedDraft } from "../draft/useBedDraft";
import { asideOf, leaveOut, schoolName, takeOver, wayName } from "./ways";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

const DRAWN = { width: 250, height: 210 };
const ALL_DRAWN = 850;

/** Up to four ways of filling one bed side by side, at one scale; any one can be taken over, and none is lost. */
export default function CompareView({ gardenId, kept, materials, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const { bed } = state;
  const navigate = useNavigate();
  useSaveState(state.save);
  const { told_in } = useShowing();
  const found = useQuery({
    queryKey: ["compared", gardenId, told_in, JSON.stringify(bed)],
    queryFn: () => api.figureCompared(gardenId, bed),
    placeholderData: (before) => before,
  });
  const versions = found.data?.versions ?? [];
  const width = Math.min(DRAWN.width, ALL_DRAWN / Math.max(versions.length, 1));
  const scale = Math.min(...versions.map(({ figures }) => smallScale(figures, width, DRAWN.height)));
  const take = (index: number) => {
    draft.edit((now) => takeOver(now, index, wayName(now)));
    void navigate(back);
  };
  return (
    <PlainView>
      <ViewHead>
        <Typography variant="view">{bed.name}: side by side</Typography>
        <Button component={Link} to={back}>
          Back to the section
        </Button>
        <Button component={Link} to={`${back}/schools`}>
          More ways to fill it
        </Button>
        <Button disabled={!state.canUndo} onClick={() => draft.undo()}>
          Undo
        </Button>
      </ViewHead>
      {found.error && <Problem>{saidOf(found.error)}</Problem>}
      {asideOf(bed).length === 0 && (
        <Alert severity="info" role="status">
          No other way is kept to compare yet. <Link to={`${back}/schools`}>Choose another way</Link> first.
        </Alert>
      )}
      <TableContainer
        data-part="compare-scroll"
        tabIndex={0}
        aria-label="Ways side by side"
        hidden={asideOf(bed).length === 0}
      >
        <CompareTable style={{ minWidth: 150 + versions.length * 200 }}>
          <TableHead>
            <TableRow>
              <TableCell>
                <Hidden>What is compared</Hidden>
              </TableCell>
              {versions.map((version) => (
                <TableCell scope="col" key={version.index ?? "own"}>
                  <SmallSection figures={version.figures} materials={materials} scale={scale} />
                  <Typography variant="strong" data-part="compare-name">
                    {version.index == null ? (schoolName(bed.school) ?? "My own layers") : version.name}
                  </Typography>
                  {version.index == null && <Chip label="as it is" sx={{ marginLeft: 2 }} />}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            <TableRow>
              <TableCell>
                <Hidden>What is compared</Hidden>
              </TableCell>
              {versions.map(({ index }) => (
                <TableCell key={index ?? "own"}>
                  {index != null && (
                    <>
                      <Button variant="contained" sx={{ marginRight: 2 }} onClick={() => take(index)}>
                        Take this one
                      </Button>
                      <Button onClick={() => draft.edit((now) => leaveOut(now, index))}>Leave it out</Button>
                    </>
                  )}
                </TableCell>
              ))}
            </TableRow>
            {ROWS.map(({ name, label, show }) => (
              <TableRow key={name}>
                <TableCell component="th" scope="row">
                  {label}
                </TableCell>
                {versions.map((version) => (
                  <TableCell
                    key={version.index ?? "own"}
                    data-best={version.best.includes(name) || undefined}
                  >
                    {show(version, versions)}
                    {version.best.includes(name) && (
                      <Box component="span" sx={BEST}>
                        best
                      </Box>
                    )}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </CompareTable>
      </TableContainer>
    </PlainView>
  );
}

const BEST = { marginLeft: 2, color: "moss", fontSize: "var(--text-ruler)", fontWeight: 650 } as const;

type Row = {
  name: string;
  label: string;
  show: (version: VersionFigures, row: readonly VersionFigures[]) => ReactNode;
};

const ROWS: readonly Row[] = [
  { name: "cost", label: "To pay now", show: (each) => <Money amount={each.cost} version={each} /> },
  {
    name: "cost_ten_years",
    label: "With ten years of top-ups",
    show: (each) => <Money amount={each.cost_ten_years} version={each} />,
  },
  {
    name: "to_buy_m3",
    label: "To buy, loose",
    show: ({ to_buy_m3 }) => <Quantity kind="bulk" value={to_buy_m3} />,
  },
  {
    name: "mass_saturated_kg",
    label: "Weight of a bed, wet through",
    show: ({ figures }, row) => (
      <Quantity
        kind="mass"
        value={figures.mass_saturated_kg}
        beside={Math.max(...row.map((each) => each.figures.mass_saturated_kg))}
      />
    ),
  },
  { name: "hours", label: "Shovelling, one person", show: ({ hours }) => `${trimmed(hours, 1)} h` },
  {
    name: "first_year_m",
    label: "Sinks in the first year",
    show: ({ first_year_m }) => <Quantity kind="length" value={first_year_m} />,
  },
  {
    name: "three_years_m",
    label: "Sinks in three years",
    show: ({ three_years_m }) => <Quantity kind="length" value={three_years_m} />,
  },
  {
    name: "nitrogen_short_kg",
    label: "Nitrogen short, first season",
    show: ({ figures }, row) =>
      figures.nitrogen_short_kg > 5e-4 ? (
        <Quantity
          kind="dose"
          value={figures.nitrogen_short_kg}
          beside={Math.max(...row.map((each) => each.figures.nitrogen_short_kg))}
        />
      ) : (
        "none"
      ),
  },
  {
    name: "first_sowing",
    label: "First sowing",
    show: ({ first_sowing, wait_years }) =>
      first_sowing
        ? showDay(first_sowing)
        : wait_years == null
          ? "nothing to sow in"
          : `${trimmed(wait_years, 1)} years on`,
  },
  { name: "findings", label: "Stops and cautions", show: (version) => <Cautions version={version} /> },
];

type MoneyProps = { amount: string | null | undefined; version: VersionFigures };

function Money({ amount, version }: MoneyProps) {
  const { currency } = useShowing();
  if (amount == null) return <>no supplier entered</>;
  return (
    <>
      {showMoney(amount, currency)}
      {version.unmet.length > 0 && (
        <Note component="span" sx={{ display: "block" }}>
          without {version.unmet.join(", ").toLowerCase()}: no offer
        </Note>
      )}
    </>
  );
}

function Cautions({ version }: { version: VersionFigures }) {
  const grave = version.figures.findings.filter(({ level }) => level === "stop" || level === "caution");
  if (grave.length === 0) return <>none</>;
  return (
    <Disclosure title={grave.length}>
      {() => (
        <ul>
          {grave.map(({ code, layer, message }) => (
            <li key={`${code} ${layer}`}>{message}</li>
          ))}
        </ul>
      )}
    </Disclosure>
  );
}
