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
  planned: "To buy for",
  filling: "Still to buy for",
  filled: "In",
  emptied: "Was in",
} as const;
const LOOSE = "Loose: as it comes out of the bag or off the lorry. It takes less room once laid and settled.";
const PLACED = "All layers together, laid and settled, with what comes from your heaps.";

/** How many materials the headline names; the rest are in Shopping. */
const NAMED = 3;

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
        <FactLine name={<Explained why={PLACED}>Volume in the bed</Explained>}>
          <Quantity kind="held" value={figures.placed_m3} />
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
  const { currency } = useShowing();
  const { tally, haul, needs } = buying;
  const unmet = haul?.unmet ?? [];
  const names = new Map(needs.map((need) => [need.material, need.name]));
  const [first, ...others] = tally.bought;
  const more = tally.bought.length - NAMED;
  return (
    <>
      {first ? (
        <TallyVolume data-part="tally-volume">
          <b>
            <Quantity kind="bulk" value={first.to_buy_m3} />
          </b>{" "}
          {first.name.toLowerCase()}, <Bags count={first.bags} bag_m3={first.bag_m3} />
        </TallyVolume>
      ) : (
        <TallyVolume data-part="tally-volume">No fill to buy</TallyVolume>
      )}
      <Lines>
        {others.slice(0, NAMED - 1).map((each) => (
          <FactLine key={each.material} name={each.name}>
            <Quantity kind="bulk" value={each.to_buy_m3} />, <Bags count={each.bags} bag_m3={each.bag_m3} />
          </FactLine>
        ))}
      </Lines>
      {more > 0 && (
        <Note data-part="tally-note">
          And {more} more {more === 1 ? "material" : "materials"}: see Shopping.
        </Note>
      )}
      {tally.from_heaps.length > 0 && (
        <Note data-part="tally-note">
          From your heaps:{" "}
          {tally.from_heaps.map((each, index) => (
            <span key={each.material}>
              {index > 0 && ", "}
              <Quantity kind="bulk" value={each.volume_m3} /> {each.name.toLowerCase()}
            </span>
          ))}
          .
        </Note>
      )}
      <Lines>
        {tally.bag_count > 0 && (
          <FactLine name="Bought in bags">
            {tally.bag_count === 1 ? "1 bag" : `${tally.bag_count} bags`} ·{" "}
            {showMoney(tally.bags_price, currency)}
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
        <FactLine name={`Cost ${beds}`}>
          <ToPay tally={tally} unmet={unmet.length} suppliers={haul != null} />
        </FactLine>
      </Lines>
      {unmet.length > 0 && (
        <Note data-part="tally-note">
          Not on offer, or too little of it:{" "}
          {unmet.map((key) => (names.get(key) ?? key).toLowerCase()).join(", ")}. It is not in the total.
        </Note>
      )}
    </>
  );
}

/** A count of bags of the usual size, which is named on hover; what is not sold in bags is loose. */
function Bags({ count, bag_m3 }: { count: number | null | undefined; bag_m3: number }) {
  const { units } = useShowing();
  if (count == null) return <Explained why={LOOSE}>loose</Explained>;
  const size = `Bags of ${shownBag(bag_m3, units)}. ${LOOSE}`;
  return <Explained why={size}>{count === 1 ? "1 bag" : `${count} bags`}</Explained>;
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
