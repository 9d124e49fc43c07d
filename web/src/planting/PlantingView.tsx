import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Bed, KeptBed, Material } from "../api/client";
import { useSaveState } from "../draft/SaveStateContext";
import { useBedDraft } from "../draft/useBedDraft";
import { Note } from "../kit/Note";
import { PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Aside, View, ViewHead, Work } from "../kit/View";
import { SCREEN_ONLY } from "../theme/sizes";
import { AddCrop } from "./AddCrop";
import { BedPlanted } from "./BedPlanted";
import { CropLine } from "./CropLine";
import { plantingApi, type BedCrop } from "./plantingApi";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

/** What grows in the bed: drawn from above to scale, and for each crop whether the bed suits it, and when. */
export default function PlantingView({ gardenId, kept, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const { bed, figures, problem } = state;
  useSaveState(state.save);
  const shelf = useQuery({ queryKey: ["crops", gardenId], queryFn: () => plantingApi.crops(gardenId) });
  const crops = bed.crops ?? [];
  const put = (next: readonly BedCrop[]) => draft.edit((now: Bed) => ({ ...now, crops: [...next] }), null);
  const change = (place: number, part: Partial<BedCrop>) =>
    put(crops.map((each, index) => (index === place ? { ...each, ...part } : each)));
  return (
    <View data-part="planting-view">
      <Work>
        <ViewHead>
          <Typography variant="view">{bed.name}: planting</Typography>
          <Button component={Link} to={back} sx={SCREEN_ONLY}>
            Section
          </Button>
          <Button disabled={!state.canUndo} sx={SCREEN_ONLY} onClick={() => draft.undo()}>
            Undo
          </Button>
        </ViewHead>
        {problem && <Problem>{problem.detail} Nothing of this is saved yet.</Problem>}
        {figures ? (
          <BedPlanted figures={figures} />
        ) : (
          !problem && <PageWait saying="Looking at the bed ..." />
        )}
        {crops.length === 0 && (
          <Note>
            Nothing is planted here yet. Each crop is held against how deep roots go in this fill, what it
            still waits for, and your frosts.
          </Note>
        )}
      </Work>
      <Aside
        component="aside"
        aria-label="What grows here"
        sx={{ display: "grid", gap: 2, alignContent: "start" }}
      >
        {shelf.data && <AddCrop crops={shelf.data} onAdd={({ key }) => put([...crops, { crop: key }])} />}
        {figures?.planting.length === crops.length &&
          figures.planting.map((told, place) => {
            const asked = crops[place];
            if (!asked || asked.crop !== told.crop) return null;
            return (
              <CropLine
                key={`${told.crop} ${place}`}
                place={place}
                asked={asked}
                told={told}
                onChange={(part) => change(place, part)}
                onRemove={() => put(crops.filter((_, index) => index !== place))}
              />
            );
          })}
        <Note>
          Depths, factors and stages of growth by FAO-56 where it lists a crop, else estimates; spacings and
          yields are estimates.
        </Note>
      </Aside>
    </View>
  );
}
