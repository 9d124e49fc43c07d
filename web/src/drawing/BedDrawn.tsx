import { styled } from "@mui/material/styles";
import { useQuery } from "@tanstack/react-query";
import { api, type Bed, type Material } from "../api/client";
import { SmallSection, smallScale } from "./SmallSection";

type Props = {
  gardenId: number;
  bed: Bed;
  /** What the drawing is of, for the cache: a version never changes. */
  name: string;
  materials: ReadonlyMap<string, Material>;
  width: number;
  height: number;
};

const BedDrawnBox = styled("span")({ display: "flex", alignItems: "flex-end", justifyContent: "center" });

/** A bed that isn't the kept one (a version, another's save, one in the bin), drawn by its own figures. */
export function BedDrawn({ gardenId, bed, name, materials, width, height }: Props) {
  const figured = useQuery({
    queryKey: ["drawn", gardenId, name],
    queryFn: ({ signal }) => api.figureBed(gardenId, bed, signal),
  });
  const figures = figured.data;
  if (!figures) return <BedDrawnBox data-part="bed-drawn" style={{ width, height }} />;
  const scale = smallScale(figures, width, height - 6);
  return (
    <BedDrawnBox data-part="bed-drawn" style={{ width, height }}>
      <SmallSection figures={figures} materials={materials} scale={scale} />
    </BedDrawnBox>
  );
}
