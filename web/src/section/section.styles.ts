import { styled } from "@mui/material/styles";

export const SectionStage = styled("div")({
  position: "relative",
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 356px",
  alignItems: "start",
  "@media (max-width: 760px)": { display: "block" },
});

/** The drawing stays in sight while the cards beside it scroll, as high as the window leaves. */
export const SectionLeft = styled("div")({
  position: "sticky",
  zIndex: 1,
  top: 4,
  display: "flex",
  flexDirection: "column",
  height: "calc(100dvh - 178px)",
  minHeight: 440,
  "@media (max-width: 1100px)": { height: "auto", minHeight: 0 },
  "@media (max-width: 760px)": { position: "static" },
});

export const SectionDrawing = styled("div")({ flex: "none", overflow: "hidden" });

export const SectionCards = styled("div")({ padding: "12px 2px 12px 0" });

export const FromAboveBox = styled("div")({
  display: "flex",
  gap: 16,
  flex: "none",
  alignItems: "center",
  padding: "10px 12px 4px 4px",
  "& svg": { flex: "none", overflow: "visible" },
  "@media (max-width: 500px)": { flexDirection: "column", alignItems: "flex-start" },
});

export const AboveFacts = styled("p")(({ theme }) => ({
  color: theme.vars.palette.soft,
  fontSize: "var(--text-note)",
  lineHeight: 1.5,
  "& b": { color: theme.vars.palette.ink },
}));

export const AddLayerBox = styled("div")(({ theme }) => ({
  display: "flex",
  gap: 10,
  alignItems: "center",
  justifyContent: "center",
  flexWrap: "wrap",
  marginTop: 10,
  padding: "8px 12px",
  border: `1px dashed ${theme.vars.palette.soft}`,
  borderRadius: 4,
  color: theme.vars.palette.soft,
  fontSize: "var(--text-small)",
}));

export const AddHints = styled("span")({ "@media (max-width: 760px)": { display: "none" } });
