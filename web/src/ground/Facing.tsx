import { trimmed, typedVolume } from "../quantities/format";
import type { Bed, BedFigures } from "../api/client";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";

type Props = { bed: Bed; figures: BedFigures; onEdit: (change: (bed: Bed) => Bed) => void };
type Faced = NonNullable<Bed["faced"]>;

const FACINGS: readonly (readonly [Faced["with"] | "", string])[] = [
  ["", "nothing"],
  ["pallets", "pallets"],
  ["boards", "boards"],
  ["posts", "posts"],
  ["stone", "stone"],
];

/** What holds a mound's sides, at which angle, and the pockets in it that are planted. */
export function Facing({ bed, figures, onEdit }: Props) {
  const { units } = useShowing();
  const { faced } = bed;
  const { mound } = figures;
  const set = (change: Partial<Faced>) =>
    onEdit((now) => (now.faced ? { ...now, faced: { ...now.faced, ...change } } : now));
  return (
    <Column data-part="facing">
      <Row sx={{ alignItems: "flex-end" }}>
        <Pick
          label="Its sides are faced with"
          options={FACINGS}
          value={faced?.with ?? ""}
          onChoose={(chosen) =>
            onEdit((now) => ({ ...now, faced: chosen ? { ...now.faced, with: chosen } : null }))
          }
        />
        {faced && (
          <>
            <MeasureField
              label="Sides rise at, °"
              limit="facing"
              width="104px"
              placeholder="usual"
              shown={mound ? trimmed(mound.slope_deg, 1) : ""}
              onMeaning={({ values: [slope_deg] }) => set({ slope_deg })}
            />
            <MeasureField
              label="Pockets to plant"
              limit="count"
              width="104px"
              placeholder="none"
              shown={faced.pockets == null ? "" : String(faced.pockets)}
              onMeaning={({ values: [pockets] }) =>
                set({ pockets, pocket_m3: faced.pocket_m3 ?? FIRST_POCKET_M3 })
              }
            />
            {faced.pocket_m3 != null && (
              <MeasureField
                label="Soil in each"
                limit="bag"
                width="96px"
                shown={typedVolume(faced.pocket_m3, units)}
                onMeaning={({ values: [pocket_m3] }) => set({ pocket_m3 })}
              />
            )}
          </>
        )}
      </Row>
      {mound && (
        <Note>
          {faced ? "To be faced: " : "Its sides measure "}
          <Quantity kind="area" value={mound.face_m2} />, rising at {trimmed(mound.slope_deg, 0)}°
          {mound.pockets > 0 && (
            <>
              ; the pockets take <Quantity kind="volume" value={mound.pockets_m3} /> of soil
            </>
          )}
          .
        </Note>
      )}
    </Column>
  );
}

/** A hand's width each way. */
const FIRST_POCKET_M3 = 0.002;
