import { styled } from "@mui/material/styles";

const Gate = styled("svg")(({ theme }) => ({
  verticalAlign: "-3px",
  marginRight: 6,
  fill: "none",
  strokeWidth: 1.8,
  stroke: theme.vars.palette.iron,
  "&[data-passed=true]": { stroke: theme.vars.palette.moss },
}));

/** A hold point: a gate that is shut until it is answered, and stands open once it is passed. */
export function GateSign({ passed }: { passed: boolean | null }) {
  const said = passed ? "Passed" : passed === false ? "Not yet" : "To be answered";
  return (
    <Gate
      width="18"
      height="16"
      viewBox="0 0 18 16"
      role="img"
      aria-label={said}
      data-passed={passed === true}
    >
      <path d={passed ? "M2 2v12M16 2v12M2 4l6 2v6l-6 2" : "M2 2v12M16 2v12M2 5h14M2 11h14M2 11L16 5"} />
    </Gate>
  );
}
