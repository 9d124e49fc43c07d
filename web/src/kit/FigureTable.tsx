import Table from "@mui/material/Table";
import { styled } from "@mui/material/styles";

/** A table of figures: each row by its name on the left, its figures to the right. */
export const FigureTable = styled(Table)({
  "& td, & thead th:not(:first-of-type)": { textAlign: "right", whiteSpace: "nowrap" },
  "& td": { fontWeight: 650 },
  "& tbody th": { fontWeight: 500 },
}) as typeof Table;
