import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

export const SectionViewBox = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 316px",
  gap: 22,
  height: "100%",
  padding: "14px 20px 16px",
  "@media (max-width: 1100px)": {
    gridTemplateColumns: "minmax(0, 1fr)",
    height: "auto",
  },
  "@media (max-width: 760px)": {
    padding: "10px 12px 90px",
  },
});

export const SectionWait = styled("main")({
  padding: 40,
  color: "var(--palette-soft)",
});

export const SectionWork = styled("div")({
  display: "flex",
  flexDirection: "column",
  minWidth: 0,
  minHeight: 0,
});

export const SectionStage = styled("div")({
  position: "relative",
  display: "grid",
  flex: "1",
  gridTemplateColumns: "minmax(0, 1fr) 356px",
  minHeight: 0,
  overflow: "auto",
  "@media (max-width: 1100px)": {
    overflow: "visible",
  },
  "@media (max-width: 760px)": {
    display: "block",
  },
});

export const SectionLeft = styled("div")({
  position: "sticky",
  zIndex: 1,
  top: 0,
  display: "flex",
  flexDirection: "column",
  height: "100%",
  minHeight: 420,
  "@media (max-width: 1100px)": {
    height: "auto",
    minHeight: 0,
  },
  "@media (max-width: 760px)": {
    position: "static",
  },
});

export const SectionDrawing = styled("div")({
  flex: "none",
  overflow: "hidden",
});

export const FromAboveBox = styled("div")({
  display: "flex",
  gap: 16,
  flex: "none",
  alignItems: "center",
  padding: "10px 12px 4px 4px",
  "& svg": {
    flex: "none",
    overflow: "visible",
  },
});

export const AboveFacts = styled("p")({
  margin: 0,
  color: "var(--palette-soft)",
  fontSize: "var(--text-note)",
  lineHeight: 1.5,
  "& b": {
    color: "var(--palette-ink)",
  },
});

export const SectionCards = styled("div")({
  padding: "12px 2px 12px 0",
});

export const SectionAside = styled(Paper)({
  minHeight: 0,
  padding: "14px 16px",
  overflow: "auto",
}) as typeof Paper;

export const AddLayerBox = styled("div")({
  display: "flex",
  gap: 14,
  alignItems: "center",
  justifyContent: "center",
  marginTop: 12,
  padding: "8px 12px",
  border: "1px dashed var(--palette-soft)",
  borderRadius: 4,
  color: "var(--palette-soft)",
  fontSize: "var(--text-small)",
  "&[data-open]": {
    display: "block",
  },
  "& button": {
    padding: 0,
    border: "0",
    background: "none",
    color: "var(--palette-ink)",
    fontWeight: 600,
    fontSize: "var(--text-plain)",
    cursor: "pointer",
  },
});

export const AddHints = styled("span")({
  "@media (max-width: 760px)": {
    display: "none",
  },
});
