import { Problem } from "../kit/Problem";
import Button from "@mui/material/Button";
import { Note } from "../kit/Note";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import { Row } from "../kit/Row";
import { WaterList } from "./water.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf } from "../api/client";
import { typedLength } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { FittedFactor } from "./FittedFactor";
import { waterApi, type Dip } from "./waterApi";

type Props = {
  gardenId: number;
  bedKey: string;
  /** The bed as it is kept, null while it isn't: what was read is told by it. */
  keptAs: string | null;
  dips: readonly Dip[];
  cropFactor: number;
  onCropFactor: (factor: number) => void;
};

const SHOWN = 5;

/** What the stick read: one field and one large button, for one hand. */
export function Dips({ gardenId, bedKey, keptAs, dips, cropFactor, onCropFactor }: Props) {
  const { units } = useShowing();
  const queries = useQueryClient();
  const [level, setLevel] = useState<number | null>(null);
  const again = () => queries.invalidateQueries({ queryKey: ["dips", gardenId, bedKey] });
  const told = useQuery({
    queryKey: ["dips", gardenId, bedKey, "told", keptAs],
    queryFn: () => waterApi.toldOfDips(gardenId, bedKey),
    enabled: keptAs !== null,
    placeholderData: (before) => before,
  });
  const log = useMutation({
    mutationFn: (level_m: number) => waterApi.logDip(gardenId, bedKey, level_m),
    onSuccess: async () => {
      setLevel(null);
      await again();
    },
  });
  const forget = useMutation({
    mutationFn: (id: number) => waterApi.forgetDip(gardenId, bedKey, id),
    onSuccess: again,
  });
  const error = log.error ?? forget.error;
  return (
    <section aria-labelledby="dips-title">
      <Typography variant="panelTitle" id="dips-title" sx={{ marginBottom: 1.5 }}>
        Dipstick
      </Typography>
      <Row sx={{ alignItems: "flex-end", marginBottom: 2 }}>
        <MeasureField
          key={dips.length}
          label="Water stands at"
          limit="depth"
          width="104px"
          eager
          shown={level === null ? "" : typedLength(level, units)}
          onMeaning={({ values: [read] }) => read !== undefined && setLevel(read)}
        />
        <Button
          variant="contained"
          sx={{ flex: 1, minHeight: 44 }}
          disabled={level === null}
          onClick={() => level !== null && log.mutate(level)}
        >
          Log it
        </Button>
      </Row>
      {error && <Problem>{saidOf(error)}</Problem>}
      <WaterList data-part="water-list">
        {dips.slice(0, SHOWN).map((dip) => (
          <li key={dip.id}>
            <span>{new Date(dip.at).toLocaleDateString("en-GB", { day: "numeric", month: "short" })}</span>
            <Quantity kind="length" value={dip.level_m} />
            <IconButton
              sx={{ marginLeft: "auto" }}
              aria-label="Forget this dip"
              onClick={() => forget.mutate(dip.id)}
            >
              ×
            </IconButton>
          </li>
        ))}
      </WaterList>
      {told.data && <Note>{told.data.message}</Note>}
      <FittedFactor now={cropFactor} fits={told.data?.crop_factor} onTake={onCropFactor} />
    </section>
  );
}
