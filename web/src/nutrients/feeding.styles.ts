import { styled } from "@mui/material/styles";

export const FeedingTakes = styled("td")({
  color: "var(--palette-iron)",
});

export const Dose = styled("div")({
  display: "grid",
  gap: 6,
  padding: "8px 10px",
  border: "1px solid var(--palette-line)",
  borderRadius: 4,
  fontSize: "var(--text-small)",
  "& p": {
    margin: 0,
  },
  "& select": {
    width: "100%",
  },
});

export const DoseSplit = styled("ul")({
  margin: 0,
  paddingLeft: 18,
});
