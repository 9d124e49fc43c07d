import { styled } from "@mui/material/styles";

/** A photograph as it stands in a list. */
export const Photograph = styled("img")({
  display: "block",
  height: 96,
  maxWidth: 160,
  objectFit: "cover",
  borderRadius: 4,
});

/** What photographs may be. */
export const PHOTO_KINDS = "image/jpeg,image/png,image/webp";
/** Photographs of one step, or with one entry. */
export const MOST_PHOTOS = 3;
