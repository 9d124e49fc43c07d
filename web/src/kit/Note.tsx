import Typography, { type TypographyProps } from "@mui/material/Typography";

/** A quiet sentence beside what it is about. */
export function Note(props: TypographyProps) {
  return <Typography variant="note" {...props} />;
}
