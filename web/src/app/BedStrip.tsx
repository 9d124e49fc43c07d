import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";
import type { KeptBed } from "../api/client";
import { BedMark } from "../drawing/BedMark";
import { Sign } from "../drawing/Sign";
import { useSize } from "../kit/useSize";
import { BedStripBox, BedTab, bedTab } from "./shell.styles";

const TAB_PX = 78;

const TabButton = styled(ButtonBase)(bedTab);

type Props = {
  beds: readonly KeptBed[];
  chosen: string | null;
  bedPath: (key: string) => string;
  newPath: string;
  isNew: boolean;
  onFind: () => void;
};

/** As many beds as fit, the chosen one always among them; the rest are in the finder. */
export function BedStrip({ beds, chosen, bedPath, newPath, isNew, onFind }: Props) {
  const [ref, { width }] = useSize<HTMLElement>();
  const room = Math.max(Math.floor(width / TAB_PX) - 1, 1);
  const all = beds.length <= room;
  const shown = all ? beds : withChosen(beds, chosen, Math.max(room - 1, 1));
  // before its width is known nothing is drawn that would move away under a finger a moment later
  if (width === 0) return <BedStripBox ref={ref} aria-label="Beds" data-part="bed-strip" />;
  return (
    <BedStripBox ref={ref} aria-label="Beds" data-part="bed-strip">
      {shown.map(({ key, bed }) => (
        <BedTab key={key} to={bedPath(key)} data-chosen={key === chosen || undefined} title={bed.name ?? key}>
          <BedMark bed={bed} />
          <span>{bed.name}</span>
        </BedTab>
      ))}
      {!all && (
        <TabButton onClick={onFind} aria-haspopup="dialog" data-part="all-beds">
          <Sign name="find" />
          <span>all {beds.length}</span>
        </TabButton>
      )}
      <BedTab to={newPath} data-chosen={isNew || undefined}>
        <Sign name="new" />
        <span>New bed</span>
      </BedTab>
    </BedStripBox>
  );
}

/** The first so many, the chosen one in place of the last where it is not among them. */
export function withChosen(
  beds: readonly KeptBed[],
  chosen: string | null,
  room: number,
): readonly KeptBed[] {
  const first = beds.slice(0, room);
  const wanted = beds.find(({ key }) => key === chosen);
  if (!wanted || first.includes(wanted)) return first;
  return [...first.slice(0, -1), wanted];
}
