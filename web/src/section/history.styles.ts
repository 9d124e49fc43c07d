import { styled } from "@mui/material/styles";

export const HistoryViewBox = styled("main")({
  padding: "14px 20px 24px",
  "& [data-part=view-title]": {
    margin: 0,
  },
  "& header": {
    marginBottom: 12,
    display: "flex",
    gap: 16,
    alignItems: "baseline",
    flexWrap: "wrap",
  },
});

export const HistoryList = styled("ol")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(262px, 1fr))",
  gap: 14,
  margin: 0,
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "flex",
    flexDirection: "column",
    gap: 4,
    alignItems: "flex-start",
    padding: "12px 14px",
    border: "1px solid var(--palette-line)",
    borderRadius: 4,
    background: "var(--palette-sheet)",
    fontSize: "var(--text-plain)",
  },
  "& span:not([data-part=chip], [data-part=bed-drawn])": {
    color: "var(--palette-soft)",
  },
});

export const BinList = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(262px, 1fr))",
  gap: 14,
  margin: 0,
  padding: 0,
  listStyle: "none",
  "& li": {
    display: "flex",
    flexDirection: "column",
    gap: 4,
    alignItems: "flex-start",
    padding: "12px 14px",
    border: "1px solid var(--palette-line)",
    borderRadius: 4,
    background: "var(--palette-sheet)",
    fontSize: "var(--text-plain)",
  },
});

export const BedDrawnBox = styled("span")({
  display: "flex",
  alignItems: "flex-end",
  justifyContent: "center",
});

export const StalePair = styled("div")({
  display: "flex",
  gap: 20,
  flexWrap: "wrap",
  "& figure": {
    margin: 0,
  },
  "& figcaption": {
    margin: "4px 0",
    color: "var(--palette-soft)",
    fontSize: "var(--text-small)",
  },
});
