import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { ViewHead } from "../kit/View";
import { SCREEN_ONLY } from "../theme/sizes";

type Props = {
  title: string;
  /** Where its section is. */
  back: string;
  canUndo: boolean;
  onUndo: () => void;
  /** What else can be done, before the way back. */
  children?: ReactNode;
};

/** The heading of a view of a bed beside its section. */
export function BedViewHead({ title, back, canUndo, onUndo, children }: Props) {
  return (
    <ViewHead>
      <Typography variant="view">{title}</Typography>
      {children}
      <Button component={Link} to={back} sx={SCREEN_ONLY}>
        Section
      </Button>
      <Button disabled={!canUndo} sx={SCREEN_ONLY} onClick={onUndo}>
        Undo
      </Button>
    </ViewHead>
  );
}
