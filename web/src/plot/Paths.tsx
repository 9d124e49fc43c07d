import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Material, Plot, PlotFigures } from "../api/client";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { INCH_M, type Units } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Pick } from "../theme/controls/Pick";
import { Courses } from "./Courses";
import { OwnPath, type PlotPath } from "./OwnPath";
import { PlotPanel, PlotPlacing } from "./plot-sheet.styles";
import { PlotFact } from "./plot.styles";
import { placePoints, type Placing } from "./placing";

type Props = {
  gardenId: number;
  plot: Plot;
  figures: PlotFigures | null;
  materials: ReadonlyMap<string, Material>;
  placing: Placing;
  onEdit: (change: (plot: Plot) => Plot) => void;
  onPlacing: (placing: Placing) => void;
};

const REST = [
  ["lawn", "lawn"],
  ["bare_soil", "bare soil"],
  ["gravel", "gravel"],
  ["paving", "paving"],
  ["mulch", "mulch"],
] as const;

/** Wide enough for a barrow. */
const FIRST_WIDTH_M: Record<Units, number> = { metric: 0.9, ft_in: 36 * INCH_M };

/** What lies on the paths: over all that is no bed, or on paths of their own. */
export function Paths({ gardenId, plot, figures, materials, placing, onEdit, onPlacing }: Props) {
  const { paths } = plot;
  const { units } = useShowing();
  const put = (change: (paths: readonly PlotPath[]) => PlotPath[]) =>
    onEdit((now) => ({ ...now, paths: change(now.paths ?? []) }));
  const drawLine = () =>
    placePoints({
      onPlacing,
      toldBy: "paths",
      first: "Click where the path begins.",
      next: "Click where it goes on",
      least: 2,
      onDone: (line_m) => put((now) => [...now, { line_m, width_m: FIRST_WIDTH_M[units] }]),
    });
  const drawArea = () =>
    placePoints({
      onPlacing,
      toldBy: "paths",
      first: "Click the first corner.",
      next: "Click the next corner",
      least: 3,
      onDone: (outline_m) => put((now) => [...now, { outline_m }]),
    });
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="paths-title">
      <Typography variant="panelTitle" id="paths-title">
        Paths{" "}
        <PlotFact data-part="plot-fact">
          {figures && <Quantity kind="area" value={figures.path_m2} />}
        </PlotFact>
      </Typography>
      <Courses
        gardenId={gardenId}
        on="the paths"
        courses={plot.courses ?? []}
        figures={figures?.courses ?? []}
        materials={materials}
        onSet={(courses) => onEdit((now) => ({ ...now, courses }))}
      />
      {paths == null ? (
        <Row>
          <Note>All that is no bed is path.</Note>
          <Button onClick={() => put((now) => [...now])}>Only some of it</Button>
        </Row>
      ) : (
        <>
          {paths.map((path, index) => (
            <OwnPath
              key={index}
              gardenId={gardenId}
              path={path}
              number={index + 1}
              figures={figures?.paths[index]}
              materials={materials}
              onChange={(change) =>
                put((now) => now.map((each, at) => (at === index ? { ...each, ...change } : each)))
              }
              onRemove={() => put((now) => now.filter((_, at) => at !== index))}
            />
          ))}
          {placing?.toldBy === "paths" ? (
            <PlotPlacing severity="info" role="status">
              {placing.say} {placing.done && <Button onClick={placing.done}>Done</Button>}
              <Button onClick={() => onPlacing(null)}>Leave it</Button>
            </PlotPlacing>
          ) : (
            <Row>
              <Button onClick={drawLine}>+ Path along a line</Button>
              <Button onClick={drawArea}>+ Path by its corners</Button>
            </Row>
          )}
          <Row sx={{ alignItems: "flex-end" }}>
            <Pick
              label="The rest is"
              options={REST}
              value={plot.rest ?? "lawn"}
              onChoose={(rest) => onEdit((now) => ({ ...now, rest }))}
            />
            <Note sx={{ paddingBottom: 2 }}>
              {figures && <Quantity kind="area" value={figures.rest_m2} />}
            </Note>
            <Button onClick={() => onEdit((now) => ({ ...now, paths: null }))}>All of it is path</Button>
          </Row>
        </>
      )}
    </PlotPanel>
  );
}
