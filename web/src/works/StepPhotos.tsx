import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { saidOf } from "../api/client";
import { MOST_PHOTOS, PHOTO_KINDS, Photograph } from "../kit/Photograph";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { smallerPhoto } from "../kit/smallerPhoto";
import { FilePick } from "../theme/controls/FilePick";
import { worksApi } from "./worksApi";

/** Photographs of a step, up to three. Where they were taken is left out before they are kept. */
export function StepPhotos({ gardenId, step }: { gardenId: number; step: string }) {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ["photos", gardenId] });
  const photos = useQuery({ queryKey: ["photos", gardenId], queryFn: () => worksApi.photos(gardenId) });
  const add = useMutation({
    mutationFn: async (file: File) => worksApi.addPhoto(gardenId, step, await smallerPhoto(file)),
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
            <Photograph
              src={`/api/gardens/${gardenId}/works/photos/${photo.id}`}
              alt={`Photograph ${index + 1} of this step`}
              loading="lazy"
            />
            <Button variant="link" onClick={() => forget.mutate(photo.id)}>
              Take out
            </Button>
          </figure>
        ))}
        {mine.length < MOST_PHOTOS && (
          <FilePick
            label="A photograph of this step"
            accept={PHOTO_KINDS}
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
