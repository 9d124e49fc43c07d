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
import { FIRST_BOARDS, FIRST_UNITS, framedWith, unframed } from "./frames";
import { PlanFrom } from "./PlanFrom";
import { SawList } from "./SawList";

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
            <Typography variant="sheetTitle">No frame is said yet</Typography>
            <Note>Boards or bricks make the wall as thick as they are; the bed&apos;s inside follows.</Note>
            <Row>
              <Button variant="contained" onClick={() => edit((now) => framedWith(now, FIRST_BOARDS))}>
                Frame it with boards
              </Button>
              <Button onClick={() => edit((now) => framedWith(now, FIRST_UNITS))}>
                With bricks or blocks
              </Button>
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
            <FrameFields bed={bed} frame={frame} materials={materials} onEdit={edit} />
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
