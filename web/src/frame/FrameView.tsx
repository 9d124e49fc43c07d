import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Bed, KeptBed, Material } from "../api/client";
import { withSeen } from "../draft/edits";
import { useSaveState } from "../draft/SaveStateContext";
import { BedViewHead } from "../draft/BedViewHead";
import { useBedDraft } from "../draft/useBedDraft";
import { Findings } from "../findings/Findings";
import { Note } from "../kit/Note";
import { PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { Aside, View, Work } from "../kit/View";
import { SCREEN_ONLY } from "../theme/sizes";
import { FrameDrawing } from "./FrameDrawing";
import { FrameFields } from "./FrameFields";
import { FrameTally } from "./FrameTally";
import { FRAME_NAMES, firstFrames, framedWith, unframed } from "./frames";
import { PlanFrom } from "./PlanFrom";
import { SawList } from "./SawList";

/** How many kinds of frame have a button of their own before one is chosen. */
const FIRST_SHOWN = 3;

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

/** What holds the bed: its boards or units with their true sizes, how they are joined, and what is cut from what. */
export default function FrameView({ gardenId, kept, materials, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const { bed, figures, problem } = state;
  useSaveState(state.save);
  const edit = (change: (now: Bed) => Bed, gesture: string | null = null) => draft.edit(change, gesture);
  const { frame } = bed;
  return (
    <View data-part="frame-view">
      <Work>
        <BedViewHead
          title={`${bed.name}: frame`}
          back={back}
          canUndo={state.canUndo}
          onUndo={() => draft.undo()}
        />
        {problem && (
          <Problem>{problem.detail} The figures are those from before; nothing of this is saved yet.</Problem>
        )}
        {!figures && !problem && <PageWait saying="Measuring the bed ..." />}
        {frame == null ? (
          <Sheet>
            <Typography variant="sheetTitle">No frame yet</Typography>
            {figures && firstFrames(figures).length === 0 ? (
              <Note>
                Nothing has to hold this shape. Boards, stone or pallets can face a mound, under Layers.
              </Note>
            ) : (
              <Note>The frame sets the thickness of the wall. The inside of the bed follows.</Note>
            )}
            <Row>
              {firstFrames(figures)
                .slice(0, FIRST_SHOWN)
                .map((first, index) => (
                  <Button
                    key={first.kind}
                    variant={index === 0 ? "contained" : "text"}
                    onClick={() => edit((now) => framedWith(now, first))}
                  >
                    {FRAME_NAMES[first.kind]}
                  </Button>
                ))}
            </Row>
          </Sheet>
        ) : (
          <>
            {figures?.frame && (
              <FrameDrawing
                bed={bed}
                figures={figures}
                frame={figures.frame}
                legs={frame.legs}
                onEdit={edit}
              />
            )}
            {figures?.frame && figures.section.form !== "spiral" && (
              <PlanFrom frame={figures.frame} rim_m={figures.rim_m} bed={bed} onEdit={edit} />
            )}
            <FrameFields bed={bed} frame={frame} figures={figures} materials={materials} onEdit={edit} />
            <Row sx={SCREEN_ONLY}>
              <Button onClick={() => edit((now) => unframed(now, figures?.frame?.thickness_m ?? null))}>
                Take the frame away
              </Button>
            </Row>
          </>
        )}
        <SawList gardenId={gardenId} saved={state.save.state === "saved"} />
      </Work>
      {figures?.frame && (
        <Aside variant="outlined" component="aside" data-part="frame-aside" aria-label="What it takes">
          <FrameTally frame={figures.frame} />
          <Findings
            findings={figures.findings.filter(({ views }) => views.includes("frame"))}
            onMend={(finding) => draft.mend(finding)}
            onSeen={(code, reason) => edit((now) => withSeen(now, code, reason))}
          />
        </Aside>
      )}
    </View>
  );
}
