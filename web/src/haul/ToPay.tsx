import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { Problem } from "../kit/Problem";
import { FactLine, Lines } from "../kit/Lines";
import Typography from "@mui/material/Typography";
import { Aside } from "../kit/View";
import { TallyVolume } from "../kit/tally.styles";
import type { TalliedFigures } from "../api/client";
import { showMoney } from "../quantities/format";
import { Pick } from "../theme/controls/Pick";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Likely } from "../sure/Likely";
import { useSure } from "../sure/useSure";
import { Budget } from "./Budget";
import type { Looking } from "./useBestHaul";

type Props = {
  gardenId: number;
  /** What a supplier is called. */
  supplierName: (key: string) => string;
  onPayLess: () => void;
  tallied: TalliedFigures;
  looking: Looking;
  certainty: number | null;
  onCertainty: (certainty: number | null) => void;
};

const SURE = [
  ["", "the amounts as worked out"],
  ["0.8", "enough in 8 gardens of 10"],
  ["0.9", "enough in 9 gardens of 10"],
  ["0.95", "enough in 19 gardens of 20"],
] as const;
const TWENTIETHS = 20;
type Source = NonNullable<TalliedFigures["figures"]["haul"]>["narrows"][string]["source"];
const NARROWED_BY: Partial<Record<Source, string>> = {
  tape: "measure the bed again",
  raking: "measure the depth at five places",
  loose_factor: "fill a bucket, tamp it, and see how it sinks",
  label: "tip a bag into buckets and count them",
  void_share: "fill the gaps of a bucket of it with water",
};

/** The sum, beside all in bags and all loose, and what is left over. */
export function ToPay({
  gardenId,
  supplierName,
  onPayLess,
  tallied,
  looking,
  certainty,
  onCertainty,
}: Props) {
  const { currency } = useShowing();
  // drawing a garden takes as long as looking for its haul: one after the other
  const sure = useSure(gardenId, !looking.looks);
  const { figures, tally } = tallied;
  const { haul } = figures;
  const names = new Map(figures.needs.map((need) => [need.material, need.name]));
  const said = (keys: readonly string[]) =>
    keys.map((key) => (names.get(key) ?? key).toLowerCase()).join(", ");
  const left = haul?.lines.filter((line) => line.left_over_m3 > 1e-6) ?? [];
  return (
    <Aside variant="outlined" component="aside" data-part="haul-pay" aria-label="To pay">
      <Typography variant="panelTitle">To pay</Typography>
      <TallyVolume data-part="tally-volume">
        {haul ? (
          <>
            {haul.unmet.length === 0 || Number(haul.total) > 0 ? (
              <>
                <b>{showMoney(haul.total, currency)}</b>{" "}
                {haul.unmet.length + haul.unpriced.length === 0
                  ? "for all that is needed"
                  : "for what is priced"}
                {sure.data?.total && <Likely figures={[sure.data.total]} figure="total" />}
              </>
            ) : (
              "No price is known yet."
            )}
          </>
        ) : (
          "Enter a supplier to see what it costs."
        )}
      </TallyVolume>
      <HowSure haul={haul} looking={looking} />
      {haul && (
        <Pick
          label="Loose soil is bought for"
          options={SURE}
          value={certainty === null ? "" : (SURE.find(([each]) => Number(each) === certainty)?.[0] ?? "")}
          onChoose={(chosen) => onCertainty(chosen === "" ? null : Number(chosen))}
        />
      )}
      {haul?.holding_costs != null && (
        <Note>
          Holding lines by hand costs {showMoney(haul.holding_costs, currency)} more than the cheapest.
        </Note>
      )}
      {haul && haul.unkept.length > 0 && (
        <Problem>Held, but can&apos;t be had so: {haul.unkept.join(", ")}.</Problem>
      )}
      {haul && haul.unmet.length > 0 && (
        <Problem>Not on offer, or too little of it: {said(haul.unmet)}. It is not in the total.</Problem>
      )}
      {haul && haul.unpriced.length > 0 && <Note>No price yet for {said(haul.unpriced)}.</Note>}
      {haul && <Budget gardenId={gardenId} haul={haul} nameOf={supplierName} onPayLess={onPayLess} />}
      <Lines>
        <FactLine name="All of it in bags">
          {haul?.all_bags_total ? showMoney(haul.all_bags_total, currency) : "not all sold in bags"}
        </FactLine>
        <FactLine name="All of it loose">
          {haul?.all_bulk_total ? showMoney(haul.all_bulk_total, currency) : "not all sold loose"}
        </FactLine>
        <FactLine name="Deliveries">
          {tally.drops === 0 ? "none" : `${tally.drops} · ${showMoney(tally.delivery, currency)}`}
        </FactLine>
        <FactLine name="Bags">
          {tally.bag_count === 0 ? "none" : `${tally.bag_count} · ${showMoney(tally.bags_price, currency)}`}
        </FactLine>
        <FactLine name="Loose">
          {tally.bulk_m3 > 0 ? (
            <>
              <Quantity kind="bulk" value={tally.bulk_m3} /> · {showMoney(tally.bulk_price, currency)}
            </>
          ) : (
            "none"
          )}
        </FactLine>
        <FactLine name="From your own heaps">
          <Quantity kind="bulk" value={tally.from_stock_m3} />
        </FactLine>
        <FactLine name="To move, as delivered">
          <Quantity kind="mass" value={tally.mass_kg} />
        </FactLine>
      </Lines>
      {haul && Object.keys(haul.enough).length > 0 && (
        <>
          <Typography variant="panelTitle">Enough, as the tape, raking and labels go</Typography>
          <Lines>
            {Object.entries(haul.enough).map(([key, share]) => (
              <FactLine key={key} name={names.get(key) ?? key}>
                in {Math.round(share * TWENTIETHS)} gardens of {TWENTIETHS}
              </FactLine>
            ))}
          </Lines>
          {Object.entries(NARROWED_BY).map(([source, what]) => {
            const own = Object.keys(haul.narrows).filter((key) => haul.narrows[key]?.source === source);
            return (
              own.length > 0 && (
                <Note key={source}>
                  Surer if you {what}: {said(own)}.
                </Note>
              )
            );
          })}
        </>
      )}
      {left.length > 0 && (
        <>
          <Typography variant="panelTitle">Left over</Typography>
          <Lines>
            {left.map((line) => (
              <FactLine key={`${line.supplier} ${line.material}`} name={line.name}>
                <Quantity kind="volume" value={line.left_over_m3} />
              </FactLine>
            ))}
          </Lines>
        </>
      )}
    </Aside>
  );
}

