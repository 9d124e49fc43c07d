import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf, type Material } from "../api/client";
import { showMoney, showShare, showSmallPrice, showVolume, typedVolume } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { blendApi, type BatchFigures, type CheapestFigures, type Mix } from "./blendApi";
import { Marks } from "./Marks";
import { withRecipe } from "./edits";
import type { MixEdit } from "./useMixDraft";

type Props = {
  gardenId: number;
  mix: Mix;
  materials: ReadonlyMap<string, Material>;
  /** What is to be made unless the gardener says otherwise [m³]. */
  volume_m3: number;
  soil_over_water_m: number | null;
  onEdit: MixEdit;
};

/** The cheapest mix that fits the bands, and one batch of it in whole bags. */
export function Wishes({ gardenId, mix, materials, volume_m3, soil_over_water_m, onEdit }: Props) {
  const { units } = useShowing();
  const [own, setOwn] = useState<number | null>(null);
  const [asked, setAsked] = useState<"cheapest" | "batch" | null>(null);
  const [only, setOnly] = useState<readonly string[]>([]);
  const wanted_m3 = own ?? volume_m3;
  const wished = {
    mix,
    soil_over_water_m,
    volume_m3: wanted_m3,
    materials: only.length > 0 ? [...only] : null,
  };
  // once asked, the answer follows what is changed
  const cheapest = useQuery({
    queryKey: ["figure", gardenId, "cheapest", JSON.stringify(wished)],
    queryFn: ({ signal }) => blendApi.cheapest(gardenId, wished, signal),
    enabled: asked === "cheapest",
    placeholderData: (before) => before,
  });
  const batch = useQuery({
    queryKey: ["figure", gardenId, "batch", JSON.stringify(wished)],
    queryFn: ({ signal }) => blendApi.batch(gardenId, wished, signal),
    enabled: asked === "batch",
    placeholderData: (before) => before,
  });
  const answer = asked === "batch" ? batch : cheapest;
  const take = (parts: CheapestFigures["parts"]) => onEdit((now) => withRecipe(now, parts));
  return (
    <section className="blend-wish" aria-labelledby="wish-title">
      <h2 id="wish-title">Cheapest that fits</h2>
      <div className="water-fields">
        <MeasureField
          label="For"
          limit="stock"
          width="96px"
          shown={typedVolume(wanted_m3, units)}
          onMeaning={({ values: [volume] }) => volume && setOwn(volume)}
        />
        <button
          type="button"
          className="main-button"
          aria-pressed={asked === "cheapest"}
          onClick={() => setAsked("cheapest")}
        >
          Find it
        </button>
        <button
          type="button"
          className="text-button"
          aria-pressed={asked === "batch"}
          onClick={() => setAsked("batch")}
        >
          In whole bags
        </button>
      </div>
      <details className="blend-only">
        <summary>
          {only.length === 0 ? "From all that is offered or on hand" : `From ${only.length} materials`}
        </summary>
        <MaterialFinder
          key={only.length}
          gardenId={gardenId}
          label="Only from"
          value={null}
          suits={(each) => !each.is_sheet && each.key !== mix.key && !only.includes(each.key)}
          onChoose={({ key }) => setOnly([...only, key])}
        />
        <ul className="blend-chips">
          {only.map((key) => (
            <li key={key} className="chip">
              {materials.get(key)?.name ?? key}
              <button
                type="button"
                aria-label={`Leave ${materials.get(key)?.name ?? key} out`}
                onClick={() => setOnly(only.filter((each) => each !== key))}
              >
                ×
              </button>
            </li>
          ))}
        </ul>
      </details>
      {asked && answer.isFetching && <p className="panel-note">Trying them out ...</p>}
      {asked && answer.error && <p role="alert">{saidOf(answer.error)}</p>}
      {asked === "cheapest" && cheapest.data && (
        <Found found={cheapest.data} onTake={() => take(cheapest.data.parts)} />
      )}
      {asked === "batch" && batch.data && <Bags found={batch.data} onTake={() => take(batch.data.parts)} />}
    </section>
  );
}

function Found({ found, onTake }: { found: CheapestFigures; onTake: () => void }) {
  const showing = useShowing();
  return (
    <div className="blend-found" role="status">
      <p className={found.fits ? "" : "is-missed"}>{found.message}</p>
      {found.price_per_m3 != null && (
        <p className="tally-note">
          {showSmallPrice(found.price_per_m3, showing)}
          {found.before_per_m3 != null && `, yours ${showSmallPrice(found.before_per_m3, showing)}`}; what is
          on hand counts nothing.
        </p>
      )}
      <table>
        <thead>
          <tr>
            <th scope="col">Of what goes in</th>
            <th scope="col">now</th>
            <th scope="col">then</th>
          </tr>
        </thead>
        <tbody>
          {found.changes.map((each) => (
            <tr key={each.material}>
              <th scope="row">{each.name}</th>
              <td>{share(each.before)}</td>
              <td>{share(each.after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {found.mix && <Marks marks={found.mix.marks} />}
      {found.left_aside.length > 0 && (
        <p className="tally-note">
          Left aside, for want of a price or of figures: {found.left_aside.join(", ")}.
        </p>
      )}
      {found.parts.length > 0 && (
        <button type="button" className="main-button" onClick={onTake}>
          Take it over
        </button>
      )}
    </div>
  );
}

function Bags({ found, onTake }: { found: BatchFigures; onTake: () => void }) {
  const { units, currency } = useShowing();
  return (
    <div className="blend-found" role="status">
      <p className={found.fits ? "" : "is-missed"}>{found.message}</p>
      {found.fits && (
        <>
          <ul className="water-list">
            {found.bags.map((bag) => (
              <li key={`${bag.supplier} ${bag.material} ${bag.bag_m3}`}>
                <b>{bag.count} ×</b> {bag.name}, {showVolume(bag.bag_m3, units)}, {bag.supplier_name}
                <b className="blend-right">{showMoney(bag.price, currency)}</b>
              </li>
            ))}
          </ul>
          <table>
            <thead>
              <tr>
                <th scope="col">
                  Makes <Quantity kind="volume" value={found.made_m3} />
                </th>
                <th scope="col">goes in</th>
                <th scope="col">on hand</th>
              </tr>
            </thead>
            <tbody>
              {found.taken.map((each) => (
                <tr key={each.material}>
                  <th scope="row">{each.name}</th>
                  <td>
                    <Quantity kind="volume" value={each.loose_m3} />
                  </td>
                  <td>
                    {each.from_stock_m3 > 1e-9 ? <Quantity kind="volume" value={each.from_stock_m3} /> : "–"}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="tally-note">
            <Quantity kind="volume" value={found.left_m3} /> stay in the bags. Delivery is not in it.
          </p>
          <button type="button" className="main-button" onClick={onTake}>
            Take it over
          </button>
        </>
      )}
    </div>
  );
}

function share(value: number): string {
  return value === 0 ? "–" : showShare(Math.round(value * 1000) / 1000);
}
