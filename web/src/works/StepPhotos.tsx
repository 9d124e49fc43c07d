import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { saidOf } from "../api/client";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { FilePick } from "../theme/controls/FilePick";
import { worksApi } from "./worksApi";

const Picture = styled("img")({
  display: "block",
  height: 96,
  maxWidth: 160,
  objectFit: "cover",
  borderRadius: 4,
});

const MOST_A_STEP = 3;

/** Photographs of a step, up to three. Where they were taken is left out before they are kept. */
export function StepPhotos({ gardenId, step }: { gardenId: number; step: string }) {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ["photos", gardenId] });
  const photos = useQuery({ queryKey: ["photos", gardenId], queryFn: () => worksApi.photos(gardenId) });
  const add = useMutation({
    mutationFn: (file: File) => worksApi.addPhoto(gardenId, step, file),
    onSuccess: again,
  });
  const forget = useMutation({
    mutationFn: (id: number) => worksApi.forgetPhoto(gardenId, id),
    onSuccess: again,
  });
  const mine = photos.data?.filter((photo) => photo.step === step) ?? [];
  const error = add.error ?? forget.error;
  return (
    <div data-part="step-photos">
      <Row>
        {mine.map((photo, index) => (
          <figure key={photo.id}>
            <Picture
              src={`/api/gardens/${gardenId}/works/photos/${photo.id}`}
              alt={`Photograph ${index + 1} of this step`}
              loading="lazy"
            />
            <Button variant="link" onClick={() => forget.mutate(photo.id)}>
              Take out
            </Button>
          </figure>
        ))}
        {mine.length < MOST_A_STEP && (
          <FilePick
            label="A photograph of this step"
            accept="image/jpeg,image/png,image/webp"
            onFile={(file) => add.mutate(file)}
          >
            {add.isPending ? "Keeping the photograph ..." : "Add a photograph"}
          </FilePick>
        )}
      </Row>
      {error && <Problem>{saidOf(error)}</Problem>}
    </div>
  );
}
