import { styled } from "@mui/material/styles";

export const GardenYearBox = styled("details")({
  "& summary": {
    minHeight: 24,
    color: "var(--palette-soft)",
    cursor: "pointer",
  },
});

export const GardenYearFields = styled("div")({
  display: "flex",
  gap: 12,
  alignItems: "flex-end",
  flexWrap: "wrap",
  margin: "6px 0",
});

export const MonthDayBox = styled("fieldset")({
  display: "flex",
  gap: 4,
  flexWrap: "wrap",
  margin: 0,
  padding: 0,
  border: "0",
  "& select": {
    width: "auto",
  },
});
