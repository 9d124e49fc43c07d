import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import { useQuery } from "@tanstack/react-query";
import {
  api,
  type Bed,
  type Layer,
  type Material,
  type Reservoir,
  type School,
  type SchoolFigures,
} from "../api/client";
import { SmallSection, smallScale } from "../drawing/SmallSection";
import { Swatch } from "../drawing/Swatch";
import { arrowChoice } from "../kit/arrowChoice";
import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { Quantity } from "../quantities/Quantity";
import { MaterialFinder } from "../shelf/MaterialFinder";

export type Fill = { material: string } | { school: School; layers: Layer[]; reservoir: Reservoir | null };

const FIRST = "raised_bed_mix";
/** Stands among the schools for filling with a single material. */
const ONE = "one material";

type Props = {
  gardenId: number;
  bed: Bed | null;
  materials: ReadonlyMap<string, Material>;
  fill: Fill;
  onFill: (fill: Fill) => void;
};

const DRAWN = { width: 176, height: 92 };

const Ways = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(198px, 1fr))",
  gap: 10,
});

const Way = styled(ButtonBase)(({ theme }) => ({
  display: "grid",
  gridTemplateRows: "104px auto",
  gap: 4,
  justifyItems: "center",
  alignItems: "end",
  alignContent: "start",
  padding: "8px 10px",
  border: `1px solid ${theme.vars.palette.line}`,
  borderRadius: 4,
  color: theme.vars.palette.ink,
  fontFamily: "inherit",
  textAlign: "center",
  "&:hover": { borderColor: theme.vars.palette.soft },
  '&[aria-checked="true"]': {
    borderColor: theme.vars.palette.iron,
    outline: `1px solid ${theme.vars.palette.iron}`,
  },
  "& svg": { maxWidth: "100%" },
}));

function fillBy(school: SchoolFigures): Fill {
  return {
    school: school.key as School,
    layers: school.layers as Layer[],
    reservoir: (school.reservoir as Reservoir | null) ?? null,
  };
}

const notASheet = (material: Material) => !material.is_sheet;

/** How a new bed will be filled: with one material, or by any of the schools that fit it, each drawn as it would lie. */
export function Filling({ gardenId, bed, materials, fill, onFill }: Props) {
  const found = useQuery({
    queryKey: ["schools", gardenId, JSON.stringify(bed && { ...bed, name: "New" })],
    queryFn: () => api.figureSchools(gardenId, { ...(bed as Bed), name: "New", set_aside: [] }),
    enabled: bed !== null,
    placeholderData: (before) => before,
    retry: false,
  });
  const suited = (found.data?.schools ?? []).filter(({ unsuited }) => unsuited == null);
  const scale = Math.min(
    ...suited.flatMap(({ figures }) => (figures ? smallScale(figures, DRAWN.width, DRAWN.height) : [])),
  );
  const one = "material" in fill ? fill.material : null;
  const chosen = "material" in fill ? ONE : fill.school;
  const choose = (key: string) => {
    const school = suited.find((each) => each.key === key);
    onFill(school ? fillBy(school) : { material: one ?? FIRST });
  };
  const radio = (key: string) => ({
    role: "radio",
    "aria-checked": key === chosen,
    tabIndex: key === chosen ? 0 : -1,
    onClick: () => choose(key),
  });
  const order = [ONE, ...suited.map(({ key }) => key)];
  return (
    <Column>
      <Typography variant="panelTitle" id="filling-title">
        How will you fill it?
      </Typography>
      <Note>It can be changed layer by layer afterwards, and the ways compared.</Note>
      {/* above the ways: their drawings come later and would push it from under the finger */}
      <MaterialFinder
        gardenId={gardenId}
        label={one === null ? "Or with one material" : "Filled with, to begin with"}
        value={one === null ? null : (materials.get(one) ?? null)}
        onChoose={({ key }) => onFill({ material: key })}
        suits={notASheet}
      />
      <Ways
        role="radiogroup"
        aria-labelledby="filling-title"
        onKeyDown={(event) => arrowChoice(event, order, chosen, choose)}
      >
        <Way {...radio(ONE)}>
          <Swatch
            material={one ?? FIRST}
            like={materials.get(one ?? "")?.like}
            width={DRAWN.width - 40}
            height={64}
          />
          <span>
            <Typography variant="strong">One material</Typography>
            <Note component="span" sx={{ display: "block" }}>
              {(materials.get(one ?? FIRST)?.name ?? "").toLowerCase()}
            </Note>
          </span>
        </Way>
        {suited.map((school) => (
          <Way key={school.key} {...radio(school.key)}>
            {school.figures ? (
              <SmallSection figures={school.figures} materials={materials} scale={scale} />
            ) : (
              <span />
            )}
            <span>
              <Typography variant="strong">{school.name}</Typography>
              {school.figures && (
                <Note component="span" sx={{ display: "block" }}>
                  <Quantity kind="bulk" value={school.figures.loose_m3} /> loose, sinks{" "}
                  <Quantity
                    kind="length"
                    value={(school.figures.surface_m[0] ?? 0) - (school.figures.surface_m[12] ?? 0)}
                  />{" "}
                  in a year
                </Note>
              )}
            </span>
          </Way>
        ))}
      </Ways>
      {!bed && <Note>The other ways are drawn here once the bed is measured.</Note>}
    </Column>
  );
}
