import Button from "@mui/material/Button";
import { Row } from "../kit/Row";
import type { Material } from "../api/client";
import { showShare } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { MaterialFinder } from "../shelf/MaterialFinder";
import type { Mix } from "./blendApi";
import { withLimit, withoutLimit } from "./edits";
import type { MixEdit } from "./useMixDraft";

type Props = { gardenId: number; mix: Mix; materials: ReadonlyMap<string, Material>; onEdit: MixEdit };

/** How much of single materials the cheapest mix may and has to hold. */
export function Limits({ gardenId, mix, materials, onEdit }: Props) {
  const limits = mix.target?.limits ?? [];
  return (
    <Row sx={{ alignItems: "flex-end", marginTop: 3 }}>
      {limits.map(({ material, least = 0, most = 1 }) => {
        const name = materials.get(material)?.name ?? material;
        return (
          <Row key={material} role="group" aria-label={`Limits of ${name}`} sx={{ alignItems: "flex-end" }}>
            <MeasureField
              label={`${name} from`}
              limit="share"
              width="150px"
              shown={showShare(least)}
              onMeaning={({ values: [value] }) =>
                value !== undefined && onEdit((now) => withLimit(now, material, { least: value }))
              }
            />
            <MeasureField
              label="to"
              limit="share"
              width="70px"
              shown={showShare(most)}
              onMeaning={({ values: [value] }) =>
                value !== undefined && onEdit((now) => withLimit(now, material, { most: value }))
              }
            />
            <Button
              aria-label={`No limits of ${name}`}
              onClick={() => onEdit((now) => withoutLimit(now, material))}
            >
              ×
            </Button>
          </Row>
        );
      })}
      <MaterialFinder
        key={limits.length}
        gardenId={gardenId}
        label="Limit a material"
        value={null}
        suits={(each) => !each.is_sheet && !limits.some(({ material }) => material === each.key)}
        onChoose={({ key }) => onEdit((now) => withLimit(now, key, {}))}
      />
    </Row>
  );
}
