import Button from "@mui/material/Button";
type Props = { now: number; fits: number | null | undefined; onTake: (factor: number) => void };

/** The crop factor that readings fit, to be taken over where it isn't the bed's already. */
export function FittedFactor({ now, fits, onTake }: Props) {
  if (fits === null || fits === undefined || fits.toFixed(2) === now.toFixed(2)) return null;
  return (
    <Button onClick={() => onTake(fits)}>
      Use the crop factor that fits, {fits.toFixed(2)} (now {now.toFixed(2)})
    </Button>
  );
}
