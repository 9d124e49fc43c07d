import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { HaulPanel, HaulPanelHead, HaulShort } from "./haul.styles";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type Material, type NeedFigures, type Stock } from "../api/client";
import { showBulkVolume, showVolume } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { LoadDrawing } from "./LoadDrawing";

type Props = {
  gardenId: number;
  stock: readonly Stock[];
  needs: readonly NeedFigures[];
  materials: ReadonlyMap<string, Material>;
  onChanged: () => Promise<void>;
};

/** What lies on hand: it is used first. */
export function OwnHeaps({ gardenId, stock, needs, materials, onChanged }: Props) {
  const { units } = useShowing();
  const [adding, setAdding] = useState(false);
  const save = useMutation({
    mutationFn: (heaps: Stock[]) => api.saveStock(gardenId, heaps),
    onSuccess: onChanged,
  });
  const change = (material: string, volume_m3: number) =>
    save.mutate(stock.map((heap) => (heap.material === material ? { material, volume_m3 } : heap)));
  const loads = stock
    .filter((heap) => heap.volume_m3 > 0)
    .map((heap) => ({
      key: heap.material,
      material: heap.material,
      like: materials.get(heap.material)?.like,
      form: "heap" as const,
      count: 0,
      volume_m3: heap.volume_m3,
      caption: `${showVolume(heap.volume_m3, units)} ${(materials.get(heap.material)?.name ?? heap.material).split(",")[0]?.toLowerCase()}`,
    }));
  return (
    <HaulPanel variant="outlined" component="section" aria-label="Your own">
      <HaulPanelHead>
        <div>
          <h2>Your own</h2>
          <span>
            {stock.length
              ? "used before anything is bought"
              : "heaps and piles you have already are used first"}
          </span>
        </div>
        <Button onClick={() => setAdding(!adding)}>
          {adding ? "Leave it" : "Enter a heap"}
        </Button>
      </HaulPanelHead>
      {loads.length > 0 && <LoadDrawing loads={loads} />}
      {stock.length > 0 && (
        <Table data-part="haul-lines">
          <TableBody>
            {stock.map((heap) => {
              const need = needs.find((each) => each.material === heap.material);
              const name = materials.get(heap.material)?.name ?? heap.material;
              return (
                <TableRow key={heap.material}>
                  <TableCell>{name}</TableCell>
                  <TableCell align="right" data-part="haul-number">
                    <MeasureField
                      label={`${name} on hand, loose`}
                      hideLabel
                      limit="stock"
                      width="104px"
                      shown={
                        heap.volume_m3 >= 0.5
                          ? showBulkVolume(heap.volume_m3, units)
                          : showVolume(heap.volume_m3, units)
                      }
                      onMeaning={({ values: [value = 0] }) => change(heap.material, value)}
                    />
                  </TableCell>
                  <TableCell align="right" data-part="haul-number">
                    {need ? (
                      <>
                        <Quantity kind="volume" value={need.loose_m3} /> needed
                      </>
                    ) : (
                      "not needed"
                    )}
                  </TableCell>
                  <TableCell align="right" data-part="haul-number">
                    {need && need.to_buy_m3 > 0 ? <ShortBy need={need} /> : "enough"}
                  </TableCell>
                  <TableCell align="right" data-part="haul-number">
                    <Button
                     
                      aria-label={`Forget the heap of ${name}`}
                      onClick={() => save.mutate(stock.filter((each) => each.material !== heap.material))}
                    >
                      Forget
                    </Button>
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
      {save.error && <Problem role="alert">{saidOf(save.error)}</Problem>}
      {adding && (
        <NewHeap
          gardenId={gardenId}
          onHeap={(heap) => {
            save.mutate([...stock.filter((each) => each.material !== heap.material), heap]);
            setAdding(false);
          }}
        />
      )}
    </HaulPanel>
  );
}

function ShortBy({ need }: { need: NeedFigures }) {
  return (
    <HaulShort>
      <Quantity kind="volume" value={need.to_buy_m3} /> short
    </HaulShort>
  );
}

function NewHeap({ gardenId, onHeap }: { gardenId: number; onHeap: (heap: Stock) => void }) {
  const { units } = useShowing();
  const [material, setMaterial] = useState<Material | null>(null);
  const [volume_m3, setVolume] = useState<number>();
  return (
    <Row>
      <MaterialFinder
        gardenId={gardenId}
        label="A heap of"
        value={material}
        onChoose={setMaterial}
        suits={(each) => !each.is_sheet}
        autoFocus
      />
      <MeasureField
        label="Loose volume"
        limit="stock"
        width="130px"
        eager
        shown=""
        placeholder={units === "ft_in" ? "1 yd" : "0.5 m3"}
        onMeaning={({ values: [value] }) => setVolume(value)}
      />
      <Button
        variant="contained"
       
        disabled={!material || !volume_m3}
        onClick={() => material && volume_m3 && onHeap({ material: material.key, volume_m3 })}
      >
        Keep
      </Button>
    </Row>
  );
}
