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
        <p
          className={`water-told ${told.data.leaks ? "is-leak" : ""}`}
          role={told.data.leaks ? "alert" : undefined}
        >
          {told.data.message}
        </p>
      ) : (
        <p className="panel-note">No probe stands in it yet.</p>
      )}
      <FittedFactor now={cropFactor} fits={told.data?.crop_factor} onTake={onCropFactor} />
      <div className="water-fields" role="group" aria-label="Simulated probe">
        {MOODS.map(([name, change]) => (
          <button key={name} type="button" className="text-button" onClick={() => set.mutate(change)}>
            {told.data || name !== "sound" ? `Simulate ${name}` : "Put a simulated probe in"}
          </button>
        ))}
      </div>
    </section>
  );
}
