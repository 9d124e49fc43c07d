import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useIsFetching, useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { api, type KeptGarden, type Material } from "../api/client";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { Tick } from "../kit/Tick";
import { PlainView } from "../kit/View";
import { SCREEN_ONLY } from "../theme/sizes";
import { OneSheet } from "./OneSheet";
import { PrintingProvider } from "./Paper";
import { keyOf, sheetsOf } from "./sheets";
import { MARGIN_MM, PAPERS, type PaperSize } from "./sizes";

const Chooser = styled("aside")({
  ...SCREEN_ONLY,
  display: "grid",
  gap: 10,
  alignContent: "start",
  "& label": { display: "flex" },
});

const Room = styled("div")({
  display: "grid",
  gridTemplateColumns: "260px minmax(0, 1fr)",
  gap: "14px 26px",
  alignItems: "start",
  "@media (max-width: 760px)": { gridTemplateColumns: "minmax(0, 1fr)" },
  "@media print": { display: "block" },
});

const Papers = styled("div")({
  display: "grid",
  gap: 18,
  justifyItems: "start",
  overflowX: "auto",
  "@media print": { display: "block", overflow: "visible" },
});

const SIZES = (Object.keys(PAPERS) as PaperSize[]).map((each) => [each, PAPERS[each].label] as const);
const INKS = [
  ["colour", "Colour"],
  ["black", "Black"],
] as const;
type Ink = (typeof INKS)[number][0];

/** Hatches are told apart by their marks alone. */
const BLACK = {
  "pattern rect": { fill: "#fff" },
  'pattern path[fill="none"]': { stroke: "#000" },
  'pattern path:not([fill="none"])': { fill: "#000" },
  "[data-part=paper]": {
    "--palette-earth": "#fff",
    "--palette-timber": "#ccc",
    "--palette-iron": "#000",
    "--palette-water": "#555",
    "--palette-moss": "#777",
    "--palette-brick": "#888",
    "--palette-stone": "#999",
    "--palette-straw": "#aaa",
  },
};

const pageOf = (paper: PaperSize) => ({
  "@page": {
    size: paper === "a4" ? "A4 portrait" : "letter portrait",
    margin: `${MARGIN_MM}mm`,
    "@bottom-right": {
      content: '"page " counter(page) " of " counter(pages)',
      fontSize: "9pt",
      color: "#000",
    },
  },
  "@media print": { "html, body, #root": { height: "auto", overflow: "visible" } },
});

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material> };

/** What is to be printed, chosen on the left, as it will lie on the paper. */
export default function PapersView({ garden, materials }: Props) {
  const [query, setQuery] = useSearchParams();
  const [ink, setInk] = useState<Ink>("colour");
  const sources = useQuery({ queryKey: ["sources", garden.id], queryFn: () => api.sources(garden.id) });
  const waiting = useIsFetching() > 0;
  const [paper, setPaper] = useState<PaperSize>(() => (query.get("paper") === "letter" ? "letter" : "a4"));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(query.getAll("sheet")));
  const sheets = sheetsOf(garden, sources.data);
  const shown = sheets.filter((sheet) => chosen.has(keyOf(sheet)));
  // kept in the address too, so that a choice can be come back to
  const put = (sheetsNow: readonly string[], paperNow: PaperSize) => {
    setChosen(new Set(sheetsNow));
    setPaper(paperNow);
    const next = new URLSearchParams(sheetsNow.map((each) => ["sheet", each]));
    if (paperNow !== "a4") next.set("paper", paperNow);
    setQuery(next, { replace: true });
  };
  const printing = useMemo(
    () => ({ paper, gardenId: garden.id, gardenName: garden.garden.name }),
    [paper, garden.id, garden.garden.name],
  );
  return (
    <PlainView data-part="papers" sx={{ "@media print": { display: "block", padding: 0 } }}>
      <GlobalStyles styles={pageOf(paper)} />
      {ink === "black" && <GlobalStyles styles={BLACK} />}
      <Room>
        <Chooser aria-label="What to print">
          <Typography variant="view">Papers</Typography>
          <Choice label="Paper" options={SIZES} value={paper} onChoose={(size) => put([...chosen], size)} />
          <Choice label="Ink" options={INKS} value={ink} onChoose={setInk} />
          <Button variant="contained" disabled={shown.length === 0 || waiting} onClick={() => window.print()}>
            Print {shown.length === 1 ? "1 sheet" : `${shown.length} sheets`}
          </Button>
          <Note>
            Drawings are true to their scale where the printer is set to 100 %, not to fit. To keep it as a
            file, choose PDF there.
          </Note>
          <div role="group" aria-label="Sheets">
            {sheets.map((sheet) => {
              const key = keyOf(sheet);
              return (
                <Tick
                  key={key}
                  label={sheet.label}
                  checked={chosen.has(key)}
                  onTick={(on) =>
                    put(on ? [...chosen, key] : [...chosen].filter((each) => each !== key), paper)
                  }
                />
              );
            })}
          </div>
        </Chooser>
        <PrintingProvider value={printing}>
          <Papers data-scheme="light" data-part="paper-stack">
            {shown.length === 0 && (
              <Note>Choose what to print: each sheet stands here as it will on paper.</Note>
            )}
            {shown.map((sheet) => (
              <OneSheet key={keyOf(sheet)} sheet={sheet} garden={garden} materials={materials} />
            ))}
          </Papers>
        </PrintingProvider>
      </Room>
    </PlainView>
  );
}
