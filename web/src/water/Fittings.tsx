import Button from "@mui/material/Button";
import FormControl from "@mui/material/FormControl";
import FormLabel from "@mui/material/FormLabel";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import type { Reservoir } from "../api/client";
import { Row } from "../kit/Row";
import { Tick } from "../kit/Tick";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

type Fitting = NonNullable<Reservoir["fittings"]>[number];
type Props = { reservoir: Reservoir; onSet: (change: Partial<Reservoir>) => void };

const KINDS: Record<Fitting["kind"], string> = {
  inlet: "Inlet",
  drain: "Drain with tap",
  overflow: "Overflow",
  filler: "Filler tube",
  dip_tube: "Dip tube",
};
const THROUGH: readonly Fitting["kind"][] = ["inlet", "drain", "overflow"];

/** What lets water in and out: through the wall, or down a tube. */
export function Fittings({ reservoir, onSet }: Props) {
  const { units } = useShowing();
  const fittings = reservoir.fittings ?? [];
  const put = (index: number, change: Partial<Fitting>) =>
    onSet({ fittings: fittings.map((each, at) => (at === index ? { ...each, ...change } : each)) });
  return (
    <FormControl component="fieldset" fullWidth sx={{ gap: 2 }}>
      <FormLabel component="legend">What lets water in and out</FormLabel>
      {fittings.map((fitting, index) => (
        <Row key={index} sx={{ alignItems: "flex-end" }} data-part="fitting">
          <Typography variant="strong" sx={{ width: 116, paddingBottom: 1.5 }}>
            {KINDS[fitting.kind]}
          </Typography>
          <MeasureField
            label="Across"
            limit="board"
            width="96px"
            placeholder="usual"
            shown={fitting.diameter_m == null ? "" : typedLength(fitting.diameter_m, units)}
            onMeaning={({ values: [diameter_m] }) => put(index, { diameter_m })}
          />
          {THROUGH.includes(fitting.kind) && (
            <>
              <MeasureField
                label="Over the floor"
                limit="offset"
                width="110px"
                placeholder={fitting.kind === "overflow" ? "at the overflow" : "at the floor"}
                shown={fitting.height_m == null ? "" : typedLength(fitting.height_m, units)}
                onMeaning={({ values: [height_m] }) => put(index, { height_m })}
              />
              <Tick
                label="sealed"
                checked={fitting.sealed ?? false}
                onTick={(sealed) => put(index, { sealed })}
              />
            </>
          )}
          <IconButton
            aria-label={`Take the ${KINDS[fitting.kind].toLowerCase()} out`}
            onClick={() => onSet({ fittings: fittings.filter((_, at) => at !== index) })}
          >
            ×
          </IconButton>
        </Row>
      ))}
      <Row>
        {(Object.entries(KINDS) as [Fitting["kind"], string][]).map(([kind, name]) => (
          <Button key={kind} onClick={() => onSet({ fittings: [...fittings, { kind }] as Fitting[] })}>
            + {name}
          </Button>
        ))}
      </Row>
    </FormControl>
  );
}
