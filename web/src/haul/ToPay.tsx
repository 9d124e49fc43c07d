import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Lines } from "../kit/Lines";
import { SectionAside } from "../section/section.styles";
import { TallyVolume } from "../section/tally.styles";
import type { ReactNode } from "react";
import type { TalliedFigures } from "../api/client";
import { showMoney } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";

/** The sum, beside all in bags and all loose, and what is left over. */
export function ToPay({ tallied }: { tallied: TalliedFigures }) {
  const { currency } = useShowing();
  const { figures, tally } = tallied;
  const { haul } = figures;
  const names = new Map(figures.needs.map((need) => [need.material, need.name]));
  const left = haul?.lines.filter((line) => line.left_over_m3 > 1e-6) ?? [];
  const sheets = figures.needs.filter((need) => need.area_m2 > 0);
  return (
    <SectionAside variant="outlined" component="aside" data-part="haul-pay" aria-label="To pay">
      <h2>To pay</h2>
      <TallyVolume data-part="tally-volume">
        {haul ? (
          <>
            <b>{showMoney(haul.total, currency)}</b> for everything
          </>
        ) : (
          "Enter a supplier to see what it costs."
        )}
      </TallyVolume>
      <Note>
        Each material from its cheapest offer, deliveries counted once; not yet proven the least of all.
      </Note>
      {haul && haul.unmet.length > 0 && (
        <Problem role="alert">
          Nobody offers {haul.unmet.map((key) => (names.get(key) ?? key).toLowerCase()).join(", ")}: not in
          the sum.
        </Problem>
      )}
      <Lines data-part="tally-list">
        <Row label="Everything in bags">
          {haul?.all_bags_total ? showMoney(haul.all_bags_total, currency) : "not all sold in bags"}
        </Row>
        <Row label="Everything loose">
          {haul?.all_bulk_total ? showMoney(haul.all_bulk_total, currency) : "not all sold loose"}
        </Row>
        <Row label="Deliveries">
          {tally.drops === 0 ? "none" : `${tally.drops} · ${showMoney(tally.delivery, currency)}`}
        </Row>
        <Row label="Bags">
          {tally.bag_count === 0 ? "none" : `${tally.bag_count} · ${showMoney(tally.bags_price, currency)}`}
        </Row>
        <Row label="Loose">
          {tally.bulk_m3 > 0 ? (
            <>
              <Quantity kind="bulk" value={tally.bulk_m3} /> · {showMoney(tally.bulk_price, currency)}
            </>
          ) : (
            "none"
          )}
        </Row>
        <Row label="From your own heaps">
          <Quantity kind="bulk" value={tally.from_stock_m3} />
        </Row>
        <Row label="To move, as delivered">
          <Quantity kind="mass" value={tally.mass_kg} />
        </Row>
      </Lines>
      {left.length > 0 && (
        <>
          <h2>Left over</h2>
          <Lines data-part="tally-list">
            {left.map((line) => (
              <Row key={`${line.supplier} ${line.material}`} label={line.name}>
                <Quantity kind="volume" value={line.left_over_m3} />
              </Row>
            ))}
          </Lines>
        </>
      )}
      {sheets.length > 0 && (
        <>
          <h2>Sheets to find</h2>
          <Lines data-part="tally-list">
            {sheets.map((need) => (
              <Row key={need.material} label={need.name}>
                <Quantity kind="area" value={need.area_m2} />
              </Row>
            ))}
          </Lines>
        </>
      )}
    </SectionAside>
  );
}

function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div>
      <dt>{label}</dt>
      <dd>{children}</dd>
    </div>
  );
}
