import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const BlendViewBox = styled("main")({
  display: "grid",
  gridTemplateRows: "auto auto minmax(0, 1fr)",
  height: "100%",
  padding: "10px 20px 16px",
  "& [data-part=view-title]": {
    flex: "1 1 240px",
    margin: 0,
  },
  "& h2": {
    margin: "0 0 6px",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "& [data-part=text-button]:disabled": {
    opacity: 0.45,
  },
  "& table": {
    width: "100%",
    margin: "6px 0",
    borderCollapse: "collapse",
    fontSize: "var(--text-small)",
  },
  "& th": {
    padding: "4px 0",
    fontWeight: 500,
    textAlign: "left",
  },
  "& thead th": {
    color: "var(--palette-soft)",
    fontSize: "var(--text-note)",
  },
  "& thead th + th": {
    paddingLeft: 8,
    textAlign: "right",
    whiteSpace: "nowrap",
  },
  "& td": {
    paddingLeft: 8,
    textAlign: "right",
    whiteSpace: "nowrap",
    fontWeight: 650,
  },
  "& tbody tr": {
    borderTop: "1px solid var(--palette-line)",
  },
  "@media (max-width: 1100px)": {
    display: "block",
    height: "auto",
    padding: "10px 12px 90px",
  },
});

export const BlendMixes = styled("nav")({
  display: "flex",
  gap: 6,
  alignItems: "center",
  flexWrap: "wrap",
  marginBottom: 8,
  fontSize: "var(--text-small)",
  "& a": {
    padding: "4px 11px",
    border: "1px solid var(--palette-line)",
    borderRadius: 4,
    background: "var(--palette-sheet)",
    color: "var(--palette-ink)",
    fontWeight: 600,
    textDecoration: "none",
  },
  "& a[aria-current]": {
    borderColor: "var(--palette-iron)",
    boxShadow: "inset 0 -2px 0 var(--palette-iron)",
  },
});

export const BlendBody = styled("div")({
  display: "grid",
  gridRow: "3",
  gridTemplateColumns: "minmax(0, 1fr) 340px",
  gap: 20,
  minHeight: 0,
  "@media (max-width: 1100px)": {
    display: "block",
    height: "auto",
    "& > [data-part=water-aside]": {
      marginTop: 14,
    },
  },
});

export const BlendWork = styled("div")({
  minWidth: 0,
  minHeight: 0,
  overflow: "auto",
});

export const BlendName = styled("input")({
  width: "min(100%, 380px)",
  padding: "0 4px",
  border: "1px solid transparent",
  borderRadius: 4,
  background: "none",
  color: "inherit",
  font: "inherit",
  fontStretch: "inherit",
  "&:hover": {
    borderColor: "var(--palette-line)",
  },
});

export const BlendUse = styled("label")({
  display: "flex",
  gap: 8,
  alignItems: "center",
  color: "var(--palette-soft)",
  fontSize: "var(--text-small)",
  "& select": {
    width: 150,
  },
});

export const BlendBuckets = styled("div")({
  display: "flex",
  gap: 10,
  flexWrap: "wrap",
  alignItems: "flex-start",
  padding: "6px 0 4px",
  "@media (max-width: 700px)": {
    display: "grid",
    gridTemplateColumns: "repeat(3, minmax(0, 1fr))",
    gap: 8,
  },
});

export const BlendPart = styled(Paper)({
  display: "grid",
  justifyItems: "center",
  gap: 4,
  width: 122,
  padding: "8px 6px 6px",
  fontSize: "var(--text-note)",
  "@media (max-width: 700px)": {
    width: "auto",
  },
}) as typeof Paper;

export const BlendPartName = styled("strong")({
  maxWidth: "100%",
  overflow: "hidden",
  textOverflow: "ellipsis",
  whiteSpace: "nowrap",
});

export const BlendPartRow = styled("div")({
  display: "flex",
  gap: 3,
  alignItems: "center",
  "& > button": {
    width: 26,
    height: 28,
    border: "1px solid var(--palette-line)",
    borderRadius: 4,
    background: "none",
    color: "var(--palette-ink)",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
  "& input": {
    textAlign: "center",
  },
  "@media (max-width: 700px)": {
    gap: 2,
    "& [data-part=measure]": {
      maxWidth: 44,
    },
  },
});

export const BlendPartFoot = styled("div")({
  display: "flex",
  justifyContent: "space-between",
  alignItems: "center",
  width: "100%",
  minHeight: 28,
  color: "var(--palette-soft)",
  "& button": {
    width: 26,
    height: 28,
    border: "1px solid var(--palette-line)",
    borderRadius: 4,
    background: "none",
    color: "var(--palette-ink)",
    fontWeight: 650,
    fontSize: "var(--text-body)",
  },
});

export const BlendBucket = styled("div")({
  cursor: "ns-resize",
  touchAction: "none",
  "& svg": {
    display: "block",
  },
});

export const BlendAdd = styled("div")({
  alignContent: "start",
  justifyItems: "stretch",
  minHeight: 100,
  borderStyle: "dashed",
  background: "none",
  "@media (max-width: 700px)": {
    gridColumn: "1 / -1",
    minHeight: 0,
  },
});

export const BlendLike = styled(Paper)({
  marginTop: 12,
  padding: "12px 16px",
}) as typeof Paper;

export const BlendZones = styled(Paper)({
  marginTop: 12,
  padding: "12px 16px",
  "& [data-out]": {
    color: "var(--palette-iron)",
  },
  "& header": {
    display: "flex",
    gap: "8px 12px",
    alignItems: "center",
    flexWrap: "wrap",
    marginBottom: 8,
  },
  "& header h2": {
    margin: "0 auto 0 0",
  },
  "& select": {
    width: 180,
  },
  "& ol": {
    margin: 0,
    padding: 0,
    listStyle: "none",
    fontSize: "var(--text-small)",
  },
  "& li": {
    display: "grid",
    gridTemplateColumns: "30px minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr)",
    gap: 12,
    alignItems: "center",
    padding: "5px 0",
    borderTop: "1px solid var(--palette-line)",
  },
  "& li[data-chosen]": {
    fontWeight: 650,
  },
  "& li a": {
    color: "inherit",
  },
  "@media (max-width: 700px)": {
    "& li": {
      gridTemplateColumns: "30px minmax(0, 1fr)",
    },
  },
}) as typeof Paper;

export const BlendMarks = styled("dl")({
  display: "grid",
  gap: 7,
  margin: 0,
});

export const BlendMark = styled("div")({
  display: "grid",
  gridTemplateColumns: "148px minmax(60px, 1fr) 64px 236px",
  gap: 12,
  alignItems: "center",
  fontSize: "var(--text-small)",
  "& dd": {
    margin: 0,
  },
  "@media (max-width: 700px)": {
    gridTemplateColumns: "minmax(0, 1fr) 64px",
    gap: "2px 10px",
  },
});

export const BlendTrack = styled("dd")({
  position: "relative",
  height: 16,
  border: "1px solid var(--palette-line)",
  borderRadius: 4,
  background: "var(--palette-ground)",
  "@media (max-width: 700px)": {
    gridRow: "2",
    gridColumn: "1 / -1",
  },
});

export const BlendBand = styled("span")({
  position: "absolute",
  inset: "0 auto 0 auto",
  background: "var(--palette-moss)",
  opacity: 0.35,
});

export const BlendNeedle = styled("span")({
  position: "absolute",
  top: -4,
  bottom: -4,
  width: 4,
  marginLeft: -2,
  borderRadius: 2,
  background: "var(--palette-ink)",
});

export const BlendValue = styled("dd")({
  fontWeight: 700,
  textAlign: "right",
});

export const BlendWanted = styled("dd")({
  color: "var(--palette-soft)",
  "& b": {
    color: "var(--palette-moss)",
  },
  "@media (max-width: 700px)": {
    gridColumn: "1 / -1",
  },
});

export const BlendFree = styled("dl")({
  display: "flex",
  gap: "4px 22px",
  flexWrap: "wrap",
  margin: "10px 0 6px",
  fontSize: "var(--text-small)",
  "& div": {
    display: "flex",
    gap: 8,
  },
  "& dt": {
    color: "var(--palette-soft)",
  },
  "& dd": {
    margin: 0,
    fontWeight: 650,
  },
});

export const BlendBands = styled("details")({
  "& summary": {
    padding: "3px 0",
    fontSize: "var(--text-small)",
    fontWeight: 600,
    cursor: "pointer",
  },
});

export const BlendTest = styled("details")({
  "& summary": {
    padding: "3px 0",
    fontSize: "var(--text-small)",
    fontWeight: 600,
    cursor: "pointer",
  },
});

export const BlendOnly = styled("details")({
  "& summary": {
    padding: "3px 0",
    fontSize: "var(--text-small)",
    fontWeight: 600,
    cursor: "pointer",
  },
});

export const BlendBandRow = styled("div")({
  display: "flex",
  gap: "8px 12px",
  alignItems: "flex-end",
  flexWrap: "wrap",
});

export const BlendBandFields = styled("div")({
  display: "flex",
  gap: "8px 12px",
  alignItems: "flex-end",
  flexWrap: "wrap",
});

export const BlendLimits = styled("div")({
  display: "flex",
  gap: "8px 16px",
  alignItems: "flex-end",
  flexWrap: "wrap",
  marginTop: 10,
});

export const BlendWish = styled("section")({
  "& [data-part=main-button]": {
    height: 36,
    padding: "0 16px",
  },
  "& [data-part=text-button]": {
    height: 36,
  },
});

export const BlendRecipe = styled("div")({
  marginTop: 8,
  "& select": {
    width: "100%",
  },
});

export const BlendFound = styled("div")({
  marginTop: 8,
  padding: "8px 10px",
  border: "1px solid var(--palette-line)",
  borderRadius: 4,
  background: "var(--palette-ground)",
  fontSize: "var(--text-small)",
  "& p": {
    margin: "0 0 4px",
  },
  "& [data-missed]": {
    color: "var(--palette-iron)",
    fontWeight: 650,
  },
  "& [data-part=blend-mark]": {
    gridTemplateColumns: "104px minmax(40px, 1fr) 56px",
  },
  "& [data-part=blend-wanted]": {
    display: "none",
  },
});

export const BlendRight = styled("b")({
  marginLeft: "auto",
});

export const BlendChips = styled("ul")({
  display: "flex",
  gap: 6,
  flexWrap: "wrap",
  margin: "6px 0",
  padding: 0,
  listStyle: "none",
  "& button": {
    border: "0",
    background: "none",
    color: "inherit",
    fontWeight: 650,
    fontSize: "var(--text-small)",
  },
});
