import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import { WaterFields, WaterTold } from "./water.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { FittedFactor } from "./FittedFactor";
import { waterApi } from "./waterApi";

type Props = {
  gardenId: number;
  bedKey: string;
  /** The bed as it is kept, null while it isn't: what was read is told by it. */
  keptAs: string | null;
  cropFactor: number;
  onCropFactor: (factor: number) => void;
};

const SETTINGS = { missing: 0.05, absurd: 0, late_days: 0, leak_m3_day: 0, thirst: 1, seed: 1 };
const MOODS = [
  ["sound", {}],
  ["leaking", { leak_m3_day: 0.003 }],
  ["late", { late_days: 26 }],
  ["absurd", { absurd: 0.15 }],
] as const;

/** What the level probe tells. The one that ships is simulated, and can be made to misbehave. */
export function Told({ gardenId, bedKey, keptAs, cropFactor, onCropFactor }: Props) {
  const queries = useQueryClient();
  const told = useQuery({
    queryKey: ["told", gardenId, bedKey, keptAs],
    queryFn: () => waterApi.told(gardenId, bedKey),
    enabled: keptAs !== null,
    placeholderData: (before) => before,
  });
  const set = useMutation({
    mutationFn: (change: Partial<typeof SETTINGS>) =>
      waterApi.setProbe(gardenId, bedKey, { ...SETTINGS, ...change }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["told", gardenId, bedKey] }),
  });
  return (
    <section aria-labelledby="told-title">
      <h2 id="told-title">Level probe</h2>
      {told.data ? (
        <WaterTold
          data-leak={told.data.leaks || undefined}
          data-part="water-told"
          role={told.data.leaks ? "alert" : undefined}
        >
          {told.data.message}
        </WaterTold>
      ) : (
        <Note>No probe stands in it yet.</Note>
      )}
      <FittedFactor now={cropFactor} fits={told.data?.crop_factor} onTake={onCropFactor} />
      <WaterFields role="group" aria-label="Simulated probe">
        {MOODS.map(([name, change]) => (
          <Button key={name} onClick={() => set.mutate(change)}>
            {told.data || name !== "sound" ? `Simulate ${name}` : "Put a simulated probe in"}
          </Button>
        ))}
      </WaterFields>
    </section>
  );
}
