import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refused, type Material } from "../api/client";
import { Choice } from "../quantities/Choice";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = { gardenId: number; materials: ReadonlyMap<string, Material> };
type Asked = "depth" | "area";
const ASKED = [
  ["depth", "How deep?"],
  ["area", "How much area?"],
] as const;

/** Sizing the other way round: how deep so many bags lie over an area, how much they cover at a depth. */
export function BagsAndDepth({ gardenId, materials }: Props) {
  const { units } = useShowing();
  const ft = units === "ft_in";
  const [material, setMaterial] = useState<Material | null>(materials.get("compost") ?? null);
  const [asked, setAsked] = useState<Asked>("depth");
  const [bags, setBags] = useState<number>();
  const [bag_m3, setBag] = useState<number>();
  const [over_m, setOver] = useState<number[]>();
  const [depth_m, setDepth] = useState<number>();
  const given = asked === "depth" ? { over_m } : { depth_m };
  const ready = material && bags && bag_m3 && (asked === "depth" ? over_m : depth_m);
  const answer = useQuery({
    queryKey: ["spread", gardenId, material?.key, bags, bag_m3, asked, given],
    queryFn: ({ signal }) =>
      api.spread(
        gardenId,
        { material: material?.key ?? "", bags: bags ?? 0, bag_m3: bag_m3 ?? 0, ...given },
        signal,
      ),
    enabled: Boolean(ready),
  });
  return (
    <section className="bags-and-depth" aria-labelledby="bags-title">
      <h2 id="bags-title">Bags, area and depth</h2>
      <Choice label="What is asked" options={ASKED} value={asked} onChoose={setAsked} />
      <MaterialFinder
        gardenId={gardenId}
        label="Of"
        value={material}
        onChoose={setMaterial}
        suits={(each) => !each.is_sheet}
      />
      <div className="bags-row">
        <MeasureField
          label="Bags"
          limit="count"
          width="90px"
          eager
          shown=""
          placeholder="10"
          onMeaning={({ values: [v] }) => setBags(v)}
        />
        <MeasureField
          label="One bag holds"
          limit="bag"
          width="150px"
          eager
          shown=""
          placeholder={ft ? "1.5 cu ft" : "40 L"}
          onMeaning={({ values: [v] }) => setBag(v)}
        />
      </div>
      {asked === "depth" ? (
        <MeasureField
          key="over"
          label="Spread over"
          limit="length"
          dimensions
          width="100%"
          eager
          shown=""
          placeholder={ft ? "4 x 8 ft" : "1.2 x 2.4 m"}
          onMeaning={({ values }) => setOver(values.slice(0, 2))}
        />
      ) : (
        <MeasureField
          key="depth"
          label="To a depth of"
          limit="depth"
          width="100%"
          eager
          shown=""
          placeholder={ft ? "3 in" : "8 cm"}
          onMeaning={({ values: [v] }) => setDepth(v)}
        />
      )}
      <p className="bags-answer" role="status">
        {answer.data && ready ? (
          <>
            <b>
              {asked === "depth" ? (
                <Quantity kind="length" value={answer.data.depth_m} />
              ) : (
                <Quantity kind="area" value={answer.data.area_m2} />
              )}
            </b>{" "}
            {asked === "depth" ? "deep" : "covered"}, trodden and watered:{" "}
            <Quantity kind="volume" value={answer.data.placed_m3} /> placed.
          </>
        ) : answer.error instanceof Refused ? (
          answer.error.problem.detail
        ) : (
          "Type bags, what one holds, and the " + (asked === "depth" ? "area." : "depth.")
        )}
      </p>
    </section>
  );
}
