import Typography from "@mui/material/Typography";
import IconButton from "@mui/material/IconButton";
import { PlotCourses, PlotPanel } from "./plot-sheet.styles";
import { PlotFact } from "./plot.styles";
import type { Material, Plot, PlotFigures } from "../api/client";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { Swatch } from "../drawing/Swatch";

type Props = {
  gardenId: number;
  plot: Plot;
  figures: PlotFigures | null;
  materials: ReadonlyMap<string, Material>;
  onEdit: (change: (plot: Plot) => Plot) => void;
};

const FIRST_COURSE_M = 0.05;

/** What lies on the paths, course by course from the ground up; the haul counts it. */
export function Paths({ gardenId, plot, figures, materials, onEdit }: Props) {
  const { units } = useShowing();
  const courses = plot.courses ?? [];
  const set = (next: NonNullable<Plot["courses"]>) => onEdit((now) => ({ ...now, courses: next }));
  return (
    <PlotPanel variant="outlined" component="section" aria-labelledby="paths-title">
      <Typography variant="panelTitle" id="paths-title">
        Paths{" "}
        <PlotFact data-part="plot-fact">
          {figures && <Quantity kind="area" value={figures.path_m2} />}
        </PlotFact>
      </Typography>
      <PlotCourses>
        {courses.map((course, index) => {
          const material = materials.get(course.material);
          const figured = figures?.courses[index];
          const current = figured?.material === course.material ? figured : undefined;
          return (
            <li key={`${course.material} ${index}`}>
              <Swatch material={course.material} like={material?.like} width={28} height={28} />
              <div>
                <strong>{material?.name ?? course.material}</strong>
                {current && (
                  <PlotFact data-part="plot-fact">
                    {current.sheet ? (
                      <Quantity kind="area" value={current.sheet_area_m2} />
                    ) : (
                      <>
                        <Quantity kind="volume" value={current.placed_m3} /> placed,{" "}
                        <Quantity kind="bulk" value={current.loose_m3} /> loose,{" "}
                        <Quantity kind="mass" value={current.mass_moist_kg} />
                      </>
                    )}
                  </PlotFact>
                )}
              </div>
              {course.thickness_m != null && (
                <MeasureField
                  label={`Thickness of ${material?.name ?? course.material} on the paths`}
                  hideLabel
                  limit="layer"
                  width="90px"
                  shown={typedLength(course.thickness_m, units)}
                  onMeaning={({ values: [thickness_m = 0] }) =>
                    set(courses.map((each, at) => (at === index ? { ...each, thickness_m } : each)))
                  }
                />
              )}
              <IconButton
                aria-label={`Leave out ${material?.name ?? course.material}`}
                onClick={() => set(courses.filter((_, at) => at !== index))}
              >
                ×
              </IconButton>
            </li>
          );
        })}
      </PlotCourses>
      <MaterialFinder
        key={courses.length}
        gardenId={gardenId}
        label={courses.length === 0 ? "Lay on the paths" : "Lay on top of that"}
        value={null}
        onChoose={(material) =>
          set([
            ...courses,
            material.is_sheet
              ? { material: material.key }
              : { material: material.key, thickness_m: FIRST_COURSE_M },
          ])
        }
      />
    </PlotPanel>
  );
}
