import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import { RuledList } from "../kit/RuledList";
import Alert from "@mui/material/Alert";
import Typography from "@mui/material/Typography";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { FilePick } from "../theme/controls/FilePick";
import { Pick } from "../theme/controls/Pick";
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
  const choose = async (chosen: File) => {
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
    <Sheet
      component="section"
      aria-labelledby="import-title"
      sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 3 }}
    >
      <Typography variant="sheetTitle" id="import-title">
        Bring a plan file in
      </Typography>
      <Row data-part="import-row" sx={{ alignItems: "flex-end" }}>
        <FilePick
          label="The file, NAME.nolbet.json"
          accept=".json,application/json"
          onFile={(chosen) => void choose(chosen)}
        >
          {file ? file.name : "Choose the file, NAME.nolbet.json"}
        </FilePick>
        <Pick<string>
          label="Bring it"
          options={[
            ["", "as a garden of its own"],
            ...gardens.map((garden) => [String(garden.id), `into ${garden.name}`] as const),
          ]}
          value={target === null ? "" : String(target)}
          onChoose={(chosen) => look(chosen ? Number(chosen) : null, file?.text ?? "")}
        />
      </Row>
      {tooLarge && <Problem>{tooLarge}</Problem>}
      {(preview.error ?? bring.error) && <Problem>{saidOf(preview.error ?? bring.error)}</Problem>}
      {preview.data && file && (
        <Review
          review={preview.data}
          fileName={file.name}
          busy={bring.isPending}
          onBring={() => bring.mutate()}
        />
      )}
    </Sheet>
  );
}

type ReviewProps = { review: PlanReview; fileName: string; busy: boolean; onBring: () => void };

function Review({ review, fileName, busy, onBring }: ReviewProps) {
  const { problems, changes } = review;
  if (problems.length > 0) {
    return (
      <Alert severity="error" role="alert" data-part="import-problems">
        <p>
          {fileName} can&apos;t be brought in:{" "}
          {problems.length === 1 ? "one thing is" : `${problems.length} things are`} wrong with it. Nothing
          was changed.
        </p>
        <RuledList>
          {problems.map((problem) => (
            <li key={`${problem.path} ${problem.message}`}>
              {problem.path && <code>{problem.path}</code>} {problem.message}
            </li>
          ))}
        </RuledList>
      </Alert>
    );
  }
  return (
    <div data-part="import-review">
      <p>
        {fileName} holds “{review.name}”. It would bring:
      </p>
      <RuledList>
        {changes.map((change) => (
          <li key={`${change.kind} ${change.key}`} data-state={change.state}>
            <span>{KINDS[change.kind]}</span>
            <Typography variant="strong">{change.name}</Typography>
            <span>{STATES[change.state]}</span>
          </li>
        ))}
        {changes.length === 0 && <li>nothing but the garden&apos;s name</li>}
      </RuledList>
      <Button variant="contained" disabled={busy} onClick={onBring}>
        Bring it in
      </Button>
    </div>
  );
}
