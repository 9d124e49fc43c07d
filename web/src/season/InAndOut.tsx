import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { FilePick } from "../theme/controls/FilePick";
import { seasonApi } from "./seasonApi";

const MOST_NAMED = 5;

/** The log as a file, out and in. */
export function InAndOut({ gardenId }: { gardenId: number }) {
  const queries = useQueryClient();
  const bring = useMutation({
    mutationFn: async (file: File) => seasonApi.bringFile(gardenId, await file.text()),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["season", gardenId] });
      void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
    },
  });
  return (
    <section aria-label="The log as a file">
      <Row>
        <Button component="a" href={`/api/gardens/${gardenId}/season.csv`} download>
          Take out as CSV
        </Button>
        <FilePick label="A log as CSV" accept=".csv,text/csv" onFile={(file) => bring.mutate(file)}>
          {bring.isPending ? "Reading ..." : "Bring in CSV"}
        </FilePick>
      </Row>
      {bring.error && <Problem>{saidOf(bring.error)}</Problem>}
      {bring.data && (
        <Note>
          {bring.data.taken} new or changed.
          {bring.data.bad.length > 0 && ` Left out: ${leftOut(bring.data.bad)}`}
        </Note>
      )}
    </section>
  );
}

function leftOut(bad: readonly { line: number; reason: string }[]): string {
  const named = bad.slice(0, MOST_NAMED).map(({ line, reason }) => `line ${line}: ${reason}`);
  const more = bad.length - named.length;
  return [...named, ...(more > 0 ? [`and ${more} more lines`] : [])].join("; ");
}
