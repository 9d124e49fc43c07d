import { Row } from "../kit/Row";
import { SizingBox } from "./plot-sheet.styles";
import { BagsAnswer } from "./plot.styles";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refused, type KeptGarden, type Material } from "../api/client";
import { Choice } from "../kit/Choice";
import { Pick } from "../theme/controls/Pick";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material> };
type Asked = "depth" | "area" | "bed";
type Sold = "bags" | "loose";
const SOLD = [
  ["bags", "in bags"],
  ["loose", "loose"],
] as const;
const ASKED = [
  ["depth", "How deep?"],
  ["area", "How much area?"],
  ["bed", "In a bed?"],
] as const;

/** Sizing the other way round: how deep so many bags lie over an area, how much they cover at a depth. */
export function BagsAndDepth({ garden, materials }: Props) {
  const gardenId = garden.id;
  const { units } = useShowing();
  const ft = units === "ft_in";
  const [material, setMaterial] = useState<Material | null>(materials.get("compost") ?? null);
  const [asked, setAsked] = useState<Asked>("depth");
  const [sold, setSold] = useState<Sold>("bags");
  const [bags, setBags] = useState<number>();
  const [bag_m3, setBag] = useState<number>();
  const [loose_m3, setLoose] = useState<number>();
  const [over_m, setOver] = useState<number[]>();
  const [depth_m, setDepth] = useState<number>();
  const [bedKey, setBedKey] = useState(garden.beds[0]?.key ?? "");
  const bed = garden.beds.find(({ key }) => key === bedKey)?.bed;
  const given = { depth: { over_m }, area: { depth_m }, bed: { bed } }[asked];
  const amount = sold === "bags" ? { bags, bag_m3 } : { volume_m3: loose_m3 };
  const ready =
    material && (sold === "bags" ? bags && bag_m3 : loose_m3) && { depth: over_m, area: depth_m, bed }[asked];
  const answer = useQuery({
    queryKey: ["spread", gardenId, material?.key, amount, asked, given],
    queryFn: ({ signal }) =>
      api.spread(gardenId, { material: material?.key ?? "", ...amount, ...given }, signal),
    enabled: Boolean(ready),
  });
  return (
    <SizingBox>
      <Choice label="What is asked" options={ASKED} value={asked} onChoose={setAsked} />
      <MaterialFinder
        gardenId={gardenId}
        label="Of"
        value={material}
        onChoose={setMaterial}
        suits={(each) => !each.is_sheet}
      />
      <Choice label="Bought" options={SOLD} value={sold} onChoose={setSold} />
      {sold === "bags" ? (
        <Row>
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
        </Row>
      ) : (
        <MeasureField
          key="loose"
          label="Loose volume"
          limit="bulk"
          width="150px"
          eager
          shown=""
          placeholder={ft ? "2 yd" : "1.5 m3"}
          onMeaning={({ values: [v] }) => setLoose(v)}
        />
      )}
      {asked === "bed" && (
        <Pick
          label="Into the empty bed"
          options={garden.beds.map(({ key, bed: each }) => [key, each.name ?? key] as const)}
          value={bedKey}
          onChoose={setBedKey}
          sx={{ width: "100%" }}
        />
      )}
      {asked === "depth" && (
        <MeasureField
          key="over"
          label="Spread over"
          limit="bed"
          dimensions
          width="100%"
          eager
          shown=""
          placeholder={ft ? "4 x 8 ft" : "1.2 x 2.4 m"}
          onMeaning={({ values }) => setOver(values.slice(0, 2))}
        />
      )}
      {asked === "area" && (
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
      <BagsAnswer data-part="bags-answer" role="status">
        {answer.data && ready ? (
          <>
            <b>
              {asked === "area" ? (
                <Quantity kind="area" value={answer.data.area_m2} />
              ) : (
                <Quantity kind="length" value={answer.data.depth_m} />
              )}
            </b>{" "}
            {asked === "area" ? "covered" : "deep"}, trodden and watered:{" "}
            <Quantity kind="volume" value={answer.data.placed_m3} /> placed.
            {answer.data.over_m > 0 && (
              <>
                {" "}
                It stands <Quantity kind="length" value={answer.data.over_m} /> over the rim.
              </>
            )}
          </>
        ) : answer.error instanceof Refused ? (
          answer.error.problem.detail
        ) : (
          `Type ${sold === "bags" ? "bags, what one holds," : "the volume"} and the ${asked === "depth" ? "area" : asked === "area" ? "depth" : "bed"}.`
        )}
      </BagsAnswer>
    </SizingBox>
  );
}
