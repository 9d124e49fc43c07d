import type { Bed, BedFigures } from "../api/client";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { typedLength, typedLoad } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { OntoHeap } from "./OntoHeap";

type Props = {
  gardenId: number;
  bed: Bed;
  figures: BedFigures;
  onEdit: (change: (bed: Bed) => Bed) => void;
};
type Stand = NonNullable<Bed["stand"]>;
type On = Stand["on"] | "ground";

const ON: readonly (readonly [On, string])[] = [
  ["ground", "open ground"],
  ["lawn", "lawn"],
  ["bare_soil", "bare soil"],
  ["compacted", "compacted ground or clay"],
  ["gravel", "gravel"],
  ["paving", "paving"],
  ["blocks", "blocks or trestles"],
  ["legs", "legs"],
  ["deck", "a deck"],
  ["balcony", "a balcony"],
  ["roof", "a roof"],
];
const TURF = [
  ["left", "left"],
  ["stripped", "stripped"],
  ["turned", "turned over"],
] as const;
const DUG: readonly On[] = ["lawn", "bare_soil", "compacted", "ground"];
const HIGH: readonly On[] = ["blocks", "legs"];
const BEARS: readonly On[] = ["legs", "deck", "balcony", "roof"];

/** What the bed stands on, and what is done to the ground before it is filled. */
export function StandsOn({ gardenId, bed, figures, onEdit }: Props) {
  const { units } = useShowing();
  const on: On = bed.stand?.on ?? "ground";
  const set = (change: Partial<Stand>) =>
    onEdit((now) => (now.stand ? { ...now, stand: { ...now.stand, ...change } } : now));
  const measure = (label: string, value: number | null | undefined, take: (value: number | null) => void) => (
    <MeasureField
      label={label}
      limit="offset"
      width="110px"
      placeholder="not said"
      shown={value == null ? "" : typedLength(value, units)}
      onMeaning={({ values: [read] }) => take(read ?? null)}
    />
  );
  return (
    <Column data-part="stands-on">
      <Row sx={{ alignItems: "flex-end" }}>
        <Pick
          label="It stands on"
          options={ON}
          value={on}
          onChoose={(chosen) => onEdit((now) => standingOn(now, chosen))}
        />
        {on === "lawn" && (
          <Choice
            label="The turf is"
            shown
            options={TURF}
            value={bed.turf ?? "left"}
            onChoose={(turf) => onEdit((now) => ({ ...now, turf }))}
          />
        )}
        {HIGH.includes(on) && measure("So high", bed.stand?.height_m, (height_m) => set({ height_m }))}
        {on === "legs" && (
          <MeasureField
            label="Legs"
            limit="count"
            width="72px"
            shown={bed.stand?.legs == null ? "" : String(bed.stand.legs)}
            onMeaning={({ values: [legs] }) => set({ legs })}
          />
        )}
        {BEARS.includes(on) && (
          <MeasureField
            label={units === "ft_in" ? "May bear, a sq ft" : "May bear, a m²"}
            limit="bears"
            width="118px"
            placeholder="not known"
            shown={bed.stand?.limit_kg_m2 == null ? "" : typedLoad(bed.stand.limit_kg_m2, units)}
            onMeaning={({ values: [limit_kg_m2] }) => set({ limit_kg_m2 })}
          />
        )}
        {on !== "ground" &&
          DUG.includes(on) &&
          measure("Loosened below", bed.dug_m, (dug_m) => onEdit((now) => ({ ...now, dug_m })))}
        {on !== "ground" &&
          DUG.includes(on) &&
          measure("Lowest fill blended in", bed.blended_m, (blended_m) =>
            onEdit((now) => ({ ...now, blended_m })),
          )}
      </Row>
      {figures.stand.rim_high_m != null && (
        <Note>
          Its rim stands <Quantity kind="length" value={figures.stand.rim_high_m} /> over the ground.
        </Note>
      )}
      {figures.stand.turf_m3 > 0 && (
        <Note>
          <OntoHeap
            gardenId={gardenId}
            material="turf"
            volume_m3={figures.stand.turf_loose_m3 * figures.count}
            taken={bed.turf_on_heap ?? false}
            onTaken={() => onEdit((now) => ({ ...now, turf_on_heap: true }))}
            gives="Stripping gives"
            of="turf, loose"
            lies="It lies on your heap of turf: face down it makes a good lowest layer."
          />
        </Note>
      )}
    </Column>
  );
}

/** The bed on something else; what belongs to the ground before goes with it. */
function standingOn(bed: Bed, on: On): Bed {
  const open = DUG.includes(on);
  return {
    ...bed,
    stand:
      on === "ground" ? null : { ...bed.stand, on, height_m: HIGH.includes(on) ? bed.stand?.height_m : null },
    turf: on === "lawn" ? bed.turf : null,
    dug_m: open ? bed.dug_m : null,
    blended_m: open ? bed.blended_m : null,
  };
}
