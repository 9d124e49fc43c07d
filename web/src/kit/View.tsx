import Paper from "@mui/material/Paper";
import { styled } from "@mui/material/styles";

/** A view with its work on the left and what comes of it on the right; one column where there is no room. */
export const View = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 322px",
  gap: "14px 22px",
  alignItems: "start",
  padding: "14px 20px 28px",
  "@media (max-width: 1100px)": { gridTemplateColumns: "minmax(0, 1fr)" },
  "@media (max-width: 760px)": { padding: "10px 12px 40px" },
});

/** A view that is one column anyway. */
export const PlainView = styled("main")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 14,
  alignContent: "start",
  padding: "14px 20px 28px",
  "@media (max-width: 760px)": { padding: "10px 12px 40px" },
});

export const Work = styled("div")({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 12,
  alignContent: "start",
  minWidth: 0,
});

/** What comes of it. */
export const Aside = styled(Paper)({
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: 16,
  minWidth: 0,
  padding: "14px 16px",
}) as typeof Paper;

/** The heading of a view, with what can be done there at its end. */
export const ViewHead = styled("header")({
  display: "flex",
  gap: "8px 12px",
  alignItems: "center",
  flexWrap: "wrap",
  "& > h1": { marginRight: "auto" },
});

/** How large a drawing column is: it stays in sight while the cards beside it scroll. */
export const STICKY = {
  position: "sticky",
  top: 8,
  "@media (max-width: 760px)": { position: "static" },
} as const;
