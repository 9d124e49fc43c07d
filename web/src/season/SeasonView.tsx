import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { api, type KeptGarden, type Material } from "../api/client";
import { Note } from "../kit/Note";
import { Aside, View, ViewHead, Work } from "../kit/View";
import { Pick } from "../theme/controls/Pick";
import { Entries } from "./Entries";
import { InAndOut } from "./InAndOut";
import { useOutbox } from "./outbox";
import { SurfaceLine } from "./SurfaceLine";
import { WriteDown } from "./WriteDown";

/** Where all stands under each other, the hand finds what it writes with first. */
const FIRST_IN_ONE_COLUMN = { "@media (max-width: 1100px)": { order: -1 } } as const;

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material> };

/** What was seen and done, written down with one hand; what a bed's readings say of how it sinks. */
export default function SeasonView({ garden, materials }: Props) {
  const queries = useQueryClient();
  const [picked, setPicked] = useState<string>("");
  const arrived = useCallback(() => {
    void queries.invalidateQueries({ queryKey: ["season", garden.id] });
    void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
  }, [queries, garden.id]);
  const waiting = useOutbox(garden.id, arrived);
  const figures = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const filled = figures.data?.figures.beds.find(({ state }) => state === "filled")?.key;
  const bedNames = useMemo(
    () => new Map(garden.beds.map(({ key, bed }) => [key, bed.name ?? key])),
    [garden.beds],
  );
  const bed = garden.beds.find(({ key }) => key === picked);
  const drawn = bed ?? garden.beds.find(({ key }) => key === filled) ?? garden.beds[0];
  return (
    <View>
      <Work>
        <ViewHead>
          <Typography variant="view">Season</Typography>
          <Pick
            label="Shown"
            hideLabel
            options={[["", "All beds"], ...bedNames]}
            value={picked}
            onChoose={setPicked}
          />
        </ViewHead>
        {waiting.length > 0 && (
          <Note role="status">
            {waiting.length === 1 ? "1 entry is" : `${waiting.length} entries are`} on the way.
          </Note>
        )}
        {drawn && (figures.data || bed) && <SurfaceLine key={drawn.key} gardenId={garden.id} kept={drawn} />}
        <Entries
          garden={garden}
          bedKey={picked || null}
          bedNames={bedNames}
          materials={materials}
          waiting={waiting}
        />
      </Work>
      <Aside component="aside" aria-label="To write down" sx={FIRST_IN_ONE_COLUMN}>
        <WriteDown
          key={picked}
          garden={garden}
          materials={materials}
          bedKey={picked || null}
          first={drawn?.key}
        />
        <InAndOut gardenId={garden.id} />
      </Aside>
    </View>
  );
}
