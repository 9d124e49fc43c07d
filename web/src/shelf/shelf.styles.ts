import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const ShelfViewBox = styled("main")({
  display: "grid",
  gridTemplateColumns: "330px minmax(0, 1fr)",
  gap: 24,
  height: "100%",
  padding: "14px 20px 16px",
  "@media (max-width: 860px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
    height: "auto",
    padding: "12px 12px 90px",
  },
});

export const ShelfList = styled("div")({
  minHeight: 0,
  paddingRight: 6,
  overflow: "auto",
  "& h2": {
    margin: "16px 0 4px",
    color: "var(--palette-soft)",
    fontWeight: 650,
    fontSize: "var(--text-small)",
  },
  "@media (max-width: 860px)": {
    maxHeight: "46vh",
  },
});

export const ShelfSearch = styled("label")({
  "& [data-part=measure-input]": {
    height: 34,
    fontWeight: 500,
  },
});

export const ShelfNone = styled("p")({
  color: "var(--palette-soft)",
});

export const ShelfMaterials = styled("ul")({
  margin: "6px 0 0",
  padding: 0,
  listStyle: "none",
  "& button": {
    display: "flex",
    gap: 10,
    alignItems: "center",
    width: "100%",
    padding: "4px 8px",
    border: "1px solid transparent",
    borderRadius: 4,
    background: "none",
    color: "var(--palette-ink)",
    fontWeight: 550,
    fontSize: "var(--text-plain)",
    textAlign: "left",
  },
  "& button:hover": {
    background: "var(--palette-wash)",
  },
  '& button[aria-pressed="true"]': {
    borderColor: "var(--palette-iron)",
    background: "var(--palette-sheet)",
  },
});

export const ShelfYours = styled("span")({
  color: "var(--palette-water)",
  fontWeight: 650,
  marginLeft: "auto",
  fontSize: "var(--text-note)",
});

export const MaterialSheetBox = styled(Paper)({
  alignSelf: "start",
  padding: "18px 20px",
  "& header": {
    display: "flex",
    gap: 18,
    alignItems: "flex-start",
  },
  "& h2": {
    margin: "0 0 4px",
    fontWeight: 700,
    fontSize: "var(--text-large)",
    fontStretch: "108%",
  },
  "& h2 [data-part=measure-input]": {
    height: 36,
    fontSize: "var(--text-sheet)",
  },
  "& header p": {
    margin: "0 0 2px",
    color: "var(--palette-soft)",
    fontSize: "var(--text-plain)",
  },
  "& table": {
    width: "100%",
    marginTop: 16,
    borderCollapse: "collapse",
    fontSize: "var(--text-plain)",
  },
  "& th": {
    padding: "8px 14px 8px 0",
    borderTop: "1px solid var(--palette-line)",
    textAlign: "left",
    verticalAlign: "baseline",
  },
  "& td": {
    padding: "8px 14px 8px 0",
    borderTop: "1px solid var(--palette-line)",
    textAlign: "left",
    verticalAlign: "baseline",
  },
  "& thead th": {
    borderTop: "0",
    color: "var(--palette-soft)",
    fontSize: "var(--text-note)",
    fontWeight: 600,
  },
  "& tbody th": {
    fontWeight: 550,
  },
  "@media (max-width: 860px)": {
    padding: "14px 12px",
    overflowX: "auto",
  },
}) as typeof Paper;

export const MaterialUnit = styled("span")({
  color: "var(--palette-soft)",
});

export const MaterialProblem = styled("p")({
  color: "var(--palette-iron)",
  fontWeight: 600,
});

export const MaterialActions = styled("p")({
  margin: "16px 0 0",
});
