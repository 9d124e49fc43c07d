import { FigureTable } from "../kit/FigureTable";
import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { Note } from "../kit/Note";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Disclosure } from "../kit/Disclosure";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
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

const FOUND = {
  display: "grid",
  gap: 2,
  marginTop: 2,
  padding: "8px 10px",
  backgroundColor: "ground",
  "& [data-part=blend-mark]": { gridTemplateColumns: "104px minmax(40px, 1fr) 56px" },
  "& [data-part=blend-wanted]": { display: "none" },
} as const;

const BAGS = {
  display: "grid",
  gap: 1,
  "& > li": { display: "flex", gap: 2, fontSize: "var(--text-small)" },
} as const;

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
    <section aria-labelledby="wish-title" data-part="blend-wish">
      <Typography variant="panelTitle" id="wish-title" sx={{ marginBottom: 1.5 }}>
        Cheapest that fits
      </Typography>
      <Row sx={{ alignItems: "flex-end" }}>
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
      </Row>
      <Disclosure
        title={only.length === 0 ? "From all that is offered or on hand" : `From ${only.length} materials`}
      >
        {() => (
          <Row>
            <MaterialFinder
              key={only.length}
              gardenId={gardenId}
              label="Only from"
              value={null}
              suits={(each) => !each.is_sheet && each.key !== mix.key && !only.includes(each.key)}
              onChoose={({ key }) => setOnly([...only, key])}
            />
            {only.map((key) => (
              <Button
                key={key}
                aria-label={`Leave ${materials.get(key)?.name ?? key} out`}
                onClick={() => setOnly(only.filter((each) => each !== key))}
              >
                {materials.get(key)?.name ?? key} ×
              </Button>
            ))}
          </Row>
        )}
      </Disclosure>
      {asked && answer.isFetching && <Note>Trying them out ...</Note>}
      {asked && answer.error && <Problem>{saidOf(answer.error)}</Problem>}
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
    <Sheet data-part="blend-found" role="status" sx={FOUND}>
      <Typography variant="strong" component="p" color={found.fits ? undefined : "iron"}>
        {found.message}
      </Typography>
      {found.price_per_m3 != null && (
        <Note>
          {showSmallPrice(found.price_per_m3, showing)}
          {found.before_per_m3 != null && `, yours ${showSmallPrice(found.before_per_m3, showing)}`}; what is
          on hand counts nothing.
        </Note>
      )}
      <FigureTable>
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
      </FigureTable>
      {found.mix && <Marks marks={found.mix.marks} />}
      {found.left_aside.length > 0 && (
        <Note>Left aside, for want of a price or of figures: {found.left_aside.join(", ")}.</Note>
      )}
      {found.parts.length > 0 && (
        <Button variant="contained" onClick={onTake}>
          Take it over
        </Button>
      )}
    </Sheet>
  );
}

function Bags({ found, onTake }: { found: BatchFigures; onTake: () => void }) {
  const { units, currency } = useShowing();
  return (
    <Sheet data-part="blend-found" role="status" sx={FOUND}>
      <Typography variant="strong" component="p" color={found.fits ? undefined : "iron"}>
        {found.message}
      </Typography>
      {found.fits && (
        <>
          <Box component="ul" sx={BAGS}>
            {found.bags.map((bag) => (
              <li key={`${bag.supplier} ${bag.material} ${bag.bag_m3}`}>
                <b>{bag.count} ×</b> {bag.name}, {showVolume(bag.bag_m3, units)}, {bag.supplier_name}
                <Box component="b" sx={{ marginLeft: "auto" }}>
                  {showMoney(bag.price, currency)}
                </Box>
              </li>
            ))}
          </Box>
          <FigureTable>
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
          </FigureTable>
          <Note>
            <Quantity kind="volume" value={found.left_m3} /> stay in the bags. Delivery is not in it.
          </Note>
          <Button variant="contained" onClick={onTake}>
            Take it over
          </Button>
        </>
      )}
    </Sheet>
  );
}

function share(value: number): string {
  return value === 0 ? "–" : showShare(Math.round(value * 1000) / 1000);
}
