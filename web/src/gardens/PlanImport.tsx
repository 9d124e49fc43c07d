import Button from "@mui/material/Button";
import { GardenPanel, ImportProblems, ImportReview, ImportRow } from "./gardens.styles";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, saidOf, type GardenHead, type PlanReview } from "../api/client";

const LARGEST_BYTES = 2 * 1024 * 1024;
const KINDS: Record<string, string> = {
  material: "material",
  mix: "mix",
  bed: "bed",
  supplier: "supplier",
  stock: "heaps",
  plot: "plot",
};
const STATES: Record<string, string> = {
  new: "new",
  changed: "changed, yours is replaced",
  same: "as you have it",
};

/** A plan file in: what it would bring or change, or where it is wrong, before anything happens. */
export function PlanImport({ gardens }: { gardens: readonly GardenHead[] }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [target, setTarget] = useState<number | null>(null);
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [tooLarge, setTooLarge] = useState<string | null>(null);
  const preview = useMutation({
    mutationFn: ({ into, text }: { into: number | null; text: string }) => api.previewPlan(into, text),
  });
  const bring = useMutation({
    mutationFn: () => api.importPlan(target, file?.text ?? ""),
    onSuccess: (garden) => {
      queries.clear();
      void navigate(`/garden/${garden.id}/plot`);
    },
  });

  const look = (into: number | null, text: string) => {
    setTarget(into);
    bring.reset();
    if (text) preview.mutate({ into, text });
  };
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    setTooLarge(null);
    preview.reset();
    if (chosen.size > LARGEST_BYTES) {
      setFile(null);
      setTooLarge(`${chosen.name} is over 2 MB, more than a plan file may be.`);
      return;
    }
    const text = await chosen.text();
    setFile({ name: chosen.name, text });
    look(target, text);
  };

  return (
    <GardenPanel variant="outlined" component="section" aria-labelledby="import-title">
      <h2 id="import-title">Bring a plan file in</h2>
      <ImportRow data-part="import-row">
        <label>
          <span>The file, NAME.nolbet.json</span>
          <input
            type="file"
            accept=".json,application/json"
            onChange={(event) => void choose(event.currentTarget.files?.[0])}
          />
        </label>
        <label>
          <span>Bring it</span>
          <select
           
            value={target ?? ""}
            onChange={(event) =>
              look(event.currentTarget.value ? Number(event.currentTarget.value) : null, file?.text ?? "")
            }
          >
            <option value="">as a garden of its own</option>
            {gardens.map((garden) => (
              <option key={garden.id} value={garden.id}>
                into {garden.name}
              </option>
            ))}
          </select>
        </label>
      </ImportRow>
      {tooLarge && <p role="alert">{tooLarge}</p>}
      {(preview.error ?? bring.error) && <p role="alert">{saidOf(preview.error ?? bring.error)}</p>}
      {preview.data && file && (
        <Review
          review={preview.data}
          fileName={file.name}
          busy={bring.isPending}
          onBring={() => bring.mutate()}
        />
      )}
    </GardenPanel>
  );
}

type ReviewProps = { review: PlanReview; fileName: string; busy: boolean; onBring: () => void };

function Review({ review, fileName, busy, onBring }: ReviewProps) {
  const { problems, changes } = review;
  if (problems.length > 0) {
    return (
      <ImportProblems role="alert" data-part="import-problems">
        <p>
          {fileName} can&apos;t be brought in:{" "}
          {problems.length === 1 ? "one thing is" : `${problems.length} things are`} wrong with it. Nothing
          was changed.
        </p>
        <ul>
          {problems.map((problem) => (
            <li key={`${problem.path} ${problem.message}`}>
              {problem.path && <code>{problem.path}</code>} {problem.message}
            </li>
          ))}
        </ul>
      </ImportProblems>
    );
  }
  return (
    <ImportReview data-part="import-review">
      <p>
        {fileName} holds “{review.name}”. It would bring:
      </p>
      <ul>
        {changes.map((change) => (
          <li key={`${change.kind} ${change.key}`} className={`is-${change.state}`}>
            <span>{KINDS[change.kind]}</span>
            <strong>{change.name}</strong>
            <span>{STATES[change.state]}</span>
          </li>
        ))}
        {changes.length === 0 && <li>nothing but the garden&apos;s name</li>}
      </ul>
      <Button variant="contained" disabled={busy} onClick={onBring}>
        Bring it in
      </Button>
    </ImportReview>
  );
}
