import { styled } from "@mui/material/styles";

/** The plot and the calendar beside each other. */
export const SideBySide = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 5fr) minmax(0, 6fr)",
  gap: 12,
  alignItems: "start",
  order: -1,
  "& > :only-child": { gridColumn: "1 / -1" },
  "@media (max-width: 900px)": { gridTemplateColumns: "minmax(0, 1fr)", order: 0 },
});

export const StepList = styled("ul")({ margin: 0, padding: 0, listStyle: "none" });
