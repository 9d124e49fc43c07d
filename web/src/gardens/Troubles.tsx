import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import Alert from "@mui/material/Alert";
import Typography from "@mui/material/Typography";
import { Column, Row } from "../kit/Row";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, saidOf, type Trouble } from "../api/client";

type Props = { gardenId: number; troubles: readonly Trouble[]; bedPath: (key: string) => string };

/** What of a garden can't be read or doesn't hold together, why, and what can be done about it. */
export function Troubles({ gardenId, troubles, bedPath }: Props) {
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: (key: string) => api.deleteBed(gardenId, key),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["garden", gardenId] });
      void queries.invalidateQueries({ queryKey: ["bin", gardenId] });
    },
  });
  if (troubles.length === 0) return null;
  return (
    <Alert
      severity="error"
      role="region"
      data-part="troubles"
      aria-labelledby="troubles-title"
      sx={{ margin: "14px 20px" }}
    >
      <Typography variant="panelTitle" id="troubles-title">
        Left out of all figures
      </Typography>
      <Column as="ul">
        {troubles.map((trouble) => (
          <li key={`${trouble.kind} ${trouble.key}`}>
            <p>
              <strong>{trouble.name}</strong> {SAID[trouble.kind]}{" "}
              {trouble.readable ? "doesn’t hold together" : "can’t be read"}: {trouble.reason}
            </p>
            <Row>
              {trouble.kind === "bed" && trouble.readable && (
                <Button component={Link} to={bedPath(trouble.key)}>
                  Open it
                </Button>
              )}
              <Button
                component="a"

                href={`/api/gardens/${gardenId}/${rawOf(trouble)}`}
                download
              >
                Take out its file
              </Button>
              {trouble.kind === "bed" && (
                <Button
                  variant="text"
                  color="primary"

                  onClick={() => remove.mutate(trouble.key)}
                >
                  To the bin
                </Button>
              )}
            </Row>
          </li>
        ))}
      </Column>
      {remove.error && <Problem>{saidOf(remove.error)}</Problem>}
    </Alert>
  );
}

/** Where the raw file of what can't be read lies, below its garden. */
function rawOf({ kind, key }: Trouble): string {
  return RAW[kind] ? `${RAW[kind]}/${key}/raw` : "raw";
}

const RAW: Partial<Record<Trouble["kind"], string>> = { bed: "beds", mix: "mixes", material: "materials" };

const SAID: Record<Trouble["kind"], string> = {
  bed: "",
  mix: "(a mix)",
  material: "(a material of yours)",
  plot: "",
  head: "",
};
