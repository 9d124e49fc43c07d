import { saidOf } from "../api/client";
import { meant } from "../api/meant";
import { useHead } from "../draft/useHead";
import { Choice } from "../kit/Choice";
import { Disclosure } from "../kit/Disclosure";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column } from "../kit/Row";
import { showTemperature, typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { ShowingProvider } from "../quantities/UnitsContext";
import { ClimateFields } from "./ClimateFields";

/** The garden's climate: its mean temperature and its frosts. */
export function GardenYear({ gardenId }: { gardenId: number }) {
  return <Disclosure title="Climate and frosts">{() => <YearFields gardenId={gardenId} />}</Disclosure>;
}

/** What lives there and lies in the ground, as far as beds are judged by it. */
export function GardenPlace({ gardenId }: { gardenId: number }) {
  return (
    <Disclosure title="Ants, burrowers, ground water">{() => <PlaceFields gardenId={gardenId} />}</Disclosure>
  );
}

const KNOWN = [
  ["unknown", "not known"],
  ["no", "no"],
  ["yes", "yes"],
] as const;
type Known = (typeof KNOWN)[number][0];
const knownOf = (value: boolean | null | undefined): Known =>
  value == null ? "unknown" : value ? "yes" : "no";
const meantBy = (known: Known) => (known === "unknown" ? null : known === "yes");

function PlaceFields({ gardenId }: { gardenId: number }) {
  const { head, change, error } = useHead(gardenId);
  if (!head) return null;
  const units = meant("Garden", head, "units");
  return (
    <ShowingProvider value={{ units, told_in: units, currency: meant("Garden", head, "currency") }}>
      <Column>
        <Choice
          label="Ants or termites that nest in wood"
          shown
          options={KNOWN}
          value={knownOf(head.ants)}
          onChoose={(known) => change({ ants: meantBy(known) })}
        />
        <Choice
          label="Animals that dig: voles, moles, rats"
          shown
          options={KNOWN}
          value={knownOf(head.burrowers)}
          onChoose={(known) => change({ burrowers: meantBy(known) })}
        />
        <MeasureField
          label="Water stands in the ground at"
          limit="level"
          width="124px"
          placeholder="not known"
          shown={head.water_table_m == null ? "" : typedLength(head.water_table_m, units)}
          onMeaning={({ values: [water_table_m] }) => change({ water_table_m })}
        />
      </Column>
      {error && <Problem>{saidOf(error)}</Problem>}
      <Note>Wood in beds, fences, chips on paths, open floors and trenches are judged by it.</Note>
    </ShowingProvider>
  );
}

function YearFields({ gardenId }: { gardenId: number }) {
  const { head, change, error } = useHead(gardenId);
  if (!head) return null;
  const units = meant("Garden", head, "units");
  return (
    <ShowingProvider value={{ units, told_in: units, currency: meant("Garden", head, "currency") }}>
      <ClimateFields climate={head} onChange={change} />
      {error && <Problem>{saidOf(error)}</Problem>}
      <Note>
        {head.mean_temp_c == null && !head.normals && `${showTemperature(12, units)} is taken until then. `}
        Warm fill rots and sinks faster.
      </Note>
    </ShowingProvider>
  );
}
