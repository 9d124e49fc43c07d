import { styled } from "@mui/material/styles";

export const GardensFrame = styled("main")({
  maxWidth: 1180,
  height: "100dvh",
  margin: "0 auto",
  padding: "22px 20px 60px",
  overflow: "auto",
  display: "grid",
  gap: 16,
  alignContent: "start",
});

export const GardenList = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(310px, 1fr))",
  gap: 14,
  alignItems: "start",
});
