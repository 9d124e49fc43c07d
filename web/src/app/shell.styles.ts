import { styled } from "@mui/material/styles";
import { NavLink } from "react-router";
import { THUMB } from "../theme/components/parts";

/** A phone held upright: places at the foot. */
export const UPRIGHT = "@media (max-width: 760px) and (min-height: 501px)";
/** A low window: a narrow rail and one thin bar, so that the view keeps four fifths. */
export const LOW = "@media (max-height: 500px)";

export const Frame = styled("div")({
  display: "grid",
  gridTemplate: "58px minmax(0, 1fr) / 84px minmax(0, 1fr)",
  gridTemplateAreas: '"rail top" "rail body"',
  height: "100dvh",
  [LOW]: {
    gridTemplate: "48px minmax(0, 1fr) / 56px minmax(0, 1fr)",
    gridTemplateAreas: '"rail top" "rail body"',
  },
  [UPRIGHT]: {
    gridTemplate: "auto minmax(0, 1fr) auto / minmax(0, 1fr)",
    gridTemplateAreas: '"top" "body" "rail"',
  },
  "@media print": { display: "block", height: "auto", "& > nav, & > header": { display: "none" } },
});

export const Body = styled("div")({ gridArea: "body", minHeight: 0, overflow: "auto", outline: "none" });

export const SkipLink = styled("a")(({ theme }) => ({
  "@media print": { display: "none" },
  position: "fixed",
  zIndex: theme.zIndex.tooltip,
  top: -80,
  left: 12,
  padding: "10px 16px",
  border: `2px solid ${theme.vars.palette.iron}`,
  borderRadius: 4,
  backgroundColor: theme.vars.palette.sheet,
  color: theme.vars.palette.ink,
  fontWeight: 650,
  "&:focus": { top: 8 },
}));

export const RailBox = styled("nav")(({ theme }) => ({
  display: "flex",
  gridArea: "rail",
  flexDirection: "column",
  overflow: "auto",
  backgroundColor: theme.vars.palette.rail,
  "@media (max-width: 760px), (max-height: 500px)": { display: "none" },
}));

/** The same on a phone: a few places and More. */
export const HandRail = styled("nav")(({ theme }) => ({
  display: "none",
  gridArea: "rail",
  overflow: "auto",
  backgroundColor: theme.vars.palette.rail,
  [UPRIGHT]: { display: "flex", paddingBottom: "env(safe-area-inset-bottom)" },
  [LOW]: { display: "flex", flexDirection: "column" },
}));

export const RailName = styled("span")(({ theme }) => ({
  padding: "15px 0 8px",
  color: theme.vars.palette.onRail,
  fontSize: "var(--text-line)",
  fontWeight: 720,
  fontStretch: "118%",
  textAlign: "center",
}));

export const RailGroup = styled("span")(({ theme }) => ({
  margin: "8px 10px 2px",
  padding: "6px 0 0",
  borderTop: `1px solid ${theme.vars.palette.railHere}`,
  color: theme.vars.palette.railText,
  fontSize: "var(--text-micro)",
  textAlign: "center",
}));

export const RailFoot = styled("div")({ marginTop: "auto", paddingBottom: 6 });

const place = {
  display: "flex",
  flexDirection: "column",
  gap: 2,
  alignItems: "center",
  justifyContent: "center",
  width: "100%",
  minHeight: 50,
  padding: "5px 0 4px",
  borderLeft: "4px solid transparent",
  borderRight: "4px solid transparent",
  color: "var(--palette-railText)",
  fontSize: "var(--text-note)",
  fontWeight: 600,
  fontFamily: "inherit",
  lineHeight: 1.2,
  textDecoration: "none",
  "&:focus-visible": { outlineColor: "var(--palette-straw)", outlineOffset: -3 },
  '&[aria-current="page"]': {
    borderLeftColor: "var(--palette-straw)",
    backgroundColor: "var(--palette-railHere)",
    color: "var(--palette-onRail)",
  },
  [UPRIGHT]: {
    flex: 1,
    minHeight: 52,
    borderLeft: 0,
    borderRight: 0,
    borderTop: "4px solid transparent",
    '&[aria-current="page"]': { borderTopColor: "var(--palette-straw)" },
  },
  [LOW]: { minHeight: 52, fontSize: "var(--text-micro)", borderRight: 0 },
} as const;

