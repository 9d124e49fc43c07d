import type { Bed } from "../api/client";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import Button from "@mui/material/Button";
import { MeasureField } from "../quantities/MeasureField";
import { showLength } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { AddCrop } from "./AddCrop";
import { CropLine } from "./CropLine";
import { NeighbourViews } from "./NeighbourViews";
import { OwnCropForm } from "./OwnCropForm";
import type { BedCrop, CropInBed, CropOnShelf } from "./plantingApi";

type Props = {
  gardenId: number;
  bed: Bed;
  told: readonly CropInBed[] | null;
  shelf: readonly CropOnShelf[] | null;
  chosen: number | null;
  fills: number | null;
  onChoose: (place: number) => void;
  onFill: (place: number) => void;
  onChange: (place: number, part: Partial<BedCrop>) => void;
  onPut: (crops: readonly BedCrop[]) => void;
  onLimit: (height_limit_m: number | null) => void;
};

/** The bed's crops, one card each, with what may be added to them. */
export function CropList({ gardenId, bed, told, shelf, onPut, ...rest }: Props) {
  const crops = bed.crops ?? [];
  const here = shelf?.filter(({ key }) => crops.some(({ crop }) => crop === key)) ?? [];
  return (
    <>
      {shelf && <AddCrop crops={shelf} onAdd={({ key }) => onPut([...crops, { crop: key }])} />}
      {told?.map((one, place) => {
        const asked = crops[place];
        if (!asked || asked.crop !== one.crop) return null;
        return (
          <CropLine
            key={`${one.crop} ${place}`}
            place={place}
            asked={asked}
            told={one}
            chosen={rest.chosen === place}
            filling={rest.fills === place}
            hasPockets={bed.faced?.pocket_m3 != null}
            onChoose={() => rest.onChoose(place)}
            onFill={() => rest.onFill(place)}
            onChange={(part) => rest.onChange(place, part)}
            onRemove={() => onPut(crops.filter((_, index) => index !== place))}
          />
        );
      })}
      <ViewKept bed={bed} onLimit={rest.onLimit} />
      {shelf && (
        <>
          <Disclosure title="Neighbours">
            {() => <NeighbourViews gardenId={gardenId} crops={here} />}
          </Disclosure>
          <Disclosure title="Crops of my own">
            {() => <OwnCropForm gardenId={gardenId} crops={shelf} growing={crops.map(({ crop }) => crop)} />}
          </Disclosure>
        </>
      )}
      <Note>
        Depths, factors and stages of growth by FAO-56 where it lists a crop, else estimates; spacings and
        yields are estimates.
      </Note>
    </>
  );
}

/** How high things may grow, where a view is kept open over the bed. */
function ViewKept({ bed, onLimit }: Pick<Props, "bed" | "onLimit">) {
  const { units } = useShowing();
  return (
    <Row sx={{ alignItems: "flex-end" }}>
      <MeasureField
        label="Keep the view open over"
        limit="length"
        width="150px"
        shown={bed.height_limit_m == null ? "" : showLength(bed.height_limit_m, units)}
        placeholder="any height"
        onMeaning={({ values: [height_m] }) => height_m !== undefined && onLimit(height_m)}
      />
      {bed.height_limit_m != null && <Button onClick={() => onLimit(null)}>Any height</Button>}
    </Row>
  );
}
