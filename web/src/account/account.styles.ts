import { styled } from "@mui/material/styles";

export const Door = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) minmax(360px, 1fr)",
  height: "100dvh",
  "@media (max-width: 760px)": {
    gridTemplate: "150px minmax(0, 1fr) / minmax(0, 1fr)",
  },
});

export const DoorForm = styled("form")({
  display: "grid",
  gap: 14,
  alignContent: "center",
  justifyItems: "start",
  padding: "40px 9%",
  background: "var(--palette-sheet)",
  "& p": {
    maxWidth: 380,
    margin: "0 0 8px",
    color: "var(--palette-soft)",
  },
  "& .MuiTextField-root": { width: "min(340px, 100%)" },
  "@media (max-width: 760px)": {
    alignContent: "start",
    padding: "24px 20px",
  },
});

/** A short form within a wide sheet. */
export const Narrow = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 12,
  maxWidth: 420,
  justifyItems: "start",
  padding: "4px 0 12px",
  "& .MuiTextField-root": { width: "100%" },
});
