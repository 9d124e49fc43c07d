import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useState, type ReactNode } from "react";
import type { Material, NeedFigures } from "../api/client";
import { WARES } from "../api/wares";
import { TIMBER, USUAL_BAGS_M3 } from "../api/words";
import { Swatch } from "../drawing/Swatch";
import { Choice } from "../kit/Choice";
import { Explained } from "../kit/Explained";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showDay, shownBag, showVolume } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Likely } from "../sure/Likely";
import type { SureFigure, SureNeed } from "../sure/sureApi";
import { SAME_M3, lengthsOf } from "./bags";

type Props = {
  needs: readonly NeedFigures[];
  materials: ReadonlyMap<string, Material>;
  /** How sure each is, where that is told. */
  sure?: readonly SureNeed[];
};

const LOOSE = "As it comes out of the bag or off the lorry.";
const PLACED = "As it lies in the bed, laid and settled.";
const SELDOM = "Seldom sold in bags: so many sacks if you fill them yourself.";
const VIEWS = [
  ["all", "in all"],
  ["beds", "bed by bed"],
] as const;
const TIGHT = { "& td, & th": { paddingX: 1, whiteSpace: "nowrap" }, "& svg": { flexShrink: 0 } } as const;

/** All that is still to be brought in, before anybody's price is known: loose, in weight and in bags of the usual sizes. */
export function NeedsList({ needs, materials, sure }: Props) {
  const [view, setView] = useState<"all" | "beds">("all");
  const narrow = useMediaQuery("(max-width: 760px)", { noSsr: true });
  const sizes = useSizes(narrow);
  const beds = new Set(needs.flatMap((need) => need.beds.map(({ bed }) => bed)));
  return (
    <Sheet component="section" aria-label="What is needed" data-part="needs-list">
      <Row>
        <Box sx={{ marginRight: "auto" }}>
          <Typography variant="sheetTitle">What is needed</Typography>
          <Note>
            {needs.length === 0
              ? "Nothing: all that is planned is laid."
              : view === "all"
                ? "less what you have, in whole bags of one size or loose"
                : "before what you have; the bags of each bed are whole ones"}
          </Note>
        </Box>
        {beds.size > 1 && <Choice label="The list" options={VIEWS} value={view} onChoose={setView} />}
        {narrow && needs.length > 0 && <SizeChoice {...sizes} />}
      </Row>
      {needs.length > 0 && (
        <Rows needs={needs} materials={materials} sure={sure} by={view} sizes={sizes.shown} narrow={narrow} />
      )}
    </Sheet>
  );
}

type RowsProps = Props & { by: "all" | "beds"; sizes: readonly number[]; narrow: boolean };

function Rows({ needs, materials, sure, by, sizes, narrow }: RowsProps) {
  const beds = new Set(needs.flatMap((need) => need.beds.map(({ bed }) => bed)));
  const look = { sizes, narrow, materials };
  return (
    <TableContainer>
      <Table size="small" sx={TIGHT}>
        <ListHead sizes={sizes} narrow={narrow} />
        {by === "all" ? (
          <TableBody>
            {inOrder(needs).map((need) => (
              <AllOf
                key={need.material}
                need={need}
                sure={sure?.find(({ material }) => material === need.material)?.figures}
                {...look}
              />
            ))}
          </TableBody>
        ) : (
          [...beds].map((bed) => <OfBed key={bed} bed={bed} needs={needs} {...look} />)
        )}
      </Table>
    </TableContainer>
  );
}

/** Sizes that fit beside the rest on a sheet of paper: the larger ones of those that bags are sold in. */
const ON_PAPER = 3;

/** What is needed in all, or bed by bed, on paper. */
export function NeedsTable({ by, ...rest }: Props & { by: "all" | "beds" }) {
  const { units } = useShowing();
  const sizes = USUAL_BAGS_M3[units].slice(-ON_PAPER);
  return <Rows {...rest} by={by} sizes={sizes} narrow={false} />;
}

type Sizes = {
  all: readonly number[];
  shown: readonly number[];
  chosen: number;
  choose: (size: number) => void;
};

