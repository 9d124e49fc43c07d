import Button from "@mui/material/Button";
import { Link } from "react-router";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";

const THINGS = [
  ["stump", "A stump"],
  ["service", "A pipe or cable"],
] as const;

/** What was met while digging goes onto the plot, where every later bed minds it. */
export function FoundInTheGround({ gardenId }: { gardenId: number }) {
  return (
    <Row>
      <Note component="span">Met something in the ground? Mark it on the plot:</Note>
      {THINGS.map(([kind, name]) => (
        <Button key={kind} variant="link" component={Link} to={`/garden/${gardenId}/plot?found=${kind}`}>
          {name}
        </Button>
      ))}
    </Row>
  );
}
