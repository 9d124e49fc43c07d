import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
  api,
  saidOf,
  type KeptSources,
  type Material,
  type Supplier,
  type TalliedFigures,
} from "../api/client";
import { isFromBefore } from "../draft/isFromBefore";
import { useSaveState } from "../draft/SaveStateContext";
import { Note } from "../kit/Note";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { useTell } from "../kit/Tell";
import { useUndoKeys } from "../kit/useUndoKeys";
import { View, ViewHead, Work } from "../kit/View";
import { SCREEN_ONLY } from "../theme/sizes";
import { CostCurve } from "./CostCurve";
import { Fetching } from "./Fetching";
import { useSure } from "../sure/useSure";
import { NeedsList } from "./NeedsList";
import { OwnHeaps } from "./OwnHeaps";
import { PriceList } from "./PriceList";
import { SpringOrder } from "./SpringOrder";
import { SupplierEditor } from "./SupplierEditor";
import { Swaps } from "./Swaps";
import { ToPay } from "./ToPay";
import { WhatToGet } from "./WhatToGet";
import { withSupplier } from "./suppliers";
import { useBestHaul, type Looking } from "./useBestHaul";
import { useSources } from "./useSources";

type Props = { gardenId: number; materials: ReadonlyMap<string, Material> };

/** What to buy where for all beds, drawn as it will lie in the drive. */
export default function HaulView({ gardenId, materials }: Props) {
  const figured = useQuery({ queryKey: ["figure", gardenId], queryFn: () => api.figureGarden(gardenId) });
  const sources = useQuery({ queryKey: ["sources", gardenId], queryFn: () => api.sources(gardenId) });
  const best = useBestHaul(gardenId, (figured.data?.figures.haul ?? null) !== null);
  const error = figured.error ?? sources.error;
  if (figured.data && sources.data && !isFromBefore(sources))
    return (
      <Haul
        gardenId={gardenId}
        materials={materials}
        tallied={best.found ?? figured.data}
        looking={best}
        kept={sources.data}
      />
    );
  if (error) return <PageNote>{saidOf(error)}</PageNote>;
  return <PageWait saying="Working out what to buy ..." />;
}

/** On a phone the list to tick off comes first. */
const FIRST = { "@media (max-width: 760px)": { order: -2 } };

type HaulProps = Props & { tallied: TalliedFigures; looking: Looking; kept: KeptSources };

function Haul({ gardenId, materials, tallied, looking, kept }: HaulProps) {
  const [{ document: sources, save, canUndo }, draft] = useSources(gardenId, kept);
  const tell = useTell();
  useSaveState(save);
  useUndoKeys(
    () => draft.undo(),
    () => draft.redo(),
  );
  const [adding, setAdding] = useState(false);
  const [pricing, setPricing] = useState(false);
  const [swapping, setSwapping] = useState(false);
  const { figures } = tallied;
  // drawing a garden takes as long as looking for its haul: one after the other
  const sure = useSure(gardenId, !looking.looks);
  const beds = figures.beds.reduce((sum, bed) => sum + bed.count, 0);
  const put = (changed: Supplier) => draft.edit((now) => withSupplier(now, changed));
  const forget = (gone: Supplier) => {
    draft.edit((now) => ({ ...now, suppliers: now.suppliers.filter(({ key }) => key !== gone.key) }));
    tell(`${gone.name} is forgotten.`, () => draft.undo());
  };
  const supplierName = (key: string) => sources.suppliers.find((each) => each.key === key)?.name ?? key;
  return (
    <View data-part="haul-view">
      <Work>
        <ViewHead sx={FIRST}>
          <Typography variant="view">Haul</Typography>
          <Note sx={{ marginRight: "auto" }}>
            {beds === 1 ? "1 bed" : `${beds} beds`}
            {(figures.plot?.courses.length ?? 0) > 0 && " and the paths"}, after your own heaps; every volume
            is loose, as bought
          </Note>
          <Button sx={SCREEN_ONLY} aria-expanded={pricing} onClick={() => setPricing(!pricing)}>
            Prices
          </Button>
          <Button sx={SCREEN_ONLY} disabled={!canUndo} onClick={() => draft.undo()}>
            Undo
          </Button>
        </ViewHead>
        {save.state === "refused" && <Problem>{save.problem.detail} Nothing of this is saved yet.</Problem>}
        {save.state === "stale" && (
          <Alert severity="error">
            Suppliers or heaps were changed elsewhere. Yours are not saved yet; whichever you keep, undo
            brings the other back.
            <Row>
              <Button onClick={() => draft.settle("mine")}>Keep mine</Button>
              <Button onClick={() => draft.settle("theirs")}>Take the newer ones</Button>
            </Row>
          </Alert>
        )}
        {pricing && (
          <PriceList
            gardenId={gardenId}
            onTake={(change) => draft.edit((now) => ({ ...now, suppliers: change(now.suppliers) }))}
            onLeave={() => setPricing(false)}
          />
        )}
        {swapping && <Swaps gardenId={gardenId} onLeave={() => setSwapping(false)} />}
        <Column sx={SCREEN_ONLY}>
          <NeedsList needs={figures.needs} materials={materials} sure={sure.data?.needs} />
          {figures.spring && <SpringOrder order={figures.spring} />}
        </Column>
        <WhatToGet
          gardenId={gardenId}
          figures={figures}
          sources={sources}
          materials={materials}
          onSources={(change) => draft.edit(change)}
          onForget={forget}
        />
        <Column sx={SCREEN_ONLY}>
          {figures.haul && <Fetching gardenId={gardenId} haul={figures.haul} nameOf={supplierName} />}
          <CostCurve gardenId={gardenId} suppliers={sources.suppliers} materials={materials} />
          <OwnHeaps
            gardenId={gardenId}
            stock={sources.stock}
            needs={figures.needs}
            materials={materials}
            onChange={(change) => draft.edit((now) => ({ ...now, stock: change(now.stock) }))}
            onUndo={() => draft.undo()}
          />
          {adding ? (
            <Sheet component="section">
              <SupplierEditor
                gardenId={gardenId}
                supplier={{ key: freeKey(sources.suppliers), name: "", offers: [] }}
                materials={materials}
                onKeep={(supplier) => {
                  put(supplier);
                  setAdding(false);
                }}
                onLeave={() => setAdding(false)}
              />
            </Sheet>
          ) : (
            <Button sx={{ borderStyle: "dashed", minHeight: 44 }} onClick={() => setAdding(true)}>
              {sources.suppliers.length === 0 ? "Enter the first supplier" : "Enter another supplier"}
            </Button>
          )}
        </Column>
      </Work>
      <ToPay
        gardenId={gardenId}
        supplierName={supplierName}
        onPayLess={() => setSwapping(true)}
        tallied={tallied}
        looking={looking}
        certainty={sources.certainty ?? null}
        onCertainty={(certainty) => draft.edit((now) => ({ ...now, certainty }))}
      />
    </View>
  );
}

function freeKey(suppliers: readonly Supplier[]): string {
  const taken = new Set(suppliers.map(({ key }) => key));
  let number = suppliers.length + 1;
  while (taken.has(`supplier_${number}`)) number += 1;
  return `supplier_${number}`;
}