/** Sizes of bags in the garden's units; on a phone one of them at a time. */
function useSizes(narrow: boolean): Sizes {
  const { units } = useShowing();
  const all: readonly number[] = USUAL_BAGS_M3[units];
  const [at, setAt] = useState(2);
  const chosen = all[at] ?? all[0] ?? 0;
  return { all, shown: narrow ? [chosen] : all, chosen, choose: (size) => setAt(all.indexOf(size)) };
}

function SizeChoice({ all, chosen, choose }: Sizes) {
  const { units } = useShowing();
  return (
    <Choice
      label="Bags of"
      shown
      options={all.map((size) => [String(size), shownBag(size, units)] as const)}
      value={String(chosen)}
      onChoose={(size) => choose(Number(size))}
    />
  );
}

function ListHead({ sizes, narrow }: { sizes: readonly number[]; narrow: boolean }) {
  const { units } = useShowing();
  return (
    <TableHead>
      {!narrow && (
        <TableRow>
          <TableCell component="td" colSpan={5} />
          <TableCell colSpan={sizes.length} align="center" sx={{ color: "soft", paddingBottom: 0 }}>
            whole bags of
          </TableCell>
        </TableRow>
      )}
      <TableRow>
        <TableCell>Material</TableCell>
        <TableCell align="right">
          <Explained why={LOOSE}>To buy, loose</Explained>
        </TableCell>
        {!narrow && <TableCell align="right">{units === "ft_in" ? "by the yard" : "in m³"}</TableCell>}
        {!narrow && (
          <TableCell align="right">
            <Explained why={PLACED}>Placed</Explained>
          </TableCell>
        )}
        {!narrow && <TableCell align="right">Weight</TableCell>}
        {sizes.map((size) => (
          <TableCell key={size} align="right">
            {narrow ? "Bags" : shownBag(size, units)}
          </TableCell>
        ))}
      </TableRow>
    </TableHead>
  );
}

type LineProps = {
  name: string;
  material: string;
  materials: Props["materials"];
  narrow: boolean;
  amount: ReactNode;
  bulk: ReactNode;
  beside?: ReactNode;
  placed: ReactNode;
  mass_kg: number;
  bags: readonly ReactNode[];
};

function NeedLine({
  name,
  material,
  materials,
  narrow,
  amount,
  bulk,
  beside,
  placed,
  mass_kg,
  bags,
}: LineProps) {
  return (
    <TableRow data-part="need">
      <TableCell component="th" scope="row" sx={{ whiteSpace: "normal !important", minWidth: 120 }}>
        <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
          {material in WARES || material in TIMBER ? (
            <Box component="span" sx={{ width: 22 }} />
          ) : (
            <Swatch material={material} like={materials.get(material)?.like} width={22} height={22} />
          )}
          <span>
            {name}
            {beside}
          </span>
        </Box>
      </TableCell>
      <TableCell align="right" sx={{ fontWeight: 650 }}>
        {amount}
      </TableCell>
      {!narrow && <TableCell align="right">{bulk}</TableCell>}
      {!narrow && <TableCell align="right">{placed}</TableCell>}
      {!narrow && (
        <TableCell align="right">{mass_kg > 0 && <Quantity kind="mass" value={mass_kg} />}</TableCell>
      )}
      {bags.map((count, index) => (
        <TableCell key={index} align="right" sx={{ fontWeight: 650 }}>
          {count}
        </TableCell>
      ))}
    </TableRow>
  );
}

type AllProps = {
  need: NeedFigures;
  sure?: readonly SureFigure[];
  sizes: readonly number[];
  narrow: boolean;
  materials: Props["materials"];
};

function AllOf({ need, sure, sizes, narrow, materials }: AllProps) {
  const countOf = (size: number) =>
    need.bags.find(({ volume_m3 }) => Math.abs(volume_m3 - size) < SAME_M3)?.count ?? null;
  return (
    <NeedLine
      name={need.name}
      material={need.material}
      materials={materials}
      narrow={narrow}
      amount={
        <>
          <ToBuy need={need} />
          {need.to_buy_m3 > SAME_M3 && <Likely figures={sure} figure="to_buy_m3" />}
        </>
      }
      bulk={
        need.by === "volume" && need.to_buy_m3 > SAME_M3 && <Quantity kind="bulk" value={need.to_buy_m3} />
      }
      beside={<OnHand need={need} />}
      placed={need.by === "volume" && <Quantity kind="volume" value={need.placed_m3} />}
      mass_kg={need.mass_kg}
      bags={sizes.map((size) => need.by === "volume" && <Bags need={need} count={countOf(size)} />)}
    />
  );
}

