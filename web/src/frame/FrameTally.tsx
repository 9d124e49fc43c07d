import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { BedFigures } from "../api/client";
import { TIMBER, WALLING } from "../api/words";
import { FigureTable } from "../kit/FigureTable";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { showLength, showMoney, showSawn, showSection } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";

type FrameFigures = NonNullable<BedFigures["frame"]>;

/** What one frame takes: its pieces, what holds them, what it weighs and how long it lasts. */
export function FrameTally({ frame }: { frame: FrameFigures }) {
  const { units, currency } = useShowing();
  const [least, most] = frame.life_years;
  return (
    <section aria-label="The frame in figures" data-part="frame-tally">
      <Typography variant="panelTitle">What it takes</Typography>
      {frame.pieces.length > 0 && (
        <FigureTable>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Piece</TableCell>
              <TableCell scope="col">long</TableCell>
              <TableCell scope="col">of</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {frame.pieces.map((each, index) => (
              <TableRow key={index} data-part="frame-piece">
                <TableCell component="th" scope="row">
                  {each.count} × {each.part}, {(TIMBER[each.material] ?? each.material).toLowerCase()}
                </TableCell>
                <TableCell>{showSawn(each.length_m, units)}</TableCell>
                <TableCell>{showSection(each.thickness_m, each.width_m, units)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </FigureTable>
      )}
      <Lines>
        {Object.entries(frame.units).map(([key, count]) => (
          <FactLine key={key} name={`${WALLING[key] ?? key}, with what breaks`}>
            {count}
          </FactLine>
        ))}
        {frame.mortar_m3 > 0 && (
          <FactLine name={`Mortar, ${counted(frame.fixings.mortar_bags, "bag")} of 20 kg dry`}>
            <Quantity kind="volume" value={frame.mortar_m3} />
          </FactLine>
        )}
        {frame.fixings.adhesive_tubes > 0 && (
          <FactLine name="Adhesive, tubes of 300 mL">{frame.fixings.adhesive_tubes}</FactLine>
        )}
        {frame.fixings.stone_kg > 0 && (
          <FactLine name="Walling stone, a tenth to spare">
            <Quantity kind="mass" value={frame.fixings.stone_kg} />
          </FactLine>
        )}
        {frame.screws.map((each) => (
          <FactLine
            key={each.length_m}
            name={`${frame.fixings.pilot_m == null ? "Spikes" : "Screws"} of ${showSawn(each.length_m, units)}`}
          >
            {each.count}
          </FactLine>
        ))}
        {frame.fixings.pilot_m != null && (
          <FactLine name="Holes drilled for them, across">{showSawn(frame.fixings.pilot_m, units)}</FactLine>
        )}
        {frame.fixings.stakes > 0 && (
          <FactLine name="Stakes at the lowest course">{frame.fixings.stakes}</FactLine>
        )}
        {frame.fixings.brackets > 0 && (
          <FactLine name="Or brackets inside the corners">{frame.fixings.brackets}</FactLine>
        )}
        {frame.posts > 0 && (
          <FactLine
            name={
              frame.post_depth_m > 0
                ? `Posts, ${showLength(frame.post_depth_m, units)} in the ground`
                : "Posts"
            }
          >
            {frame.posts}
          </FactLine>
        )}
        {frame.concrete_m3 > 0 && (
          <FactLine name={`Concrete round them, ${counted(frame.fixings.concrete_bags, "bag")} of 20 kg dry`}>
            <Quantity kind="volume" value={frame.concrete_m3} />
          </FactLine>
        )}
        {frame.fixings.post_gravel_m3 > 0 && (
          <FactLine name="Gravel below them">
            <Quantity kind="volume" value={frame.fixings.post_gravel_m3} />
          </FactLine>
        )}
        {frame.fixings.stain_m3 > 0 && (
          <FactLine name="Stain, two coats outside (a choice)">
            <Quantity kind="water" value={frame.fixings.stain_m3} />
          </FactLine>
        )}
        {frame.diagonal_m != null && (
          <FactLine name="Diagonals, both">{showSawn(frame.diagonal_m, units)}</FactLine>
        )}
        {frame.brace_spacing_m != null && frame.span_m != null && (
          <FactLine name="Longest side between supports">
            <Quantity kind="length" value={frame.span_m} />, at most{" "}
            <Quantity kind="length" value={frame.brace_spacing_m} />
          </FactLine>
        )}
        {frame.floor && (
          <>
            <FactLine name="Floor slats span">
              <Quantity kind="length" value={frame.floor.slat_m} />, at most{" "}
              <Quantity kind="length" value={frame.floor.slat_most_m} />
            </FactLine>
            <FactLine name="Bearers span">
              <Quantity kind="length" value={frame.floor.bearer_m} />, at most{" "}
              <Quantity kind="length" value={frame.floor.bearer_most_m} />
            </FactLine>
          </>
        )}
        <FactLine name="The frame weighs">
          <Quantity kind="mass" value={frame.mass_kg} />
        </FactLine>
        {frame.leg_load_kg != null && (
          <FactLine name="Heaviest leg, wet">
            <Quantity kind="mass" value={frame.leg_load_kg} />
          </FactLine>
        )}
        <FactLine name={`Lasts ${frame.off_ground ? "off" : "in"} the ground (estimate)`}>
          {least} to {most} years
        </FactLine>
        {frame.price != null && (
          <FactLine name="Costs at the cheapest offers, by the metre">
            {showMoney(frame.price, currency)}
          </FactLine>
        )}
        {frame.price_a_year && (
          <FactLine name="That is a year of its life">
            {showMoney(frame.price_a_year[0], currency)} to {showMoney(frame.price_a_year[1], currency)}
          </FactLine>
        )}
      </Lines>
      {frame.unpriced.length > 0 && <Note>Not offered, so not priced: {frame.unpriced.join(", ")}.</Note>}
    </section>
  );
}

function counted(count: number, one: string): string {
  return `${count} ${one}${count === 1 ? "" : "s"}`;
}
