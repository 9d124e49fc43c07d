import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

/** Things by their drawings, as many beside each other as fit. */
export const DrawnList = styled("ul")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(262px, 1fr))",
  gap: 14,
});

export const DrawnCard = styled(Paper)({
  display: "flex",
  flexDirection: "column",
  gap: 4,
  alignItems: "flex-start",
  padding: "12px 14px",
}) as typeof Paper;
