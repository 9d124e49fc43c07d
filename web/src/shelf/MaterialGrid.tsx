import Box from "@mui/material/Box";
import { DataGrid, type GridColDef } from "@mui/x-data-grid";
import { useMemo } from "react";
import type { Material } from "../api/client";
import { Swatch } from "../drawing/Swatch";
import { showDensity, showShare, type Units } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { nonce } from "../theme/nonce";

type Props = { materials: readonly Material[]; chosen: string | undefined; onChoose: (key: string) => void };

/** What kinds of material are called, in their order. */
const GROUPS: Record<string, string> = {
  soil: "soil",
  organic: "green and brown",
  wood: "wood",
  mineral: "stone",
  meal: "meal",
  sheet: "sheet",
};

function kindOf({ is_mix, like, group }: Material): string {
  if (is_mix) return "your mix";
  return like ? "yours" : (GROUPS[group] ?? group);
}

function columnsFor(units: Units): GridColDef<Material>[] {
  return [
    {
      field: "name",
      headerName: "Material",
      flex: 1.7,
      minWidth: 150,
      renderCell: ({ row }) => (
        <Box component="span" sx={{ display: "flex", gap: 2, alignItems: "center", height: "100%" }}>
          <Swatch material={row.key} like={row.like} width={30} height={24} />
          <span>{row.name}</span>
        </Box>
      ),
    },
    { field: "group", headerName: "Kind", flex: 1, minWidth: 84, valueGetter: (_value, row) => kindOf(row) },
    {
      field: "placed_kg_m3",
      headerName: "Lies, moist",
      type: "number",
      flex: 1,
      minWidth: 104,
      valueFormatter: (value: number | null) => (value ? showDensity(value, units) : ""),
    },
    {
      field: "void_share",
      headerName: "Gaps",
      type: "number",
      width: 70,
      valueFormatter: (value: number) => (value ? showShare(value) : ""),
    },
  ];
}

/** The shelf as a table: sorted by any column, walked through by the arrow keys, a row opened by Enter. */
export default function MaterialGrid({ materials, chosen, onChoose }: Props) {
  const { units } = useShowing();
  const columns = useMemo(() => columnsFor(units), [units]);
  return (
    <Box sx={{ height: "min(74dvh, 720px)", minHeight: 300 }} data-part="shelf-grid">
      <DataGrid<Material>
        rows={materials}
        columns={columns}
        getRowId={({ key }) => key}
        rowHeight={40}
        columnHeaderHeight={36}
        hideFooter
        disableColumnMenu
        disableColumnSelector
        disableVirtualization
        label="Materials"
        nonce={nonce}
        rowSelectionModel={{ type: "include", ids: new Set(chosen ? [chosen] : []) }}
        onRowClick={({ row }) => onChoose(row.key)}
        onCellKeyDown={({ row }: { row: Material }, event) => {
          if (event.key === "Enter") onChoose(row.key);
        }}
        localeText={{ noRowsLabel: "Nothing on the shelf is called that." }}
        sx={GRID}
      />
    </Box>
  );
}

const GRID = {
  border: "1px solid",
  borderColor: "line",
  borderRadius: 1,
  backgroundColor: "sheet",
  color: "ink",
  fontSize: "var(--text-small)",
  "--DataGrid-rowBorderColor": "var(--palette-line)",
  "--DataGrid-containerBackground": "var(--palette-sheet)",
  "& .MuiDataGrid-columnHeaderTitle": { color: "soft", fontWeight: 600 },
  "& .MuiDataGrid-row": { cursor: "pointer" },
  "& .MuiDataGrid-row:hover": { backgroundColor: "wash" },
  "& .MuiDataGrid-row.Mui-selected, & .MuiDataGrid-row.Mui-selected:hover": {
    backgroundColor: "wash",
    fontWeight: 650,
  },
} as const;
