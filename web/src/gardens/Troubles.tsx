import Button from "@mui/material/Button";
import { TroubleActions, TroublesBox } from "./troubles.styles";
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
    <TroublesBox data-part="troubles" aria-labelledby="troubles-title">
      <h2 id="troubles-title">Left out of all figures</h2>
      <ul>
        {troubles.map((trouble) => (
          <li key={`${trouble.kind} ${trouble.key}`}>
            <p>
              <strong>{trouble.name}</strong> {SAID[trouble.kind]}{" "}
              {trouble.readable ? "doesn’t hold together" : "can’t be read"}: {trouble.reason}
            </p>
            <TroubleActions>
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
            </TroubleActions>
          </li>
        ))}
      </ul>
      {remove.error && <p role="alert">{saidOf(remove.error)}</p>}
    </TroublesBox>
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
