import ButtonBase from "@mui/material/ButtonBase";
import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const HaulViewBox = styled("main")({
  display: "grid",
  gridTemplate: "auto minmax(0, 1fr) / minmax(0, 1fr) 316px",
  gap: "0 22px",
  height: "100%",
  padding: "14px 20px 16px",
  "@media (max-width: 1000px)": {
    gridTemplate: "none / minmax(0, 1fr)",
    height: "auto",
    padding: "12px 12px 90px",
  },
});

export const HaulHead = styled("header")({
  display: "flex",
  gap: 14,
  alignItems: "baseline",
  gridColumn: "1 / -1",
  color: "var(--palette-soft)",
  fontSize: "var(--text-plain)",
  "& [data-part=view-title]": {
    color: "var(--palette-ink)",
  },
  "@media (max-width: 1000px)": {
    flexWrap: "wrap",
  },
});

export const HaulWork = styled("div")({
  display: "flex",
  flexDirection: "column",
  gap: 12,
  minHeight: 0,
  paddingBottom: 12,
  overflow: "auto",
});

export const HaulPanel = styled(Paper)({
  flex: "none",
  padding: "12px 14px",
  "& h2": {
    margin: 0,
    fontWeight: 680,
    fontSize: "var(--text-line)",
    fontStretch: "106%",
  },
}) as typeof Paper;

export const HaulPanelHead = styled("div")({
  display: "flex",
  gap: 12,
  alignItems: "flex-start",
  justifyContent: "space-between",
  "& span": {
    color: "var(--palette-soft)",
    fontSize: "var(--text-small)",
  },
});

export const HaulSum = styled("div")({
  display: "flex",
  gap: 12,
  alignItems: "center",
  "& b": {
    fontSize: "var(--text-line)",
  },
});

export const LoadRow = styled("div")({
  display: "flex",
  alignItems: "flex-end",
  flexWrap: "wrap",
  marginTop: 4,
});

export const HaulTick = styled("td")({
  width: 30,
  "& input": {
    width: 18,
    height: 18,
    margin: 0,
    accentColor: "var(--palette-ink)",
  },
});

export const HaulLines = styled("table")({
  "& td[data-part=haul-number]:nth-last-child(3)": {
    width: 110,
  },
  "& td[data-part=haul-number]:nth-last-child(2)": {
    width: 140,
  },
  "& td[data-part=haul-number]:last-child": {
    width: 96,
  },
  "@media (max-width: 1000px)": {
    "& td[data-part=haul-aside]": {
      display: "none",
    },
  },
});

export const HaulAside = styled("td")({
  color: "var(--palette-soft)",
});

export const HaulShort = styled("b")({
  color: "var(--palette-iron)",
});

export const HaulAdd = styled(ButtonBase)({
  flex: "none",
  padding: 11,
  border: "1px dashed var(--palette-soft)",
  borderRadius: 4,
  background: "none",
  color: "var(--palette-ink)",
  fontWeight: 600,
  fontSize: "var(--text-plain)",
});

export const HaulPay = styled("aside")({
  alignSelf: "start",
  maxHeight: "100%",
  "& h2": {
    margin: "0 0 6px",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "& dl + h2": {
    marginTop: 16,
  },
});

export const SupplierEditorBox = styled("div")({
  display: "grid",
  gap: 12,
  marginTop: 12,
  paddingTop: 12,
  borderTop: "1px solid var(--palette-line)",
});

export const HaulEditorRow = styled("div")({
  "& [data-part=finder]": {
    width: 220,
  },
  "& [data-part=main-button]": {
    height: 32,
  },
});

export const OfferRowBox = styled("fieldset")({
  display: "flex",
  gap: 10,
  alignItems: "flex-end",
  flexWrap: "wrap",
  margin: 0,
  padding: "8px 0 0",
  border: "0",
  borderTop: "1px solid var(--palette-line)",
  "& [data-part=segments] button": {
    height: 26,
    whiteSpace: "nowrap",
  },
});

export const OfferMaterial = styled("div")({
  width: 158,
});

export const OfferEnd = styled("div")({
  display: "flex",
  gap: 12,
  alignItems: "center",
});

export const OfferFetch = styled("label")({
  display: "flex",
  gap: 6,
  alignItems: "center",
  height: 28,
  fontSize: "var(--text-small)",
});
