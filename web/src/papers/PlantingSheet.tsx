import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { BedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { BedPlanted, PLANTED_BESIDE } from "../planting/BedPlanted";
import { lettersOf, lookOf } from "../planting/looks";
import type { CropInBed } from "../planting/plantingApi";
import { showDay } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { Paper, usePrinting } from "./Paper";
import { ScaleBar } from "./ScaleBar";
import { scaleFor } from "./sizes";

const nothing = () => undefined;
const NONE: ReadonlySet<number> = new Set();

/** What grows where in a bed, to scale, with its key. */
export function PlantingSheet({ figures }: { figures: BedFigures }) {
  const { paper } = usePrinting();
  const { plan, planting } = figures;
  const at = scaleFor(paper, [plan.length_m, plan.width_m], PLANTED_BESIDE);
  return (
    <Paper title={`Planting plan: ${figures.name}`} to={`planting/bed/${figures.key}`}>
      <BedPlanted
        figures={figures}
        px_per_m={at.px_per_m}
        day={null}
        sun={null}
        chosen={null}
        flagged={NONE}
        filling={false}
        onChoose={nothing}
        onMove={nothing}
        onFill={nothing}
      />
      <ScaleBar at={at} />
      {planting.length === 0 ? (
        <Note>No crop is planned in this bed yet.</Note>
      ) : (
        <Table size="small" data-part="paper-key">
          <TableHead>
            <TableRow>
              <TableCell>In the drawing</TableCell>
              <TableCell>Crop</TableCell>
              <TableCell align="right">How many</TableCell>
              <TableCell align="right">Apart</TableCell>
              <TableCell>Goes in</TableCell>
              <TableCell>First harvest</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {planting.map((crop, place) => (
              <OneCrop key={`${crop.crop} ${place}`} crop={crop} place={place} />
            ))}
          </TableBody>
        </Table>
      )}
    </Paper>
  );
}

function OneCrop({ crop, place }: { crop: CropInBed; place: number }) {
  const { fill, dash } = lookOf(place);
  const [harvest] = crop.harvests;
  return (
    <TableRow>
      <TableCell sx={{ whiteSpace: "nowrap" }}>
        <svg width={30} height={30} aria-hidden>
          <circle cx={15} cy={15} r={13} fill={fill} fillOpacity={0.6} stroke="#000" strokeDasharray={dash} />
          <text x={15} y={19} textAnchor="middle" fontSize={11.5} fontWeight={650}>
            {lettersOf(crop.name)}
          </text>
        </svg>
      </TableCell>
      <TableCell>
        {crop.name}
        {crop.in_pockets && ", in pockets"}
      </TableCell>
      <TableCell align="right">{crop.count}</TableCell>
      <TableCell align="right">
        <Quantity kind="length" value={crop.spread_m} />
      </TableCell>
      <TableCell>
        {crop.sow_from != null && `${crop.start === "sown" ? "sow" : "plant"} from ${showDay(crop.sow_from)}`}
        {crop.sow_until != null && ` until ${showDay(crop.sow_until)}`}
      </TableCell>
      <TableCell>{harvest ? `about ${showDay(harvest)}` : ""}</TableCell>
    </TableRow>
  );
}
