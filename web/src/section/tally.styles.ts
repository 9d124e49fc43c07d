import { styled } from "@mui/material/styles";

export const TallyBox = styled("section")({
  "& h2": {
    margin: "0 0 6px",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "&[aria-busy] [data-part=tally-volume]": {
    color: "var(--palette-soft)",
  },
  "&[aria-busy] dd": {
    color: "var(--palette-soft)",
  },
});

export const FindingsBox = styled("section")({
  marginTop: 16,
  "& h2": {
    margin: "0 0 6px",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "& ul": {
    margin: 0,
    padding: 0,
    listStyle: "none",
  },
});

export const TallyVolume = styled("p")({
  margin: "0 0 2px",
  color: "var(--palette-soft)",
  fontSize: "var(--text-lead)",
  "& b": {
    color: "var(--palette-ink)",
    fontSize: "var(--text-huge)",
    fontWeight: 700,
    fontStretch: "112%",
  },
});

export const Finding = styled("li")({
  display: "flex",
  gap: 10,
  padding: "9px 0",
  borderTop: "1px solid var(--palette-line)",
  fontSize: "var(--text-small)",
  lineHeight: 1.4,
  "& p": {
    margin: "0 0 2px",
  },
  "& button": {
    minHeight: 24,
    padding: 0,
    border: "0",
    background: "none",
    color: "var(--palette-ink)",
    fontWeight: 600,
    fontSize: "var(--text-small)",
    textDecoration: "underline",
    textUnderlineOffset: 2,
    cursor: "pointer",
  },
  "& [data-part=finding-mend]": {
    color: "var(--palette-iron)",
  },
});

export const FindingMessage = styled("p")({
  margin: 0,
  fontWeight: 650,
});

export const FindingWhy = styled("p")({
  color: "var(--palette-soft)",
});

export const FindingSeen = styled("li")({
  opacity: 0.75,
});

export const FindingReason = styled("div")({
  display: "flex",
  gap: 10,
  alignItems: "center",
  marginTop: 6,
});
