import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { importArchive } from "./archiveApi";
import { FilePick } from "../theme/controls/FilePick";

/** An archive in: a garden of its own with its log, weather and photographs, all of it or nothing. */
export function ArchiveImport() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const bring = useMutation({
    mutationFn: importArchive,
    onSuccess: (garden) => {
      queries.clear();
      void navigate(`/garden/${garden.id}/plot`);
    },
  });
  return (
    <Sheet component="section" aria-labelledby="archive-title">
      <Typography variant="sheetTitle" id="archive-title">
        Bring an archive in
      </Typography>
      <Row sx={{ marginTop: 2 }}>
        <FilePick
          label="The archive, NAME.nolbet.zip"
          accept=".zip,application/zip"
          onFile={(file) => bring.mutate(file)}
        >
          {bring.isPending ? "Bringing it in ..." : "Choose the archive, NAME.nolbet.zip"}
        </FilePick>
        <Note>It becomes a garden of its own, with its log, its weather and its photographs.</Note>
      </Row>
      {bring.error && <Problem>{saidOf(bring.error)}</Problem>}
    </Sheet>
  );
}
