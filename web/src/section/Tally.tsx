import { memo } from "react";
import Typography from "@mui/material/Typography";
import type { BedFigures, BoughtAlone } from "../api/client";
import { Explained } from "../kit/Explained";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { TallyBox, TallyVolume } from "../kit/tally.styles";
import { showMoney, shownBag } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Likely } from "../sure/Likely";
import type { SureFigure } from "../sure/sureApi";

type Props = {
  figures: BedFigures;
  buying: BoughtAlone | null;
  waiting: boolean;
  sure: readonly SureFigure[] | undefined;
};

const HEADS = {
  planned: "To fill",
  filling: "Still to come for",
  filled: "What lies in",
  emptied: "What lay in",
} as const;
const LOOSE = "As it comes out of the bag or off the lorry. Laid and settled the same stuff takes less room.";
const PLACED = "As it lies in the bed, laid and settled: what the bed holds.";

/** What this bed asks for: to bring in, to pay, to carry. */
export const Tally = memo(function Tally({ figures, buying, waiting, sure }: Props) {
  const { count } = figures;
  const beds = count === 1 ? "for this bed" : `for ${count} beds`;
  const lies = figures.state === "filled" || figures.state === "emptied";
  const each = count > 1 && " a bed";
  return (
    <TallyBox aria-labelledby="tally-title" aria-busy={waiting || undefined} data-part="tally">
      <Typography variant="panelTitle" id="tally-title" sx={{ marginBottom: 1.5 }}>
        {HEADS[figures.state]} {count === 1 ? "the bed" : count === 2 ? "both beds" : `all ${count} beds`}
      </Typography>
      {lies ? (
        <Note>
          {figures.state === "filled"
            ? "It lies there: only its top-up is bought."
            : "Nothing is bought for it."}
        </Note>
      ) : buying ? (
        <Bought buying={buying} beds={beds} />
      ) : (
        <Note>Working out what to buy ...</Note>
      )}
      <Lines>
        <FactLine name={<Explained why={PLACED}>Holds, placed</Explained>}>
          <Quantity kind="held" value={figures.fill_volume_m3} />
          {each}
          <Likely figures={sure} figure="placed_m3" />
        </FactLine>
        <FactLine name="Weight as delivered">
          <Quantity kind="mass" value={figures.mass_moist_kg} />
          {each}
          <Likely figures={sure} figure="mass_moist_kg" />
        </FactLine>
        <FactLine name="Weight, wet through">
          <Quantity kind="mass" value={figures.mass_saturated_kg} />
          {each}
          <Likely figures={sure} figure="mass_saturated_kg" />
        </FactLine>
        {figures.today_m != null && (
          <FactLine name="Surface today, over the floor">
            <Quantity kind="length" value={figures.today_m} />
          </FactLine>
        )}
        <FactLine name="Growing area">
          <Quantity kind="area" value={figures.top_area_m2} />
          {each}
        </FactLine>
        {figures.over_m > 0 && (
          <FactLine name="Over the headspace line">
            <Quantity kind="length" value={figures.over_m} /> ·{" "}
            <Quantity kind="volume" value={figures.over_m3} />
          </FactLine>
        )}
        {figures.to_fill_m > 1e-6 && (
          <FactLine name="Still empty below the line">
            <Quantity kind="length" value={figures.to_fill_m} />
          </FactLine>
        )}
      </Lines>
    </TallyBox>
  );
});

function Bought({ buying, beds }: { buying: BoughtAlone; beds: string }) {
  const { currency, units } = useShowing();
  const { tally, haul, needs } = buying;
  const unmet = haul?.unmet ?? [];
  const names = new Map(needs.map((need) => [need.material, need.name]));
  return (
    <>
      <TallyVolume data-part="tally-volume">
        <b>
          <Quantity kind="bulk" value={tally.loose_m3} />
        </b>{" "}
        <Explained why={LOOSE}>loose</Explained>, {beds}
      </TallyVolume>
      {tally.from_stock_m3 > 0 && (
        <Note data-part="tally-note">
          <Quantity kind="bulk" value={tally.from_stock_m3} /> of it from your own heaps
        </Note>
      )}
      <Lines>
        {tally.bag_count > 0 && (
          <FactLine name="Bought in bags">
            {tally.bag_count === 1 ? "1 bag" : `${tally.bag_count} bags`} ·{" "}
            {showMoney(tally.bags_price, currency)}
          </FactLine>
        )}
        {tally.usual_bags > 0 && (
          <FactLine name={`If all in bags of ${shownBag(tally.usual_bag_m3, units)}`}>
            {tally.usual_bags === 1 ? "1 bag" : `${tally.usual_bags} bags`}
          </FactLine>
        )}
        {tally.bulk_m3 > 0 && (
          <FactLine name="Bought loose">
            <Quantity kind="bulk" value={tally.bulk_m3} /> · {showMoney(tally.bulk_price, currency)}
          </FactLine>
        )}
        {tally.drops > 0 && (
          <FactLine name={tally.drops === 1 ? "Delivery, one trip" : `Delivery, ${tally.drops} trips`}>
            {showMoney(tally.delivery, currency)}
          </FactLine>
        )}
        <FactLine name={`To pay ${beds}`}>
          <ToPay tally={tally} unmet={unmet.length} suppliers={haul != null} />
        </FactLine>
      </Lines>
      {unmet.length > 0 && (
        <Note data-part="tally-note">
          Nobody offers {unmet.map((key) => (names.get(key) ?? key).toLowerCase()).join(", ")}: not in the
          sum.
        </Note>
      )}
    </>
  );
}

type ToPayProps = { tally: BoughtAlone["tally"]; unmet: number; suppliers: boolean };

/** A sum is bold only where all of it is known. */
function ToPay({ tally, unmet, suppliers }: ToPayProps) {
  const { currency } = useShowing();
  if (!suppliers) return <>no prices entered yet</>;
  if (unmet === 0) return <strong>{showMoney(tally.total, currency)}</strong>;
  if (Number(tally.total) === 0) return <>no price known yet</>;
  return <>{showMoney(tally.total, currency)} for what is priced</>;
}
