import Paper from "@mui/material/Paper";
import Table from "@mui/material/Table";
import { styled } from "@mui/material/styles";

export const SchoolsList = styled("ul")({ display: "grid", gap: 14 });

export const SchoolCardBox = styled(Paper)({
  display: "grid",
  gridTemplateColumns: "260px minmax(0, 1.1fr) minmax(0, 1fr)",
  gap: 20,
  padding: "14px 16px",
  "@media (max-width: 1100px)": { gridTemplateColumns: "minmax(0, 1fr)" },
}) as typeof Paper;

export const SchoolDrawn = styled("div")({
  display: "flex",
  alignItems: "flex-end",
  justifyContent: "center",
  minHeight: 120,
  overflow: "hidden",
});

export const SchoolFacts = styled("dl")(({ theme }) => ({
  display: "grid",
  gap: 3,
  alignContent: "start",
  ...theme.typography.body2,
  "& > div": { display: "grid", gridTemplateColumns: "82px minmax(0, 1fr)", gap: 8 },
  "& dt": { color: theme.vars.palette.soft },
}));

export const CompareTable = styled(Table)(({ theme }) => ({
  tableLayout: "fixed",
  backgroundColor: theme.vars.palette.sheet,
  "& th, & td": {
    padding: "7px 12px !important",
    border: `1px solid ${theme.vars.palette.line}`,
    verticalAlign: "top",
  },
  "& thead th": { color: theme.vars.palette.ink, verticalAlign: "bottom" },
  "& thead svg": { display: "block", margin: "0 auto 8px", maxWidth: "100%", height: "auto" },
  "& tbody th, & tr > :first-of-type": { width: 150, color: theme.vars.palette.soft, fontWeight: 500 },
  "& td[data-best]": { fontWeight: 680 },
  "& ul": { paddingLeft: 16, listStyle: "disc", fontWeight: 400 },
}));
