import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type BedFigures, type Material } from "../api/client";
import { BedMark } from "../drawing/BedMark";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";

type Props = {
  gardenId: number;
  figures: BedFigures | null;
  materials: ReadonlyMap<string, Material>;
  onMake: () => void;
};

const DRAWN = { width: 520, height: 300 };

/** A bed that keeps no water yet: what one would be, and which of the garden's beds are. */
export function NoReservoir({ gardenId, figures, materials, onMake }: Props) {
  const garden = useQuery({ queryKey: ["garden", gardenId], queryFn: () => api.garden(gardenId) });
  const wicking = garden.data?.beds.filter(({ bed }) => bed.reservoir != null) ?? [];
  return (
    <Sheet
      data-part="water-start"
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr)",
        gap: 4,
        maxWidth: 760,
        "& > svg": { maxWidth: "100%", height: "auto" },
      }}
    >
      <Typography>
        This bed has no reservoir. A wicking bed keeps its water under the soil: coarse stone over a liner, an
        overflow, and soil that draws the water up. It asks for a wall that holds the weight, a liner without
        a hole and at least a hand&apos;s depth of soil over the stone.
      </Typography>
      {figures && (
        <SmallSection
          figures={figures}
          materials={materials}
          scale={smallScale(figures, DRAWN.width, DRAWN.height)}
        />
      )}
      <Row>
        <Button variant="contained" disabled={!figures?.first_reservoir} onClick={onMake}>
          Make it a wicking bed
        </Button>
        <Note>Undo brings the bed back as it is now.</Note>
      </Row>
      {wicking.length > 0 && (
        <Row>
          <Note>Beds with a reservoir:</Note>
          {wicking.map(({ key, bed }) => (
            <Button
              key={key}
              component={Link}
              to={`/garden/${gardenId}/water/bed/${key}`}
              startIcon={<BedMark bed={bed} />}
            >
              {bed.name}
            </Button>
          ))}
        </Row>
      )}
    </Sheet>
  );
}
