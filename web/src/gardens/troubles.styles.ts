import { styled } from "@mui/material/styles";

export const TroublesBox = styled("section")({
  margin: "0 0 14px",
  padding: "10px 14px",
  border: "1px solid var(--palette-iron)",
  borderRadius: 4,
  background: "var(--palette-sheet)",
  "& h2": {
    margin: "0 0 6px",
    fontWeight: 650,
    fontSize: "var(--text-lead)",
  },
  "& ul": {
    display: "grid",
    gap: 8,
    margin: 0,
    padding: 0,
    listStyle: "none",
  },
  "& p": {
    margin: 0,
    overflowWrap: "anywhere",
  },
});

export const TroubleActions = styled("p")({
  display: "flex",
  flexWrap: "wrap",
  gap: 12,
});

export const PageBody = styled("div")({
  "& > [data-part=troubles]": {
    margin: "14px 20px",
  },
});
