import Stack, { type StackProps } from "@mui/material/Stack";

/** Things side by side, going on in a next line where there is no room. */
export function Row(props: StackProps) {
  return (
    <Stack direction="row" useFlexGap spacing={2} sx={{ flexWrap: "wrap", alignItems: "center", ...props.sx }} {...without(props)} />
  );
}

function without({ sx: _sx, ...rest }: StackProps): StackProps {
  return rest;
}
