import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import { Link } from "react-router";
import { styled } from "@mui/material/styles";

export const LayerCards = styled("ol")({
  display: "flex",
  flexDirection: "column",
  gap: 9,
  margin: 0,
  padding: 0,
  listStyle: "none",
});

export const LayerCardBox = styled(Paper)({
  display: "flex",
  gap: 12,
  padding: "8px 10px",
  "&[data-selected]": {
    borderColor: "var(--palette-iron)",
    outline: "1px solid var(--palette-iron)",
  },
}) as typeof Paper;

export const LayerMain = styled("div")({
  flex: "1",
  minWidth: 0,
});

export const LayerRow = styled("div")({
  display: "flex",
  gap: 8,
  alignItems: "flex-start",
  justifyContent: "space-between",
});

export const LayerName = styled(ButtonBase)({
  padding: 0,
  border: "0",
  background: "none",
  color: "var(--palette-ink)",
  fontWeight: 650,
  fontSize: "var(--text-lead)",
  lineHeight: 1.25,
  textAlign: "left",
  cursor: "pointer",
});

export const LayerFigure = styled("div")({
  flex: "none",
  fontSize: "var(--text-note)",
  lineHeight: 1.3,
  textAlign: "right",
  "& b": {
    display: "block",
    fontSize: "var(--text-plain)",
    fontWeight: 650,
  },
  "& span": {
    color: "var(--palette-soft)",
  },
  "& b span": {
    color: "inherit",
  },
  "& + [data-part=layer-how]": {
    marginTop: 0,
  },
});

export const LayerHow = styled("div")({
  alignItems: "center",
  justifyContent: "flex-start",
  minHeight: 28,
  marginTop: -10,
});

export const LayerAside = styled("span")({
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
});

export const LayerOpen = styled("span")({
  color: "var(--palette-iron)",
  fontSize: "var(--text-note)",
  fontWeight: 650,
});

export const LayerScattered = styled("p")({
  margin: "2px 0 0",
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
});

export const LayerBar = styled("div")({
  height: 5,
  marginTop: 6,
  borderRadius: 3,
  background: "var(--palette-wash)",
  "& div": {
    height: "100%",
    borderRadius: 3,
  },
});

export const LayerToolsBox = styled("div")({
  display: "grid",
  gap: 10,
  marginTop: 12,
  paddingTop: 10,
  borderTop: "1px solid var(--palette-line)",
});

export const LayerInline = styled("div")({
  "& > [data-part=layer-aside]": {
    paddingBottom: 6,
  },
});

export const LayerPack = styled("div")({
  "& [data-part=finder]": {
    flex: "1",
  },
});

export const LayerFields = styled("div")({
  display: "flex",
  gap: 10,
  flexWrap: "wrap",
});

export const LayerMix = styled(Link)({
  justifySelf: "start",
  textDecoration: "none",
});

export const LayerBooks = styled("p")({
  margin: 0,
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
});
