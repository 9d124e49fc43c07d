import { useQuery } from "@tanstack/react-query";
import { Note } from "../kit/Note";
import { Row } from "../kit/Row";
import { useHead } from "../draft/useHead";
import { Pick } from "../theme/controls/Pick";
import { plantingApi, type CropOnShelf } from "./plantingApi";

const VIEWS = [
  ["", "As is usually said"],
  ["good", "Good together"],
  ["bad", "Bad together"],
  ["indifferent", "It makes no difference"],
] as const;

type Props = { gardenId: number; crops: readonly CropOnShelf[] };

/** What the gardener thinks of the bed's crops side by side, beside what is usually said. crops: of the bed, each once. */
export function NeighbourViews({ gardenId, crops }: Props) {
  const { head, change } = useHead(gardenId);
  const keys = crops.map(({ key }) => key);
  const said = useQuery({
    queryKey: ["neighbours", gardenId, keys],
    queryFn: () => plantingApi.neighbours(gardenId, keys),
  });
  const own = head?.neighbours ?? [];
  const pairs = crops.flatMap((one, index) => crops.slice(index + 1).map((other) => [one, other] as const));
  if (pairs.length === 0) return <Note>Two crops in the bed make a pair to think of.</Note>;
  const isPair = (a: string, b: string, one: CropOnShelf, other: CropOnShelf) =>
    (a === one.key && b === other.key) || (a === other.key && b === one.key);
  return (
    <>
      <Note>Evidence is mixed beside every pair; your own view goes before what is usually said.</Note>
      {pairs.map(([one, other]) => {
        const view = own.find(({ crop, beside }) => isPair(crop, beside, one, other))?.view ?? "";
        const lore = said.data?.find(({ crop, beside }) => isPair(crop, beside, one, other));
        return (
          <Row key={`${one.key} ${other.key}`} sx={{ alignItems: "flex-end" }} data-part="neighbours">
            <Pick
              label={`${one.name} and ${other.name.toLowerCase()}`}
              options={VIEWS}
              value={view}
              onChoose={(chosen) => {
                const others = own.filter(({ crop, beside }) => !isPair(crop, beside, one, other));
                change({
                  neighbours: chosen
                    ? [...others, { crop: one.key, beside: other.key, view: chosen }]
                    : others,
                });
              }}
            />
            {lore && (
              <Note>
                {lore.view === "good" ? "Said to be good" : "Said to be bad"}: {lore.because}.
              </Note>
            )}
          </Row>
        );
      })}
    </>
  );
}
