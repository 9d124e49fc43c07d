import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { AccountSection, LeavingNotice } from "../account/AccountView";
import { api, saidOf, type GardenHead } from "../api/client";
import { GardenPlace, GardenYear } from "../climate/GardenYear";
import { NameField } from "../kit/NameField";
import { Note } from "../kit/Note";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import { ArchiveImport } from "./ArchiveImport";
import { GardenList, GardensFrame } from "./gardens.styles";
import { RuledList } from "../kit/RuledList";
import { NewGarden } from "./NewGarden";
import { PlanImport } from "./PlanImport";
import { useGardenChange } from "./useGardenChange";

/** All gardens of the gardener: open, name, copy, take out as a file, put into the bin and take back. */
export default function GardensView() {
  const gardens = useQuery({ queryKey: ["gardens"], queryFn: api.gardens });
  if (gardens.error && !gardens.data) return <PageNote>{saidOf(gardens.error)}</PageNote>;
  if (!gardens.data) return <PageWait saying="Opening ..." />;
  const kept = gardens.data.filter((garden) => !garden.deleted_at);
  const binned = gardens.data.filter((garden) => garden.deleted_at);
  return (
    <GardensFrame>
      <LeavingNotice />
      <Typography variant="view">{kept.length === 0 ? "Start the first garden" : "Gardens"}</Typography>
      <GardenList data-part="garden-list">
        {kept.map((garden) => (
          <li key={garden.id}>
            <GardenCard garden={garden} />
          </li>
        ))}
        <li>
          <NewGarden />
        </li>
      </GardenList>
      <PlanImport gardens={kept} />
      <ArchiveImport />
      {binned.length > 0 && (
        <Sheet component="section" aria-labelledby="garden-bin">
          <Typography variant="sheetTitle" id="garden-bin">
            In the bin, for 30 days
          </Typography>
          <RuledList data-part="garden-bin">
            {binned.map((garden) => (
              <BinnedGarden key={garden.id} garden={garden} />
            ))}
          </RuledList>
        </Sheet>
      )}
      <AccountSection />
    </GardensFrame>
  );
}

function GardenCard({ garden }: { garden: GardenHead }) {
  const queries = useQueryClient();
  const tell = useTell();
  const copy = useGardenChange(() => api.copyGarden(garden.id));
  const back = useGardenChange(() => api.takeGardenBack(garden.id));
  const remove = useGardenChange(
    () => api.deleteGarden(garden.id),
    () => tell(`${garden.name} lies in the bin, for 30 days.`, () => back.mutate()),
  );
  const rename = useMutation({
    mutationFn: (name: string) => api.changeGarden(garden.id, (head) => ({ ...head, name })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["gardens"] });
      void queries.invalidateQueries({ queryKey: ["garden", garden.id] });
    },
  });
  const error = copy.error ?? remove.error ?? rename.error;
  return (
    <Sheet data-part="garden-card" sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 2 }}>
      <Typography variant="sheetTitle">
        <NameField
          label={`Name of ${garden.name}`}
          name={garden.name}
          onName={(name) => rename.mutate(name)}
        />
      </Typography>
      <Note>{garden.beds === 1 ? "1 bed" : `${garden.beds} beds`}</Note>
      <GardenYear gardenId={garden.id} />
      <GardenPlace gardenId={garden.id} />
      <Row>
        <Button component={Link} variant="contained" to={`/garden/${garden.id}/plot`}>
          Open
        </Button>
        <Button onClick={() => copy.mutate()}>Copy</Button>
        <Button component={Link} to={`/garden/${garden.id}/share`}>
          Share
        </Button>
        <Button component="a" href={`/api/gardens/${garden.id}/plan`} download>
          Plan file
        </Button>
        <Button component="a" href={`/api/gardens/${garden.id}/archive`} download>
          Archive
        </Button>
        <Button variant="text" color="primary" onClick={() => remove.mutate()}>
          To the bin
        </Button>
      </Row>
      {error && <Problem>{saidOf(error)}</Problem>}
    </Sheet>
  );
}

function BinnedGarden({ garden }: { garden: GardenHead }) {
  const back = useGardenChange(() => api.takeGardenBack(garden.id));
  return (
    <li>
      <Typography variant="strong">{garden.name}</Typography>
      <Note component="span">{garden.beds === 1 ? "1 bed" : `${garden.beds} beds`}</Note>
      <Button onClick={() => back.mutate()}>Take it back</Button>
      {back.error && <Problem>{saidOf(back.error)}</Problem>}
    </li>
  );
}
