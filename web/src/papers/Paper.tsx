import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { QRCodeSVG } from "qrcode.react";
import { createContext, useContext, type ReactNode } from "react";
import { Note } from "../kit/Note";
import { showDay } from "../quantities/format";
import { todayHere } from "../kit/todayHere";
import { MARGIN_MM, PAPERS, type PaperSize } from "./sizes";

/** What all sheets share: their paper, and whose garden they are of. */
export type Printing = { paper: PaperSize; gardenId: number; gardenName: string };

const Context = createContext<Printing>({ paper: "a4", gardenId: 0, gardenName: "" });
export const PrintingProvider = Context.Provider;

export function usePrinting(): Printing {
  return useContext(Context);
}

const Page = styled("section")(({ theme }) => ({
  boxSizing: "border-box",
  display: "grid",
  gap: 10,
  alignContent: "start",
  background: "#fff",
  color: theme.vars.palette.ink,
  border: `1px solid ${theme.vars.palette.line}`,
  "& button, & a.MuiButton-root": { pointerEvents: "none", color: "inherit", textDecoration: "none" },
  "& .MuiPaper-root": { border: "none", padding: 0, background: "none" },
  "& table": { breakInside: "auto" },
  "& tr, & svg": { breakInside: "avoid" },
  "@media print": {
    border: "none",
    padding: "0 !important",
    width: "auto !important",
    minHeight: "0 !important",
    breakAfter: "page",
    "&:last-of-type": { breakAfter: "auto" },
  },
}));

const Head = styled("header")(({ theme }) => ({
  display: "flex",
  gap: 14,
  alignItems: "flex-start",
  borderBottom: `2px solid ${theme.vars.palette.ink}`,
  paddingBottom: 6,
  "& > div": { marginRight: "auto", minWidth: 0 },
  "& svg": { flex: "none" },
}));

type Props = {
  title: string;
  /** Where in the page it comes from, within the garden. */ to: string;
  children: ReactNode;
};

const MARK_PX = 54;

/** One sheet of paper: what it is, of which garden and day, a mark that leads back to it, and what stands on it. */
export function Paper({ title, to, children }: Props) {
  const { paper, gardenId, gardenName } = usePrinting();
  const { width_mm, height_mm } = PAPERS[paper];
  const address = `${window.location.origin}/garden/${gardenId}/${to}`;
  return (
    <Page
      aria-label={title}
      data-part="paper"
      style={{ width: `${width_mm}mm`, minHeight: `${height_mm}mm`, padding: `${MARGIN_MM}mm` }}
    >
      <Head>
        <div>
          <Typography variant="view" component="h2">
            {title}
          </Typography>
          <Note>
            {gardenName}, printed {showDay(todayHere())}. Back to it: {address}
          </Note>
        </div>
        <QRCodeSVG value={address} size={MARK_PX} marginSize={0} title={`Leads to ${address}`} />
      </Head>
      {children}
    </Page>
  );
}