export const RailPlace = styled(NavLink)(place);
export const railPlace = place;

export const TopBarBox = styled("header")(({ theme }) => ({
  display: "flex",
  gridArea: "top",
  gap: 16,
  alignItems: "center",
  minWidth: 0,
  padding: "0 20px",
  borderBottom: `1px solid ${theme.vars.palette.line}`,
  backgroundColor: theme.vars.palette.sheet,
  [LOW]: { gap: 8, padding: "0 10px" },
  [UPRIGHT]: { flexWrap: "wrap", gap: "2px 8px", padding: "4px 12px 0" },
}));

export const TopGarden = styled("div")(({ theme }) => ({
  display: "flex",
  flex: "0 1 auto",
  flexDirection: "column",
  minWidth: 0,
  maxWidth: 230,
  lineHeight: 1.2,
  "& > span": { color: theme.vars.palette.soft, fontSize: "var(--text-ruler)" },
  "& > a": {
    color: theme.vars.palette.ink,
    fontSize: "var(--text-line)",
    fontWeight: 700,
    fontStretch: "105%",
    textDecoration: "none",
    overflowWrap: "anywhere",
    // the target is taller than its line, the bar is not
    padding: "7px 0",
    margin: "-7px 0",
    [THUMB]: { padding: "13px 0", margin: "-13px 0" },
  },
  "& > a > span": {
    display: "-webkit-box",
    overflow: "hidden",
    WebkitBoxOrient: "vertical",
    WebkitLineClamp: 2,
  },
  "& > a[data-long]": { fontSize: "var(--text-plain)" },
  [LOW]: {
    flex: "0 0 auto",
    maxWidth: 130,
    "& > span": { display: "none" },
    "& > a": { fontSize: "var(--text-small)" },
  },
  [UPRIGHT]: { flex: 1, maxWidth: "none", "& > span": { display: "none" } },
}));

export const BedStripBox = styled("nav")({
  display: "flex",
  flex: 1,
  gap: 2,
  alignItems: "stretch",
  alignSelf: "stretch",
  minWidth: 0,
  overflow: "hidden",
  [UPRIGHT]: { order: 5, flex: "1 0 100%" },
});

const tab = {
  display: "flex",
  flex: "none",
  flexDirection: "column",
  gap: 1,
  alignItems: "center",
  justifyContent: "center",
  width: 76,
  padding: "0 2px",
  borderBottom: "3px solid transparent",
  borderRadius: "4px 4px 0 0",
  color: "var(--palette-soft)",
  fontSize: "var(--text-micro)",
  fontWeight: 600,
  fontFamily: "inherit",
  lineHeight: 1.08,
  textAlign: "center",
  textDecoration: "none",
  "&:hover": { backgroundColor: "var(--palette-wash)" },
  "&:focus-visible": { outlineOffset: -2 },
  "&[data-chosen]": {
    borderBottomColor: "var(--palette-iron)",
    backgroundColor: "var(--palette-wash)",
    color: "var(--palette-ink)",
  },
  "& svg": { height: 17 },
  "& > span": {
    display: "-webkit-box",
    maxWidth: "100%",
    overflow: "hidden",
    overflowWrap: "anywhere",
    WebkitBoxOrient: "vertical",
    WebkitLineClamp: 2,
  },
  [UPRIGHT]: { minHeight: 48 },
  [LOW]: { "& svg": { display: "none" }, "& > span": { WebkitLineClamp: 2 } },
} as const;

export const BedTab = styled(NavLink)(tab);
export const bedTab = tab;

export const SaveBox = styled("span")(({ theme }) => ({
  flex: "none",
  maxWidth: 150,
  color: theme.vars.palette.soft,
  fontSize: "var(--text-note)",
  fontWeight: 600,
  lineHeight: 1.2,
  "&[data-saved]": { color: theme.vars.palette.moss },
  [LOW]: { maxWidth: 90 },
}));

export const TopEnd = styled("div")({
  display: "flex",
  flex: "none",
  gap: 4,
  alignItems: "center",
  "@media (max-width: 760px), (max-height: 500px)": { "& > [data-part=units]": { display: "none" } },
});
