import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { saidOf, type HaulFigures } from "../api/client";
import { useHead } from "../draft/useHead";
import { FactLine, Lines } from "../kit/Lines";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { Problem } from "../kit/Problem";
import { showMoney } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

type Props = {
  gardenId: number;
  haul: HaulFigures;
  nameOf: (supplier: string) => string;
  onPayLess: () => void;
};

/** What was spent beside what is still to pay, and the line that both are to stay under. */
export function Budget({ gardenId, haul, nameOf, onPayLess }: Props) {
  const { currency } = useShowing();
  const { head, change, error } = useHead(gardenId);
  return (
    <Column data-part="budget">
      <Typography variant="panelTitle">Spent and to stay under</Typography>
      {error && <Problem>{saidOf(error)}</Problem>}
      {haul.spent.length > 0 && (
        <Lines>
          {haul.spent.map(({ supplier, price, paid }) => (
            <FactLine key={supplier} name={`Bought, ${nameOf(supplier)}`}>
              {showMoney(price, currency)}
              {Number(paid) < Number(price) && `, ${showMoney(paid, currency)} paid`}
            </FactLine>
          ))}
        </Lines>
      )}
      <Row sx={{ alignItems: "flex-end" }}>
        <MeasureField
          label="All of it is to cost at most"
          limit="price"
          width="160px"
          placeholder="no limit"
          shown={head?.budget == null ? "" : showMoney(head.budget, currency)}
          onMeaning={({ money }) => money != null && change({ budget: String(money) })}
        />
        {head?.budget != null && <Button onClick={() => change({ budget: null })}>No limit</Button>}
      </Row>
      {haul.over_budget != null ? (
        <Problem>{showMoney(haul.over_budget, currency)} over that.</Problem>
      ) : (
        haul.budget != null && <Note>With what was spent it stays under that.</Note>
      )}
      {Number(haul.total) > 0 && <Button onClick={onPayLess}>Ways to pay less</Button>}
    </Column>
  );
}