function Bags({ need, count }: { need: NeedFigures; count: number | null }) {
  if (count === null) return null;
  if (need.to_buy_m3 <= SAME_M3) return <>–</>;
  if (need.bagged) return <>{count}</>;
  return (
    <Box component="span" sx={{ color: "soft", fontWeight: 400 }}>
      <Explained why={SELDOM}>{count}</Explained>
    </Box>
  );
}

/** What is left to buy, in the measure it is bought by. */
function ToBuy({ need }: { need: NeedFigures }) {
  const { units } = useShowing();
  if (need.by === "area") return <Quantity kind="area" value={need.area_m2} />;
  if (need.by === "length") return <Lengths>{lengthsOf(need, units)}</Lengths>;
  if (need.by === "units") return <>{need.units}</>;
  if (need.by === "mass") return <Quantity kind="dose" value={need.to_buy_kg} />;
  if (need.to_buy_m3 <= SAME_M3) return <>nothing</>;
  return <Quantity kind="volume" value={need.to_buy_m3} />;
}

/** What lies ready of it, and what comes later. */
function OnHand({ need }: { need: NeedFigures }) {
  const { units } = useShowing();
  if (need.by !== "volume") return null;
  const ready =
    need.stock_m3 > 0 &&
    (need.to_buy_m3 > SAME_M3
      ? `after ${showVolume(need.stock_m3, units)} of yours`
      : `you have enough: ${showVolume(need.stock_m3, units)}`);
  const later =
    need.coming_on && `${showVolume(need.coming_m3, units)} of yours from ${showDay(need.coming_on)}`;
  if (!ready && !later) return null;
  return (
    <Note component="span" sx={{ display: "block" }}>
      {[ready, later].filter(Boolean).join("; ")}
    </Note>
  );
}

/** What is bought first: loose things by how much, then meals and sheets, and last what lies there already. */
function inOrder(needs: readonly NeedFigures[]): NeedFigures[] {
  const rank = (need: NeedFigures) =>
    need.by === "volume" && need.to_buy_m3 <= SAME_M3 ? ORDER.length : ORDER.indexOf(need.by);
  return needs.toSorted((one, two) => rank(one) - rank(two) || two.to_buy_m3 - one.to_buy_m3);
}

const ORDER: readonly NeedFigures["by"][] = ["volume", "mass", "area", "length", "units"];
const Lengths = styled("span")({ whiteSpace: "normal" });

type BedProps = Omit<AllProps, "need" | "sure"> & { bed: string; needs: readonly NeedFigures[] };

function OfBed({ bed, needs, sizes, narrow, materials }: BedProps) {
  const rows = needs.flatMap((need) =>
    need.beds.filter((each) => each.bed === bed).map((share) => ({ need, share })),
  );
  return (
    <TableBody data-part="needs-of-bed">
      <TableRow>
        <TableCell colSpan={12} sx={{ paddingTop: 3 }}>
          <Typography variant="strong">{rows[0]?.share.name}</Typography>
        </TableCell>
      </TableRow>
      {rows.map(({ need, share }) => (
        <NeedLine
          key={need.material}
          name={need.name}
          material={need.material}
          materials={materials}
          narrow={narrow}
          amount={
            need.by === "area" ? (
              <Quantity kind="area" value={share.area_m2} />
            ) : (
              need.by === "volume" && <Quantity kind="volume" value={share.loose_m3} />
            )
          }
          bulk={need.by === "volume" && <Quantity kind="bulk" value={share.loose_m3} />}
          placed={need.by === "volume" && <Quantity kind="volume" value={share.placed_m3} />}
          mass_kg={share.mass_kg}
          bags={sizes.map((size) => {
            const at = need.bags.findIndex(({ volume_m3 }) => Math.abs(volume_m3 - size) < SAME_M3);
            return (
              need.by === "volume" && (
                <Bags need={{ ...need, to_buy_m3: share.loose_m3 }} count={share.bags[at] ?? null} />
              )
            );
          })}
        />
      ))}
    </TableBody>
  );
}
