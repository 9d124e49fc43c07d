import TextField from "@mui/material/TextField";
import { lazy, memo, Suspense } from "react";
import { FINDER_ROOM, type FinderProps } from "./finder";

/** Its list is a large part of the page, and nothing that is looked at first. */
export const fetchFinder = () => import("./FinderField");
const FinderField = lazy(fetchFinder);

/** Finds a material by any of its names. */
export const MaterialFinder = memo(function MaterialFinder(props: FinderProps) {
  const { label, value } = props;
  const waiting = (
    <TextField
      label={label}
      value={value?.name ?? ""}
      sx={FINDER_ROOM}
      slotProps={{ input: { readOnly: true } }}
    />
  );
  return (
    <Suspense fallback={waiting}>
      <FinderField {...props} />
    </Suspense>
  );
});
