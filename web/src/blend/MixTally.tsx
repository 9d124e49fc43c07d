import { FigureTable } from "../kit/FigureTable";
import Button from "@mui/material/Button";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { Note } from "../kit/Note";
import { Disclosure } from "../kit/Disclosure";
import { FactLine, Lines } from "../kit/Lines";
import { Column, Row } from "../kit/Row";
import { Pick } from "../theme/controls/Pick";
import Typography from "@mui/material/Typography";
import { TallyBox, TallyVolume } from "../kit/tally.styles";
import { useRef, useState } from "react";
import {
  showBulkVolume,
  showMoney,
  showShare,
  showSmallPrice,
  showVolume,
  trimmed,
  type Units,
} from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import type { AmountFigures, Mix, MixAmounts, MixFigures } from "./blendApi";
import type { MixEdit } from "./useMixDraft";

type Props = {
  mix: Mix;
  figures: MixFigures;
  amounts: MixAmounts | null;
  bedKey: string | undefined;
  onEdit: MixEdit;
};

/** What the mix makes and costs, and what a barrow, a mixer load or a bed of it takes. */
export function MixTally({ mix, figures, amounts, bedKey, onEdit }: Props) {
  const showing = useShowing();
  const lost = 1 - figures.parts_out / figures.parts_in;
  return (
    <TallyBox data-part="tally" aria-labelledby="makes-title">
      <Typography variant="panelTitle" id="makes-title">
        It makes
      </Typography>
      <TallyVolume data-part="tally-volume">
        <b>{trimmed(figures.parts_out, 2)}</b> of {trimmed(figures.parts_in, 2)} parts
      </TallyVolume>
      <Note>
        {lost > 0.0005
          ? `${showShare(Math.round(lost * 1000) / 1000)} is lost: ${why(figures)}`
          : figures.measured
            ? "As the bucket test showed."
            : "Nothing is lost on mixing."}
      </Note>
      <BucketTest mix={mix} onEdit={onEdit} />
      {amounts && (
        <>
          <Lines>
            <FactLine name="Costs, bought, without delivery">
              {amounts.price_per_m3 == null ? "not known" : showSmallPrice(amounts.price_per_m3, showing)}
            </FactLine>
            <FactLine name="Your heaps make">
              <Quantity kind="volume" value={amounts.from_stock_m3} />
            </FactLine>
          </Lines>
          {amounts.unpriced.length > 0 && <Note>Nobody offers {amounts.unpriced.join(", ")}.</Note>}
          <Recipe amounts={amounts} bedKey={bedKey} />
        </>
      )}
    </TallyBox>
  );
}

function why(figures: MixFigures): string {
  if (figures.measured) return "the bucket test showed it.";
  const sieved = figures.parts.some(({ rejected_parts }) => rejected_parts > 0);
  return sieved
    ? "stones stay on the sieve, fines fall between coarse grains."
    : "fines fall between coarse grains.";
}

function BucketTest({ mix, onEdit }: { mix: Mix; onEdit: MixEdit }) {
  const { bucket_test: test } = mix;
  const [given, setGiven] = useState<{ parts_in: number | null; level_out: number | null }>({
    parts_in: test?.parts_in ?? null,
    level_out: test?.level_out ?? null,
  });
  // both numbers may be read at once: the second rests on the first
  const latest = useRef(given);
  const keep = (next: typeof given) => {
    latest.current = next;
    setGiven(next);
  };
  const take = (change: Partial<typeof given>) => {
    keep({ ...latest.current, ...change });
    const { parts_in, level_out } = latest.current;
    if (parts_in && level_out) onEdit((now) => ({ ...now, bucket_test: { parts_in, level_out } }));
  };
  return (
    <Disclosure title="Bucket test" startsOpen={test != null}>
      {() => (
        <>
          <Note>Mix some buckets of parts, fill them back, and count how many they fill.</Note>
          <Row sx={{ alignItems: "flex-end" }}>
            <MeasureField
              label="Buckets in"
              limit="parts"
              width="84px"
              shown={given.parts_in == null ? "" : trimmed(given.parts_in, 2)}
              onMeaning={({ values: [parts_in] }) => take({ parts_in: parts_in ?? null })}
            />
            <MeasureField
              label="Buckets out"
              limit="parts"
              width="84px"
              shown={given.level_out == null ? "" : trimmed(given.level_out, 2)}
              onMeaning={({ values: [level_out] }) => take({ level_out: level_out ?? null })}
            />
            {test != null && (
              <Button
                onClick={() => {
                  keep({ parts_in: null, level_out: null });
                  onEdit((now) => ({ ...now, bucket_test: null }));
                }}
              >
                Forget it
              </Button>
            )}
          </Row>
        </>
      )}
    </Disclosure>
  );
}