type SureProps = { haul: TalliedFigures["figures"]["haul"]; looking: Looking };

/** Whether anything is cheaper: looked for while the quick haul is shown, proven or with what is known. */
function HowSure({ haul, looking }: SureProps) {
  const { currency } = useShowing();
  const { progress } = looking;
  if (!haul) return null;
  if (looking.looks)
    return (
      <Column data-part="looking">
        <Note role="status">
          Each material from its cheapest offer. Looking for less over all suppliers at once
          {progress?.total != null && `: ${showMoney(progress.total, currency)} so far`}
          {progress?.lower_bound != null && `, none under ${showMoney(progress.lower_bound, currency)}`} ...
        </Note>
        <LinearProgress aria-label="Looking for a cheaper haul" />
        <Button onClick={looking.end}>
          {progress?.total == null ? "Stop looking" : "Stop, and take the best so far"}
        </Button>
      </Column>
    );
  if (haul.lower_bound == null)
    return (
      <Note>Each material from its cheapest offer; not looked for less over all suppliers at once.</Note>
    );
  return (
    <>
      <Note role="status">
        {haul.proven_optimal
          ? "No other choice over all suppliers costs less. "
          : `No choice costs less than ${showMoney(haul.lower_bound, currency)}; this is the best found so far. `}
        {haul.quick_total != null &&
          haul.quick_total !== haul.total &&
          `Each material from its cheapest offer: ${showMoney(haul.quick_total, currency)}.`}
      </Note>
      {!haul.proven_optimal && looking.longer && (
        <Button onClick={looking.longer}>Look for up to two minutes</Button>
      )}
    </>
  );
}
