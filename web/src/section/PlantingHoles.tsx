import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { api, type Bed, type BedFigures } from "../api/client";
import { Group } from "../kit/Group";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { showHeld } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import type { BedEdit } from "./BedHead";

type Props = { gardenId: number; bed: Bed; figures: BedFigures; onEdit: BedEdit };
type Holes = NonNullable<Bed["holes"]>;

const FIRST: Holes = { material: "compost", count: 6, each_m3: 0.002 };

/** A scoop of a mix for each planting hole, bought beside what fills the bed. */
export function PlantingHoles({ gardenId, bed, figures, onEdit }: Props) {
  const { units } = useShowing();
  const shelf = useQuery({ queryKey: ["shelf", gardenId, ""], queryFn: () => api.shelf(gardenId) });
  const { holes } = bed;
  const change = (changed: Partial<Holes>) =>
    onEdit((now) => ({ ...now, holes: { ...FIRST, ...now.holes, ...changed } }));
  if (!holes)
    return (
      <Row>
        <Button onClick={() => change({})}>Planting holes get a scoop each</Button>
      </Row>
    );
  const taken = figures.holes;
  return (
    <Group label="A scoop for each planting hole">
      <MaterialFinder
        key={holes.material}
        gardenId={gardenId}
        label="Of"
        value={shelf.data?.find(({ key }) => key === holes.material) ?? null}
        suits={({ is_sheet, grain }) => !is_sheet && grain === "fine"}
        onChoose={({ key }) => change({ material: key })}
      />
      <MeasureField
        label="Holes"
        limit="count"
        width="70px"
        shown={holes.count == null ? "" : String(holes.count)}
        placeholder={figures.holes ? String(figures.holes.count) : undefined}
        onMeaning={({ values: [count] }) => count !== undefined && change({ count })}
      />
      <MeasureField
        label="One scoop"
        limit="bag"
        width="96px"
        shown={showHeld(holes.each_m3, units)}
        onMeaning={({ values: [each_m3] }) => each_m3 !== undefined && change({ each_m3 })}
      />
      {holes.count != null && (bed.crops?.length ?? 0) > 0 && (
        <Button onClick={() => change({ count: null })}>As many as are planted</Button>
      )}
      <Button onClick={() => onEdit((now) => ({ ...now, holes: null }))}>None</Button>
      {taken && (
        <Note sx={{ flexBasis: "100%" }}>
          <Quantity kind="volume" value={taken.loose_m3} /> loose,{" "}
          <Quantity kind="mass" value={taken.mass_kg} />
          {figures.count > 1 && ", each bed"}. It is bought beside what fills the bed.
        </Note>
      )}
    </Group>
  );
}