/** What one volume of the mix takes, chosen from a barrow, a mixer load and the beds. */
function Recipe({ amounts, bedKey }: { amounts: MixAmounts; bedKey: string | undefined }) {
  const { currency, units } = useShowing();
  const [wanted, setWanted] = useState("");
  const keyOf = (each: AmountFigures) => each.bed ?? each.what;
  const { amounts: rows } = amounts;
  const chosen =
    rows.find((each) => keyOf(each) === wanted) ??
    rows.find(({ bed }) => bed != null && bed === bedKey) ??
    rows[0];
  if (!chosen) return null;
  return (
    <Column data-part="blend-recipe" sx={{ marginTop: 2 }}>
      <Pick
        label="Recipe for"
        options={amounts.amounts.map((each) => [keyOf(each), titleOf(each)] as const)}
        value={keyOf(chosen)}
        onChoose={setWanted}
        sx={{ width: "100%" }}
      />
      <FigureTable>
        <TableHead>
          <TableRow>
            <TableCell scope="col">
              <Quantity kind="volume" value={chosen.loose_m3} /> of mix
            </TableCell>
            <TableCell scope="col">loose</TableCell>
            <TableCell scope="col">to buy</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {chosen.taken.map((each) => (
            <TableRow key={each.material}>
              <TableCell component="th" scope="row">
                {each.name}
              </TableCell>
              <TableCell>
                <Taken by_weight={each.by_weight} volume_m3={each.loose_m3} mass_kg={each.mass_kg} />
              </TableCell>
              <TableCell>
                {each.to_buy_m3 > 1e-9 ? (
                  <Taken by_weight={each.by_weight} volume_m3={each.to_buy_m3} mass_kg={each.to_buy_kg} />
                ) : (
                  "on hand"
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </FigureTable>
      {chosen.lines.length > 0 && (
        <FigureTable>
          <TableHead>
            <TableRow>
              <TableCell scope="col">To buy for it</TableCell>
              <TableCell scope="col">price</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {chosen.lines.map((line) => (
              <TableRow key={`${line.supplier} ${line.material} ${line.form}`}>
                <TableCell component="th" scope="row">
                  <b>{bought(line, units)}</b> {line.name}, {line.supplier_name}
                </TableCell>
                <TableCell>{showMoney(line.price, currency)}</TableCell>
              </TableRow>
            ))}
            <TableRow>
              <TableCell component="th" scope="row">
                In all, with delivery of {showMoney(chosen.delivery, currency)}
              </TableCell>
              <TableCell>{showMoney(chosen.total, currency)}</TableCell>
            </TableRow>
          </TableBody>
        </FigureTable>
      )}
      {chosen.unmet.length > 0 && <Note>Nobody offers {chosen.unmet.join(", ")}: not in the sum.</Note>}
      <Note>
        Weighs <Quantity kind="mass" value={chosen.mass_kg} />
        {chosen.price != null && `, ${showMoney(chosen.price, currency)} by volume alone`}.
      </Note>
    </Column>
  );
}

type TakenProps = { by_weight: boolean; volume_m3: number; mass_kg: number };

function Taken({ by_weight, volume_m3, mass_kg }: TakenProps) {
  return by_weight ? <Quantity kind="dose" value={mass_kg} /> : <Quantity kind="volume" value={volume_m3} />;
}

function bought(line: AmountFigures["lines"][number], units: Units): string {
  if (line.count == null) return showBulkVolume(line.volume_m3, units);
  return `${line.count} ${line.count === 1 ? "bag" : "bags"}${line.bag_m3 == null ? "" : ` of ${showVolume(line.bag_m3, units)}`}`;
}

function titleOf({ what, name, count, lies }: AmountFigures): string {
  if (what !== "bed") return name.toLowerCase();
  const alike = count > 1 ? `, all ${count}` : "";
  return lies ? `${name}${alike}` : `${name}${alike}, in place of its soil`;
}
