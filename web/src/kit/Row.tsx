import { styled } from "@mui/material/styles";

/** Things side by side, going on in a next line where there is no room. */
export const Row = styled("div")({ display: "flex", flexWrap: "wrap", gap: 8, alignItems: "center" });

/** Things under each other. */
export const Column = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 10,
  minWidth: 0,
});
