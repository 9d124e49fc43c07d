import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, saidOf, type Schemas } from "../api/client";
import { TIMBER } from "../api/words";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showMoney, showSawn, showSection, type Units } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { SCREEN_ONLY } from "../theme/sizes";
import { KeepOffcuts } from "./KeepOffcuts";
import css from "./frame.module.css";

type Cuts = Schemas["CutsFigures"];
type Board = Cuts["boards"][number];

const WIDTH = 620;
const HIGH = 24;

/** All frames of the garden cut together: each board with its pieces in cutting order, and what is left of it. */
export function SawList({ gardenId, saved }: { gardenId: number; saved: boolean }) {
  const { units, currency } = useShowing();
  const answer = useQuery({
    queryKey: ["figure", gardenId, "cuts"],
    queryFn: () => api.figureCuts(gardenId),
    enabled: saved,
    placeholderData: (before) => before,
  });
  const cuts = answer.data;
  if (answer.error) return <Problem>{saidOf(answer.error)}</Problem>;
  if (!cuts || cuts.boards.length + cuts.uncut.length === 0) return null;
  const longest = Math.max(...cuts.boards.map(({ length_m }) => length_m), 0.1);
  return (
    <Sheet component="section" aria-labelledby="saw-title" data-part="saw-list">
      <Row>
        <Typography variant="sheetTitle" id="saw-title" sx={{ marginRight: "auto" }}>
          Saw list, all frames of the garden
        </Typography>
        <Button sx={SCREEN_ONLY} component={Link} to={`/garden/${gardenId}/papers?sheet=saw`}>
          Print
        </Button>
      </Row>
      <Note>
        {cuts.price != null && <>Boards for {showMoney(cuts.price, currency)}</>}
        {cuts.price != null &&
          (cuts.proven_optimal
            ? ", nothing is cheaper. "
            : `, no plan is under ${showMoney(cuts.lower_bound ?? "0", currency)}. `)}
        {cuts.cuts} cuts of {showSawn(cuts.kerf_m, units)}; a piece may come out up to{" "}
        {showSawn(cuts.give_m, units)} short.
        {cuts.unpriced.length > 0 &&
          ` Nobody offers ${cuts.unpriced.map((each) => named(each, units)).join(", ")}: usual lengths are taken; enter boards on sale in Haul.`}
      </Note>
      <Note>
        To hand: saw, square, pencil, two tapes, drill, clamps and a stand; eye protection, a mask against
        dust, gloves. Mark the longest piece first, cut on the waste side of the line.
      </Note>
      <Column sx={{ marginTop: 1 }}>
        {cuts.boards.map((board, index) => (
          <OneBoard key={index} board={board} longest={longest} />
        ))}
      </Column>
      {cuts.uncut.map((each) => (
        <Problem key={`${each.material} ${each.thickness_m} ${each.length_m}`}>
          No board is long enough for {each.count} × {showSawn(each.length_m, units)} of {named(each, units)}:
          enter longer ones in Haul, or change the frame.
        </Problem>
      ))}
      <KeepOffcuts gardenId={gardenId} after={cuts.lying_after} />
    </Sheet>
  );
}

function named({ material, thickness_m, width_m }: Cuts["unpriced"][number], units: Units): string {
  return `${TIMBER[material] ?? material} ${showSection(thickness_m, width_m, units)}`;
}

function OneBoard({ board, longest }: { board: Board; longest: number }) {
  const { units, currency } = useShowing();
  const scale = WIDTH / longest;
  const starts = board.pieces_m.map((_, index) =>
    board.pieces_m.slice(0, index).reduce((sum, each) => sum + each, 0),
  );
  const used = board.pieces_m.reduce((sum, each) => sum + each, 0);
  const section = showSection(board.thickness_m, board.width_m, units);
  return (
    <div data-part="saw-board">
      <Typography variant="strong" component="h3">
        {board.count} × {showSawn(board.length_m, units)} {TIMBER[board.material] ?? board.material},{" "}
        {section}
        {board.source === "stock" ? ", on hand" : board.supplier ? `, ${board.supplier}` : ""}
        {board.price != null && ` at ${showMoney(board.price, currency)}`}
      </Typography>
      <Note sx={{ "@media (min-width: 600px)": { display: "none" } }} aria-hidden="true">
        {board.pieces_m.map((each) => showSawn(each, units)).join(", ")}
      </Note>
      <svg
        className={css.saw}
        viewBox={`0 0 ${WIDTH} ${HIGH}`}
        width={WIDTH}
        height={HIGH}
        role="img"
        aria-label={`Cut into ${board.pieces_m.map((each) => showSawn(each, units)).join(", ")}`}
      >
        <rect className={css.offcut} x={0.5} y={0.5} width={board.length_m * scale - 1} height={HIGH - 1} />
        {board.pieces_m.map((piece, index) => (
          <g key={index}>
            <rect
              className={css.piece}
              x={(starts[index] ?? 0) * scale + 0.5}
              y={0.5}
              width={Math.max(piece * scale - 1, 1)}
              height={HIGH - 1}
            />
            <text x={((starts[index] ?? 0) + piece / 2) * scale} y={HIGH / 2 + 4} textAnchor="middle">
              {showSawn(piece, units)}
            </text>
          </g>
        ))}
        {board.offcut_m * scale > 46 && (
          <text x={((used + board.length_m) / 2) * scale} y={HIGH / 2 + 4} textAnchor="middle">
            {showSawn(board.offcut_m, units)}
          </text>
        )}
      </svg>
    </div>
  );
}
