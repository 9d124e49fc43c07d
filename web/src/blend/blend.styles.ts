import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const BlendBuckets = styled("div")({
  display: "flex",
  gap: 10,
  flexWrap: "wrap",
  alignItems: "flex-start",
  "@media (max-width: 760px)": {
    display: "grid",
    gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
    gap: 8,
  },
});

export const BlendPart = styled(Paper)({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  justifyItems: "center",
  gap: 4,
  width: 140,
  padding: "8px 6px 6px",
  fontSize: "var(--text-note)",
  "@media (max-width: 760px)": { width: "auto" },
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
  "& input": { textAlign: "center" },
});

export const BlendPartFoot = styled("div")(({ theme }) => ({
  display: "flex",
  justifyContent: "space-between",
  alignItems: "center",
  width: "100%",
  minHeight: 32,
  color: theme.vars.palette.soft,
}));

export const BlendBucket = styled("div")({
  cursor: "ns-resize",
  touchAction: "none",
  "& svg": { display: "block" },
});

export const ZoneList = styled("ol")(({ theme }) => ({
  ...theme.typography.body2,
  "& > li": {
    display: "grid",
    gridTemplateColumns: "30px minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr)",
    gap: 12,
    alignItems: "center",
    minHeight: 34,
    borderTop: `1px solid ${theme.vars.palette.line}`,
  },
  "& > li[data-chosen]": { fontWeight: 650 },
  "& [data-out]": { color: theme.vars.palette.iron },
  "& a": { color: "inherit" },
  "@media (max-width: 760px)": { "& > li": { gridTemplateColumns: "30px minmax(0, 1fr)" } },
}));

export const BlendMarks = styled("dl")({ display: "grid", gap: 7 });

export const BlendMark = styled("div")(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "148px minmax(60px, 1fr) 72px 236px",
  gap: 12,
  alignItems: "center",
  ...theme.typography.body2,
  '&[data-state="under"] [data-part=blend-needle], &[data-state="over"] [data-part=blend-needle]': {
    backgroundColor: theme.vars.palette.iron,
  },
  '&[data-state="under"] b, &[data-state="over"] b, &[data-state="unknown"] b': {
    color: theme.vars.palette.iron,
  },
  "@media (max-width: 760px)": { gridTemplateColumns: "minmax(0, 1fr) 72px", gap: "2px 10px" },
}));

export const BlendTrack = styled("dd")(({ theme }) => ({
  position: "relative",
  height: 16,
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 4,
  backgroundColor: theme.vars.palette.ground,
  "@media (max-width: 760px)": { gridRow: "2", gridColumn: "1 / -1" },
}));

export const BlendBand = styled("span")(({ theme }) => ({
  position: "absolute",
  inset: "0 auto 0 auto",
  backgroundColor: theme.vars.palette.moss,
  opacity: 0.35,
}));

export const BlendNeedle = styled("span")(({ theme }) => ({
  position: "absolute",
  top: -4,
  bottom: -4,
  width: 4,
  marginLeft: -2,
  borderRadius: 2,
  backgroundColor: theme.vars.palette.ink,
}));

export const BlendValue = styled("dd")({ fontWeight: 700, textAlign: "right" });

export const BlendWanted = styled("dd")(({ theme }) => ({
  color: theme.vars.palette.soft,
  "& b": { color: theme.vars.palette.moss },
  "@media (max-width: 760px)": { gridColumn: "1 / -1" },
}));

export const BlendFree = styled("dl")(({ theme }) => ({
  display: "flex",
  gap: "4px 22px",
  flexWrap: "wrap",
  margin: "10px 0 6px",
  ...theme.typography.body2,
  "& > div": { display: "flex", gap: 8 },
  "& dt": { color: theme.vars.palette.soft },
  "& dd": { fontWeight: 650 },
}));
