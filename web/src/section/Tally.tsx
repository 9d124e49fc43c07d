import { Note } from "../kit/Note";
import { Lines } from "../kit/Lines";
import { TallyBox, TallyVolume } from "./tally.styles";
import type { ReactNode } from "react";
import type { Bed, BedFigures, TalliedFigures } from "../api/client";
import { showMoney } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";

type Props = { bed: Bed; figures: BedFigures; buying: TalliedFigures | null; waiting: boolean };

/** What this bed asks for: to bring in, to pay, to carry. */
export function Tally({ figures, buying, waiting }: Props) {
  const { count } = figures;
  const beds = count === 1 ? "for this bed" : `for ${count} beds`;
  return (
    <TallyBox data-part="tally" aria-labelledby="tally-title" aria-busy={waiting || undefined}>
      <h2 id="tally-title">
        {count === 1 ? "To fill the bed" : count === 2 ? "To fill both beds" : `To fill all ${count} beds`}
      </h2>
      {buying ? (
        <Bought buying={buying} beds={beds} />
      ) : (
        <Note>Working out what to buy ...</Note>
      )}
      <Lines data-part="tally-list">
        <Row label="Holds, placed">
          <Quantity kind="volume" value={figures.fill_volume_m3} />
          {count > 1 && " a bed"}
        </Row>
        <Row label="Weight as delivered">
          <Quantity kind="mass" value={figures.mass_moist_kg} />
          {count > 1 && " a bed"}
        </Row>
        <Row label="Weight, wet through">
          <Quantity kind="mass" value={figures.mass_saturated_kg} />
          {count > 1 && " a bed"}
        </Row>
        <Row label="Growing area">
          <Quantity kind="area" value={figures.top_area_m2} />
          {count > 1 && " a bed"}
        </Row>
        {figures.over_m > 0 && (
          <Row label="Over the headspace line">
            <Quantity kind="length" value={figures.over_m} /> ·{" "}
            <Quantity kind="volume" value={figures.over_m3} />
          </Row>
        )}
        {figures.to_fill_m > 1e-6 && (
          <Row label="Still empty below the line">
            <Quantity kind="length" value={figures.to_fill_m} />
          </Row>
        )}
      </Lines>
    </TallyBox>
  );
}

function Bought({ buying, beds }: { buying: TalliedFigures; beds: string }) {
  const { currency } = useShowing();
  const { tally, figures } = buying;
  const unmet = figures.haul?.unmet ?? [];
  const names = new Map(figures.needs.map((need) => [need.material, need.name]));
  return (
    <>
      <TallyVolume data-part="tally-volume">
        <b>
          <Quantity kind="bulk" value={tally.loose_m3} />
        </b>{" "}
        loose, {beds}
      </TallyVolume>
      {tally.from_stock_m3 > 0 && (
        <Note>
          <Quantity kind="bulk" value={tally.from_stock_m3} /> of it from your own heaps
        </Note>
      )}
      <Lines data-part="tally-list">
        {tally.bag_count > 0 && (
          <Row label="Bought in bags">
            <BagsOf count={tally.bag_count} /> · {showMoney(tally.bags_price, currency)}
          </Row>
        )}
        {tally.bulk_m3 > 0 && (
          <Row label="Bought loose">
            <Quantity kind="bulk" value={tally.bulk_m3} /> · {showMoney(tally.bulk_price, currency)}
          </Row>
        )}
        {tally.drops > 0 && (
          <Row label={tally.drops === 1 ? "Delivery, one drop" : `Delivery, ${tally.drops} drops`}>
            {showMoney(tally.delivery, currency)}
          </Row>
        )}
        <Row label={`To pay ${beds}`}>
          {figures.haul ? <strong>{showMoney(tally.total, currency)}</strong> : "no supplier entered yet"}
        </Row>
      </Lines>
      {unmet.length > 0 && (
        <Note>
          Nobody offers {unmet.map((key) => (names.get(key) ?? key).toLowerCase()).join(", ")}: not in the
          sum.
        </Note>
      )}
    </>
  );
}

function BagsOf({ count }: { count: number }) {
  return <span>{count === 1 ? "1 bag" : `${count} bags`}</span>;
}

function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div>
      <dt>{label}</dt>
      <dd>{children}</dd>
    </div>
  );
}
