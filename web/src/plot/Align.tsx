import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type KeptGarden, type Place, type Schemas } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Pick } from "../theme/controls/Pick";
import type { Chosen } from "./PlotSheet";
import type { PlotWork } from "./usePlot";

type By = Schemas["AskedAlign"]["by"];
type To = { to_bed?: { key: string; index: number }; to_thing?: number; to_side?: number };
type Target = { name: string; to: To; kind: "plot" | "bed" | "line" };

type Props = { garden: KeptGarden; work: PlotWork; chosen: Chosen; onTwin: (place: Place) => void };

const WAYS: Record<Target["kind"], readonly (readonly [By, string])[]> = {
  bed: [
    ["left", "left edges in line"],
    ["right", "right edges in line"],
    ["low", "lower edges in line"],
    ["high", "upper edges in line"],
    ["middle_along", "middles in line, up the plot"],
    ["middle_up", "middles in line, along the plot"],
  ],
  line: [
    ["an_aisle_off", "along it, an aisle off"],
    ["touching", "along it, against it"],
    ["parallel", "turned along it"],
    ["centred", "at the middle of its length"],
  ],
  plot: [],
};
const MIRRORS: Record<Target["kind"], readonly (readonly [By, string])[]> = {
  bed: [
    ["mirror_along", "left to right"],
    ["mirror_up", "up and down"],
  ],
  line: [["mirror", "over it"]],
  plot: [
    ["mirror_along", "left to right"],
    ["mirror_up", "up and down"],
  ],
};

/** Sets the chosen bed in line with another, along a wall or a side, or puts it or a twin where its mirror image is. */
export function Align({ garden, work, chosen, onTwin }: Props) {
  const targets = targetsOf(garden, work, chosen);
  const [at, setAt] = useState(0);
  const target = targets[at] ?? targets[0];
  const ask = useMutation({
    mutationFn: ({ by, to }: { by: By; to: To; twin: boolean }) =>
      api.figureAligned(garden.id, {
        plot: work.state.plot,
        places: { ...work.state.places },
        bed: { key: chosen.key, index: chosen.index },
        by,
        ...to,
      }),
    onSuccess: (place, { twin }) => (twin ? onTwin(place) : work.put(chosen.key, chosen.index, place)),
  });
  if (!target) return null;
  const press = (by: By, twin = false) => ask.mutate({ by, to: target.to, twin });
  return (
    <Disclosure title="In line, or mirrored">
      {() => (
        <Column>
          <Pick
            label="With"
            options={targets.map(({ name }, index) => [String(index), name] as const)}
            value={String(at)}
            onChoose={(index) => setAt(Number(index))}
          />
          <Row>
            {WAYS[target.kind].map(([by, name]) => (
              <Button key={by} disabled={ask.isPending} onClick={() => press(by)}>
                {name}
              </Button>
            ))}
          </Row>
          {MIRRORS[target.kind].map(([by, name]) => (
            <Row key={by}>
              <Note>Mirrored {name}:</Note>
              <Button disabled={ask.isPending} aria-label={`Move it, ${name}`} onClick={() => press(by)}>
                move it
              </Button>
              <Button
                disabled={ask.isPending}
                aria-label={`A twin there, ${name}`}
                onClick={() => press(by, true)}
              >
                a twin there
              </Button>
            </Row>
          ))}
          {ask.error && <Problem>{saidOf(ask.error)}</Problem>}
        </Column>
      )}
    </Disclosure>
  );
}

/** What a bed can be set by: the plot's middle, its sides, walls and fences on it, other beds. */
function targetsOf(garden: KeptGarden, work: PlotWork, chosen: Chosen): Target[] {
  const { plot } = work.state;
  const beds = garden.beds.flatMap(({ key, bed }) => {
    const places = work.placesOf(key);
    return places.flatMap((_, index): Target[] => {
      if (key === chosen.key && index === chosen.index) return [];
      const name = `${bed.name ?? key}${places.length > 1 ? ` ${index + 1}` : ""}`;
      return [{ name, to: { to_bed: { key, index } }, kind: "bed" }];
    });
  });
  const things = (plot.fixed ?? []).flatMap((thing, index): Target[] =>
    thing.line_m ? [{ name: thing.name ?? thing.kind, to: { to_thing: index }, kind: "line" }] : [],
  );
  const sides = plot.corners_m.map((_, index): Target => ({
    name: `side ${index + 1} of the plot`,
    to: { to_side: index },
    kind: "line",
  }));
  return [...beds, ...things, ...sides, { name: "the middle of the plot", to: {}, kind: "plot" }];
}
