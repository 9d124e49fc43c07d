import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { accountApi } from "../account/accountApi";
import { saidOf } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { waterApi, type FeedFault } from "./waterApi";

const SETTINGS = { missing: 0.05, absurd: 0, late_days: 0, leak_m3_day: 0, thirst: 1, seed: 1 };
const MOODS = [
  ["sound", {}],
  ["leaking", { leak_m3_day: 0.003 }],
  ["late", { late_days: 26 }],
  ["absurd", { absurd: 0.15 }],
] as const;

const FAULTS: readonly (readonly [FeedFault, string])[] = [
  ["none", "Ask the simulated feed"],
  ["late", "Late feed"],
  ["missing", "Feed with gaps"],
  ["absurd", "Absurd feed"],
];

/** In the demo alone: the simulated probe and weather feed, and how they are made to misbehave. */
export function StandIns({ gardenId, bedKey }: { gardenId: number; bedKey: string }) {
  const queries = useQueryClient();
  const account = useQuery({ queryKey: ["account"], queryFn: accountApi.account });
  const probe = useMutation({
    mutationFn: (change: Partial<typeof SETTINGS>) =>
      waterApi.setProbe(gardenId, bedKey, { ...SETTINGS, ...change }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["told", gardenId, bedKey] }),
  });
  const feed = useMutation({
    mutationFn: (fault: FeedFault) => waterApi.askFeed(gardenId, fault),
    onSuccess: (now) => {
      queries.setQueryData(["weather", gardenId], now);
      void queries.invalidateQueries({ queryKey: ["water", gardenId] });
      void queries.invalidateQueries({ queryKey: ["told", gardenId] });
    },
  });
  const error = probe.error ?? feed.error;
  if (!account.data?.stand_ins) return null;
  return (
    <Disclosure title="Stand-ins of the demo">
      {() => (
        <>
          <Note sx={{ marginBottom: 2 }}>
            Nothing is connected here: probe and weather are made up, and can be made to misbehave.
          </Note>
          <Row role="group" aria-label="Simulated probe">
            {MOODS.map(([name, change]) => (
              <Button key={name} onClick={() => probe.mutate(change)}>
                {name === "sound" ? "A sound probe" : `Probe: ${name}`}
              </Button>
            ))}
          </Row>
          <Row role="group" aria-label="Simulated weather feed" sx={{ marginTop: 2 }}>
            {FAULTS.map(([fault, name]) => (
              <Button key={fault} onClick={() => feed.mutate(fault)}>
                {name}
              </Button>
            ))}
          </Row>
          {feed.data && (
            <Note role="status">
              {feed.data.taken} days taken{feed.data.bad.length > 0 && `, ${feed.data.bad.length} left out`}
            </Note>
          )}
          {error && <Problem>{saidOf(error)}</Problem>}
        </>
      )}
    </Disclosure>
  );
}
