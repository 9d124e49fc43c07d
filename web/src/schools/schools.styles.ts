import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const SchoolsViewBox = styled("main")({
  height: "100%",
  padding: "18px 24px 32px",
  overflow: "auto",
  "& > header": {
    display: "flex",
    gap: "10px 14px",
    alignItems: "center",
    flexWrap: "wrap",
    marginBottom: 14,
  },
  "& [data-part=view-title]": {
    margin: "0 auto 0 0",
  },
  "& header a": {
    display: "inline-grid",
    placeItems: "center",
    textDecoration: "none",
  },
  "@media (max-width: 760px)": {
    padding: "12px 12px 90px",
  },
});

export const CompareViewBox = styled("main")({
  height: "100%",
  padding: "18px 24px 32px",
  overflow: "auto",
  "& > header": {
    display: "flex",
    gap: "10px 14px",
    alignItems: "center",
    flexWrap: "wrap",
    marginBottom: 14,
  },
  "& [data-part=view-title]": {
    margin: "0 auto 0 0",
  },
  "& header a": {
    display: "inline-grid",
    placeItems: "center",
    textDecoration: "none",
  },
  "@media (max-width: 760px)": {
    padding: "12px 12px 90px",
  },
});

export const SchoolsFull = styled(Paper)({
  margin: "0 0 12px",
  padding: "8px 12px",
  "& a": {
    color: "var(--palette-iron)",
  },
}) as typeof Paper;

export const SchoolsList = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 520px), 1fr))",
  gap: 14,
  margin: 0,
  padding: 0,
  listStyle: "none",
});

export const SchoolCardBox = styled(Paper)({
  display: "grid",
  gridTemplateColumns: "minmax(120px, 250px) minmax(240px, 1fr)",
  gap: "12px 16px",
  alignContent: "start",
  padding: "14px 16px",
  "& dl": {
    gridColumn: "1 / -1",
    margin: 0,
    columns: 2,
    columnGap: 20,
    fontSize: "var(--text-small)",
  },
  "& dl > div": {
    display: "grid",
    breakInside: "avoid",
    gridTemplateColumns: "64px 1fr",
    gap: 8,
    padding: "3px 0",
    borderTop: "1px solid var(--palette-line)",
  },
  "& dt": {
    color: "var(--palette-soft)",
  },
  "& dd": {
    margin: 0,
  },
  "@media (max-width: 760px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
    "& dl": {
      columns: 1,
    },
  },
}) as typeof Paper;

export const SchoolDrawn = styled("div")({
  display: "flex",
  alignItems: "center",
  justifyContent: "center",
  overflow: "hidden",
});

export const SchoolWords = styled("div")({
  display: "flex",
  flexDirection: "column",
  gap: 6,
  fontSize: "var(--text-small)",
  "& h2": {
    display: "flex",
    gap: 8,
    alignItems: "center",
    flexWrap: "wrap",
    margin: 0,
    fontWeight: 680,
    fontSize: "var(--text-line)",
    fontStretch: "108%",
  },
  "& p": {
    margin: 0,
  },
});

export const SchoolFiguresBox = styled("p")({
  fontWeight: 650,
});

export const SchoolActions = styled("div")({
  display: "flex",
  gap: 10,
  alignItems: "center",
  flexWrap: "wrap",
  marginTop: "auto",
  paddingTop: 4,
  "& [data-part=school-lay]": {
    borderColor: "var(--palette-iron)",
    color: "var(--palette-iron)",
  },
  "& button:disabled": {
    opacity: 0.5,
  },
});

export const CompareActions = styled("tr")({
  "& [data-part=main-button]": {
    height: 34,
    padding: "0 14px",
    fontSize: "var(--text-plain)",
  },
  "& td [data-part=text-button]": {
    margin: "6px 0 0 10px",
  },
});

export const SchoolsOthers = styled("section")({
  marginTop: 20,
  color: "var(--palette-soft)",
  fontSize: "var(--text-small)",
  "& h2": {
    margin: "0 0 4px",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "& ul": {
    margin: 0,
    paddingLeft: 18,
  },
});

export const CompareScroll = styled("div")({
  overflowX: "auto",
});

export const CompareTable = styled("table")({
  borderCollapse: "collapse",
  background: "var(--palette-sheet)",
  fontSize: "var(--text-plain)",
  tableLayout: "fixed",
  width: "100%",
  "& th": {
    padding: "7px 12px",
    border: "1px solid var(--palette-line)",
    textAlign: "left",
    verticalAlign: "top",
  },
  "& td": {
    padding: "7px 12px",
    border: "1px solid var(--palette-line)",
    textAlign: "left",
    verticalAlign: "top",
  },
  "& thead th": {
    verticalAlign: "bottom",
  },
  "& thead svg": {
    display: "block",
    margin: "0 auto 8px",
    maxWidth: "100%",
    height: "auto",
  },
  "& tbody th": {
    width: 150,
    color: "var(--palette-soft)",
    fontWeight: 500,
  },
  "& thead td": {
    width: 150,
    color: "var(--palette-soft)",
    fontWeight: 500,
  },
  "& td[data-best]": {
    fontWeight: 680,
  },
});

export const CompareName = styled("span")({
  lineHeight: 30,
  marginRight: 8,
  fontSize: "var(--text-lead)",
  fontWeight: 680,
});

export const CompareBest = styled("span")({
  marginLeft: 8,
  color: "var(--palette-moss)",
  fontSize: "var(--text-ruler)",
  fontWeight: 650,
});

export const CompareWithout = styled("span")({
  display: "block",
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
  fontWeight: 400,
});

export const CompareCautions = styled("details")({
  "& summary": {
    minHeight: 24,
    cursor: "pointer",
  },
  "& ul": {
    margin: "4px 0 0",
    paddingLeft: 16,
    fontWeight: 400,
  },
});
