import Box from "@mui/material/Box";
import Drawer from "@mui/material/Drawer";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { Sign, type SignName } from "../drawing/Sign";
import { Choice } from "../kit/Choice";
import { Row } from "../kit/Row";
import type { Units } from "../quantities/format";
import { SchemeChoice } from "../theme/controls/SchemeChoice";
import type { Place, Places } from "./places";

export const UNITS = [
  ["ft_in", "ft in"],
  ["metric", "cm"],
] as const;

type Props = {
  places: Places;
  units: Units;
  onUnits: (units: Units) => void;
  onFind: () => void;
  onKeys: () => void;
  onClose: () => void;
};

/** All places, and what else the bars hold on a wide screen. */
export default function More({ places, units, onUnits, onFind, onKeys, onClose }: Props) {
  return (
    <Drawer
      open
      anchor="bottom"
      onClose={onClose}
      slotProps={{ paper: { "aria-label": "More", role: "dialog" } }}
    >
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "minmax(0, 1fr)",
          gap: 4,
          padding: 4,
          maxHeight: "86vh",
          overflow: "auto",
        }}
      >
        <PlaceGroup name="The garden" places={places.garden} onClose={onClose} />
        <PlaceGroup name="This bed" places={places.bed} onClose={onClose} />
        <PlaceGroup name="To take along" places={places.along} onClose={onClose} />
        <Row>
          <Entry sign="gardens" to="/gardens" label="Gardens and account" onClose={onClose} />
          <Button startIcon={<Sign name="find" />} onClick={onFind}>
            Find
          </Button>
          <Button startIcon={<Sign name="keys" />} onClick={onKeys}>
            Keys
          </Button>
        </Row>
        <Row sx={{ gap: 4 }}>
          <Choice label="Units" shown options={UNITS} value={units} onChoose={onUnits} />
          <SchemeChoice />
        </Row>
        <Button onClick={onClose}>Close</Button>
      </Box>
    </Drawer>
  );
}

function PlaceGroup({
  name,
  places,
  onClose,
}: {
  name: string;
  places: readonly Place[];
  onClose: () => void;
}) {
  return (
    <div>
      <Typography variant="panelTitle" sx={{ marginBottom: 2 }}>
        {name}
      </Typography>
      <Row>
        {places.map(({ name: sign, label, to }) => (
          <Entry key={sign} sign={sign} to={to} label={label} onClose={onClose} />
        ))}
      </Row>
    </div>
  );
}

function Entry({
  sign,
  to,
  label,
  onClose,
}: {
  sign: SignName;
  to: string;
  label: string;
  onClose: () => void;
}) {
  return (
    <Button component={Link} to={to} startIcon={<Sign name={sign} />} onClick={onClose}>
      {label}
    </Button>
  );
}
