import Alert from "@mui/material/Alert";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Note } from "../kit/Note";
import { FittedFactor } from "./FittedFactor";
import { waterApi } from "./waterApi";

type Props = {
  gardenId: number;
  bedKey: string;
  /** The bed as it is kept, null while it isn't: what was read is told by it. */
  keptAs: string | null;
  cropFactor: number;
  onCropFactor: (factor: number) => void;
};

/** What the level probe tells. */
export function Told({ gardenId, bedKey, keptAs, cropFactor, onCropFactor }: Props) {
  const told = useQuery({
    queryKey: ["told", gardenId, bedKey, keptAs],
    queryFn: () => waterApi.told(gardenId, bedKey),
    enabled: keptAs !== null,
    placeholderData: (before) => before,
  });
  return (
    <section aria-labelledby="told-title">
      <Typography variant="panelTitle" id="told-title" sx={{ marginBottom: 1.5 }}>
        Level probe
      </Typography>
      {told.data ? (
        <Alert
          data-part="water-told"
          severity={told.data.leaks ? "error" : "info"}
          role={told.data.leaks ? "alert" : "note"}
        >
          {told.data.message}
        </Alert>
      ) : (
        <Note>No probe stands in it yet.</Note>
      )}
      <FittedFactor now={cropFactor} fits={told.data?.crop_factor} onTake={onCropFactor} />
    </section>
  );
}
