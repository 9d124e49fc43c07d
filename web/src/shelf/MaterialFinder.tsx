import TextField from "@mui/material/TextField";
import { memo, useEffect, useState, type ComponentType } from "react";
import { FINDER_ROOM, type FinderProps } from "./finder";

/** Its list is a large part of the page, and nothing that is looked at first. */
let FinderField: ComponentType<FinderProps> | null = null;

export async function fetchFinder(): Promise<void> {
  FinderField ??= (await import("./FinderField")).default;
}

/** Finds a material by any of its names. */
export const MaterialFinder = memo(function MaterialFinder(props: FinderProps) {
  const [Field, setField] = useState(() => FinderField);
  const [wanted, setWanted] = useState(props.autoFocus);
  const fetch = () =>
    fetchFinder().then(
      () => setField(() => FinderField),
      // without a connection the field stands and waits until it is asked for again
      () => undefined,
    );
  useEffect(() => {
    if (!Field) void fetch();
  }, [Field]);
  if (Field) return <Field {...props} autoFocus={wanted} />;
  return (
    <TextField
      label={props.label}
      value={props.value?.name ?? ""}
      placeholder="its list is on its way"
      sx={FINDER_ROOM}
      onFocus={() => {
        setWanted(true);
        void fetch();
      }}
      slotProps={{ input: { readOnly: true } }}
    />
  );
});
