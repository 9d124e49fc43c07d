import Button from "@mui/material/Button";
import type { Material, Plot, PlotFigures } from "../api/client";
import { OntoHeap } from "../ground/OntoHeap";
import { Disclosure } from "../kit/Disclosure";
import { NameField } from "../kit/NameField";
import { Note } from "../kit/Note";
import { Column, Row } from "../kit/Row";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { Courses } from "./Courses";

export type PlotPath = NonNullable<Plot["paths"]>[number];
type Props = {
  gardenId: number;
  path: PlotPath;
  number: number;
  figures: PlotFigures["paths"][number] | undefined;
  materials: ReadonlyMap<string, Material>;
  onChange: (change: Partial<PlotPath>) => void;
  onRemove: () => void;
};

/** One path: how wide, how deep it is dug, what lies on it, and where what is dug goes. */
export function OwnPath({ gardenId, path, number, figures, materials, onChange, onRemove }: Props) {
  const { units } = useShowing();
  const name = path.name ?? `Path ${number}`;
  return (
    <Column data-part="own-path">
      <Row sx={{ alignItems: "flex-end" }}>
        <NameField
          label={`Name of path ${number}`}
          name={name}
          onName={(named) => onChange({ name: named })}
        />
        {path.line_m != null && (
          <MeasureField
            label="Wide"
            limit="length"
            width="90px"
            shown={typedLength(path.width_m ?? 0, units)}
            onMeaning={({ values: [width_m] }) => onChange({ width_m })}
          />
        )}
        <MeasureField
          label="Dug out"
          limit="layer"
          width="90px"
          placeholder="not dug"
          shown={path.dug_m == null ? "" : typedLength(path.dug_m, units)}
          onMeaning={({ values: [dug_m] }) => onChange({ dug_m })}
        />
        <Button aria-label={`Remove ${name}`} onClick={onRemove}>
          ×
        </Button>
      </Row>
      {figures && (
        <Note>
          <Quantity kind="area" value={figures.area_m2} />, {standing(figures.raised_m)}
          {Math.abs(figures.raised_m) > 0.0005 && (
            <Quantity kind="length" value={Math.abs(figures.raised_m)} />
          )}
          {figures.raised_m > 0.0005 ? " over the ground" : figures.raised_m < -0.0005 ? " under it" : ""}.
          {figures.spoil_m3 > 0 && (
            <OntoHeap
              gardenId={gardenId}
              material="garden_soil"
              volume_m3={figures.spoil_m3}
              taken={path.spoil_on_heap ?? false}
              onTaken={() => onChange({ spoil_on_heap: true })}
              gives=" Digging gives"
              of="loose soil"
              lies="It lies on your heap of garden soil."
            />
          )}
        </Note>
      )}
      <Disclosure title={path.courses ? "courses of its own" : "courses as on all paths"}>
        {() => (
          <Courses
            gardenId={gardenId}
            on={name}
            courses={path.courses ?? []}
            figures={figures?.courses ?? []}
            materials={materials}
            onSet={(courses) => onChange({ courses })}
          />
        )}
      </Disclosure>
    </Column>
  );
}

function standing(raised_m: number): string {
  return Math.abs(raised_m) > 0.0005 ? "finished " : "finished level with the ground";
}
