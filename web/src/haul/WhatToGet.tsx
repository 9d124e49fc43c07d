import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import type { Material, Sources, Supplier, TalliedFigures } from "../api/client";
import { Choice } from "../kit/Choice";
import { Column, Row } from "../kit/Row";
import { SCREEN_ONLY } from "../theme/sizes";
import { ByBed } from "./ByBed";
import { SupplierPanel } from "./SupplierPanel";
import { withSupplier } from "./suppliers";

type By = "supplier" | "bed";
const WAYS: readonly (readonly [By, string])[] = [
  ["supplier", "supplier by supplier"],
  ["bed", "beside each bed"],
];

type Props = {
  gardenId: number;
  figures: TalliedFigures["figures"];
  sources: Sources;
  materials: ReadonlyMap<string, Material>;
  onSources: (change: (now: Sources) => Sources) => void;
  onForget: (supplier: Supplier) => void;
};

/** The list to get and tick off: by supplier, a page each on paper, or by the bed it is set down beside. */
export function WhatToGet({ gardenId, figures, sources, materials, onSources, onForget }: Props) {
  const [by, setBy] = useState<By>("supplier");
  const { haul } = figures;
  const names = new Map(
    figures.needs.flatMap(({ beds: own }) => own.map(({ bed, name }) => [bed, name] as const)),
  );
  return (
    <Column data-part="what-to-get" sx={{ "@media (max-width: 760px)": { order: -1 } }}>
      {haul && (
        <Row data-part="haul-by" sx={SCREEN_ONLY}>
          <Choice label="The haul is shown" options={WAYS} value={by} onChoose={setBy} />
          <Takings gardenId={gardenId} suppliers={sources.suppliers} />
        </Row>
      )}
      {by === "bed" && haul ? (
        <ByBed gardenId={gardenId} />
      ) : (
        sources.suppliers.map((supplier) => (
          <SupplierPanel
            key={supplier.key}
            gardenId={gardenId}
            supplier={supplier}
            lines={haul?.lines.filter((line) => line.supplier === supplier.key) ?? []}
            sums={haul?.suppliers.find((each) => each.supplier === supplier.key)}
            materials={materials}
            bought={sources.bought ?? []}
            onBought={(change) => onSources((now) => ({ ...now, bought: change([...(now.bought ?? [])]) }))}
            fixed={sources.fixed ?? []}
            onFixed={(change) => onSources((now) => ({ ...now, fixed: change([...(now.fixed ?? [])]) }))}
            nameOf={(bed) => names.get(bed) ?? bed}
            onKeep={(changed) => onSources((now) => withSupplier(now, changed))}
            onForget={() => onForget(supplier)}
          />
        ))
      )}
    </Column>
  );
}

/** The list to take along: on paper, as a table, as a workbook. */
function Takings({ gardenId, suppliers }: { gardenId: number; suppliers: readonly Supplier[] }) {
  const at = `/api/gardens/${gardenId}/shopping-list`;
  return (
    <>
      <Button
        component={Link}
        to={`/garden/${gardenId}/papers?${suppliers.map(({ key }) => `sheet=list:${key}`).join("&")}`}
      >
        Print
      </Button>
      <Button component="a" href={`${at}.xlsx`} download>
        As a workbook
      </Button>
      <Button component="a" href={`${at}.csv`} download>
        As CSV
      </Button>
    </>
  );
}
