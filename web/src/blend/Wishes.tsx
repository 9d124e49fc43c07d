import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { Note } from "../kit/Note";
import { BlendChips, BlendFound, BlendOnly, BlendRight, BlendWish } from "./blend.styles";
import { WaterFields, WaterList } from "../water/water.styles";
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
    <BlendWish aria-labelledby="wish-title">
      <h2 id="wish-title">Cheapest that fits</h2>
      <WaterFields>
        <MeasureField
          label="For"
          limit="stock"
          width="96px"
          shown={typedVolume(wanted_m3, units)}
          onMeaning={({ values: [volume] }) => volume && setOwn(volume)}
        />
        <Button
          variant="contained"
         
          aria-pressed={asked === "cheapest"}
          onClick={() => setAsked("cheapest")}
        >
          Find it
        </Button>
        <Button aria-pressed={asked === "batch"} onClick={() => setAsked("batch")}>
          In whole bags
        </Button>
      </WaterFields>
      <BlendOnly>
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
        <BlendChips>
          {only.map((key) => (
            <li key={key}>
              {materials.get(key)?.name ?? key}
              <Button
                aria-label={`Leave ${materials.get(key)?.name ?? key} out`}
                onClick={() => setOnly(only.filter((each) => each !== key))}
              >
                ×
              </Button>
            </li>
          ))}
        </BlendChips>
      </BlendOnly>
      {asked && answer.isFetching && <Note>Trying them out ...</Note>}
      {asked && answer.error && <p role="alert">{saidOf(answer.error)}</p>}
      {asked === "cheapest" && cheapest.data && (
        <Found found={cheapest.data} onTake={() => take(cheapest.data.parts)} />
      )}
      {asked === "batch" && batch.data && <Bags found={batch.data} onTake={() => take(batch.data.parts)} />}
    </BlendWish>
  );
}

function Found({ found, onTake }: { found: CheapestFigures; onTake: () => void }) {
  const showing = useShowing();
  return (
    <BlendFound data-part="blend-found" role="status">
      <p className={found.fits ? "" : "is-missed"}>{found.message}</p>
      {found.price_per_m3 != null && (
        <Note>
          {showSmallPrice(found.price_per_m3, showing)}
          {found.before_per_m3 != null && `, yours ${showSmallPrice(found.before_per_m3, showing)}`}; what is
          on hand counts nothing.
        </Note>
      )}
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Of what goes in</TableCell>
            <TableCell scope="col">now</TableCell>
            <TableCell scope="col">then</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {found.changes.map((each) => (
            <TableRow key={each.material}>
              <TableCell component="th" scope="row">
                {each.name}
              </TableCell>
              <TableCell>{share(each.before)}</TableCell>
              <TableCell>{share(each.after)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {found.mix && <Marks marks={found.mix.marks} />}
      {found.left_aside.length > 0 && (
        <Note>
          Left aside, for want of a price or of figures: {found.left_aside.join(", ")}.
        </Note>
      )}
      {found.parts.length > 0 && (
        <Button variant="contained" onClick={onTake}>
          Take it over
        </Button>
      )}
    </BlendFound>
  );
}

function Bags({ found, onTake }: { found: BatchFigures; onTake: () => void }) {
  const { units, currency } = useShowing();
  return (
    <BlendFound data-part="blend-found" role="status">
      <p className={found.fits ? "" : "is-missed"}>{found.message}</p>
      {found.fits && (
        <>
          <WaterList data-part="water-list">
            {found.bags.map((bag) => (
              <li key={`${bag.supplier} ${bag.material} ${bag.bag_m3}`}>
                <b>{bag.count} ×</b> {bag.name}, {showVolume(bag.bag_m3, units)}, {bag.supplier_name}
                <BlendRight>{showMoney(bag.price, currency)}</BlendRight>
              </li>
            ))}
          </WaterList>
          <Table>
            <TableHead>
              <TableRow>
                <TableCell scope="col">
                  Makes <Quantity kind="volume" value={found.made_m3} />
                </TableCell>
                <TableCell scope="col">goes in</TableCell>
                <TableCell scope="col">on hand</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {found.taken.map((each) => (
                <TableRow key={each.material}>
                  <TableCell component="th" scope="row">
                    {each.name}
                  </TableCell>
                  <TableCell>
                    <Quantity kind="volume" value={each.loose_m3} />
                  </TableCell>
                  <TableCell>
                    {each.from_stock_m3 > 1e-9 ? <Quantity kind="volume" value={each.from_stock_m3} /> : "–"}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          <Note>
            <Quantity kind="volume" value={found.left_m3} /> stay in the bags. Delivery is not in it.
          </Note>
          <Button variant="contained" onClick={onTake}>
            Take it over
          </Button>
        </>
      )}
    </BlendFound>
  );
}

function share(value: number): string {
  return value === 0 ? "–" : showShare(Math.round(value * 1000) / 1000);
}
