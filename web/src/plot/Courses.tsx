import IconButton from "@mui/material/IconButton";
import type { Material, Plot, PlotFigures } from "../api/client";
import { Swatch } from "../drawing/Swatch";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { PlotCourses } from "./plot-sheet.styles";
import { PlotFact } from "./plot.styles";

type Course = NonNullable<Plot["courses"]>[number];
type Props = {
  gardenId: number;
  /** What they lie on, in words. */
  on: string;
  courses: readonly Course[];
  figures: readonly PlotFigures["courses"][number][];
  materials: ReadonlyMap<string, Material>;
  onSet: (courses: Course[]) => void;
};

const FIRST_COURSE_M = 0.05;

/** What lies on a path, course by course from the ground up; the haul counts it. */
export function Courses({ gardenId, on, courses, figures, materials, onSet: set }: Props) {
  const { units } = useShowing();
  return (
    <>
      <PlotCourses>
        {courses.map((course, index) => {
          const material = materials.get(course.material);
          const figured = figures[index];
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
                  label={`Thickness of ${material?.name ?? course.material} on ${on}`}
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
        label={courses.length === 0 ? `Lay on ${on}` : "Lay on top of that"}
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
    </>
  );
}
