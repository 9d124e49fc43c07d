import { useState } from "react";
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
    <section className="tally" aria-labelledby="makes-title">
      <h2 id="makes-title">It makes</h2>
      <p className="tally-volume">
        <b>{trimmed(figures.parts_out, 2)}</b> of {trimmed(figures.parts_in, 2)} parts
      </p>
      <p className="tally-note">
        {lost > 0.0005
          ? `${showShare(Math.round(lost * 1000) / 1000)} is lost: ${why(figures)}`
          : figures.measured
            ? "As the bucket test showed."
            : "Nothing is lost on mixing."}
      </p>
      <BucketTest mix={mix} onEdit={onEdit} />
      {amounts && (
        <>
          <dl className="tally-list">
            <div>
              <dt>Costs, bought, without delivery</dt>
              <dd>
                {amounts.price_per_m3 == null ? "not known" : showSmallPrice(amounts.price_per_m3, showing)}
              </dd>
            </div>
            <div>
              <dt>Your heaps make</dt>
              <dd>
                <Quantity kind="volume" value={amounts.from_stock_m3} />
              </dd>
            </div>
          </dl>
          {amounts.unpriced.length > 0 && (
            <p className="tally-note">Nobody offers {amounts.unpriced.join(", ")}.</p>
          )}
          <Recipe amounts={amounts} bedKey={bedKey} />
        </>
      )}
    </section>
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
  const take = (change: Partial<typeof given>) => {
    const next = { ...given, ...change };
    setGiven(next);
    const { parts_in, level_out } = next;
    if (parts_in && level_out) onEdit((now) => ({ ...now, bucket_test: { parts_in, level_out } }));
  };
  return (
    <details className="blend-test" open={test != null || undefined}>
      <summary>Bucket test</summary>
      <p className="panel-note">Mix some buckets of parts, fill them back, and count how many they fill.</p>
      <div className="water-fields">
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
          <button
            type="button"
            className="text-button"
            onClick={() => {
              setGiven({ parts_in: null, level_out: null });
              onEdit((now) => ({ ...now, bucket_test: null }));
            }}
          >
            Forget it
          </button>
        )}
      </div>
    </details>
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
    <div className="blend-recipe">
      <label>
        <span className="measure-label">Recipe for</span>
        <select
          className="measure-input"
          value={keyOf(chosen)}
          onChange={(event) => setWanted(event.currentTarget.value)}
        >
          {rows.map((each) => (
            <option key={keyOf(each)} value={keyOf(each)}>
              {titleOf(each)}
            </option>
          ))}
        </select>
      </label>
      <table>
        <thead>
          <tr>
            <th scope="col">
              <Quantity kind="volume" value={chosen.loose_m3} /> of mix
            </th>
            <th scope="col">loose</th>
            <th scope="col">to buy</th>
          </tr>
        </thead>
        <tbody>
          {chosen.taken.map((each) => (
            <tr key={each.material}>
              <th scope="row">{each.name}</th>
              <td>
                <Quantity kind="volume" value={each.loose_m3} />
              </td>
              <td>{each.to_buy_m3 > 1e-9 ? <Quantity kind="volume" value={each.to_buy_m3} /> : "on hand"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {chosen.lines.length > 0 && (
        <table>
          <thead>
            <tr>
              <th scope="col">To buy for it</th>
              <th scope="col">price</th>
            </tr>
          </thead>
          <tbody>
            {chosen.lines.map((line) => (
              <tr key={`${line.supplier} ${line.material} ${line.form}`}>
                <th scope="row">
                  <b>{bought(line, units)}</b> {line.name}, {line.supplier_name}
                </th>
                <td>{showMoney(line.price, currency)}</td>
              </tr>
            ))}
            <tr>
              <th scope="row">In all, with delivery of {showMoney(chosen.delivery, currency)}</th>
              <td>{showMoney(chosen.total, currency)}</td>
            </tr>
          </tbody>
        </table>
      )}
      {chosen.unmet.length > 0 && (
        <p className="tally-note">Nobody offers {chosen.unmet.join(", ")}: not in the sum.</p>
      )}
      <p className="tally-note">
        Weighs <Quantity kind="mass" value={chosen.mass_kg} />
        {chosen.price != null && `, ${showMoney(chosen.price, currency)} by volume alone`}.
      </p>
    </div>
  );
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
