import Typography from "@mui/material/Typography";
import { Row } from "../kit/Row";
import { Note } from "../kit/Note";
import { BagsAndDepthBox, BagsAnswer } from "./plot.styles";
import { SizingBox, SizingList } from "./plot-sheet.styles";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, saidOf, type KeptGarden, type Material } from "../api/client";
import { Choice } from "../kit/Choice";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { useShowing } from "../quantities/UnitsContext";
import { BagsAndDepth } from "./BagsAndDepth";

type Props = { garden: KeptGarden; materials: ReadonlyMap<string, Material> };

const TOOLS = [
  ["bags", "Bags"],
  ["boards", "Boards"],
  ["liner", "Liner"],
  ["pots", "Pots"],
] as const;
type Tool = (typeof TOOLS)[number][0];

/** Sizing the other way round: from what there is to how deep, how much area, what size. */
export function Sizing({ garden, materials }: Props) {
  const [tool, setTool] = useState<Tool>("bags");
  return (
    <BagsAndDepthBox variant="outlined" component="section" aria-labelledby="sizing-title">
      <Typography variant="panelTitle" id="sizing-title">
        From what you have
      </Typography>
      <Choice label="Sized by" options={TOOLS} value={tool} onChoose={setTool} />
      {tool === "bags" && <BagsAndDepth garden={garden} materials={materials} />}
      {tool === "boards" && <Boards gardenId={garden.id} />}
      {tool === "liner" && <LinerBed gardenId={garden.id} />}
      {tool === "pots" && <Pots gardenId={garden.id} />}
    </BagsAndDepthBox>
  );
}

function Size({ length_m, width_m }: { length_m: number; width_m: number }) {
  return (
    <>
      <Quantity kind="length" value={length_m} /> × <Quantity kind="length" value={width_m} />
    </>
  );
}

/** How long a bed so many boards make, and which sizes waste none. */
function Boards({ gardenId }: { gardenId: number }) {
  const ft = useShowing().units === "ft_in";
  const [boards, setBoards] = useState<number>();
  const [board_m, setBoard] = useState<number>();
  const [wall_m, setWall] = useState<number>(0.038);
  const [width_m, setWidth] = useState<number>();
  const ready = boards && board_m && width_m;
  const answer = useQuery({
    queryKey: ["boards", gardenId, boards, board_m, wall_m, width_m],
    queryFn: ({ signal }) =>
      api.boards(
        gardenId,
        { boards: boards ?? 1, board_m: board_m ?? 1, wall_m, width_m: width_m ?? 1 },
        signal,
      ),
    enabled: Boolean(ready),
    retry: false,
  });
  return (
    <SizingBox>
      <Row>
        <MeasureField
          label="Boards, one course"
          limit="count"
          width="124px"
          eager
          shown=""
          placeholder="4"
          onMeaning={({ values: [v] }) => setBoards(v)}
        />
        <MeasureField
          label="One is long"
          limit="length"
          width="124px"
          eager
          shown=""
          placeholder={ft ? "8 ft" : "2.4 m"}
          onMeaning={({ values: [v] }) => setBoard(v)}
        />
      </Row>
      <Row>
        <MeasureField
          label="and thick"
          limit="wall"
          width="124px"
          eager
          shown=""
          placeholder={ft ? "1 1/2 in" : "38 mm"}
          onMeaning={({ values: [v = 0] }) => setWall(v)}
        />
        <MeasureField
          label="Bed wide, outside"
          limit="length"
          width="124px"
          eager
          shown=""
          placeholder={ft ? "4 ft" : "1.2 m"}
          onMeaning={({ values: [v] }) => setWidth(v)}
        />
      </Row>
      <BagsAnswer data-part="bags-answer" role="status">
        {answer.data && ready ? (
          <>
            <b>
              <Quantity kind="length" value={answer.data.longest.length_m} />
            </b>{" "}
            long at most, sides joined and running past the ends.
          </>
        ) : answer.error ? (
          saidOf(answer.error)
        ) : (
          "Type how many boards there are, how long and thick, and how wide the bed is to be."
        )}
      </BagsAnswer>
      {answer.data && ready && answer.data.without_waste.length > 0 && (
        <>
          <span>Outside sizes that waste none</span>
          <SizingList data-part="sizing-list">
            {answer.data.without_waste.map((size) => (
              <li key={`${size.length_m} ${size.width_m}`}>
                <span>
                  <Size {...size} />
                </span>
              </li>
            ))}
          </SizingList>
        </>
      )}
    </SizingBox>
  );
}

/** The largest bed that a liner lines. */
function LinerBed({ gardenId }: { gardenId: number }) {
  const ft = useShowing().units === "ft_in";
  const [size, setSize] = useState<number[]>();
  const [up_m, setUp] = useState<number>();
  const [length_m = 0, width_m = 0] = size ?? [];
  const ready = size && up_m;
  const answer = useQuery({
    queryKey: ["liner", gardenId, length_m, width_m, up_m],
    queryFn: ({ signal }) =>
      api.liner(gardenId, { length_m, width_m, up_m: up_m ?? 0.1, lap_m: 0.15 }, signal),
    enabled: Boolean(ready),
    retry: false,
  });
  return (
    <SizingBox>
      <MeasureField
        label="The liner"
        limit="length"
        dimensions
        width="100%"
        eager
        shown=""
        placeholder={ft ? "10 x 13 ft" : "3 x 4 m"}
        onMeaning={({ values }) => setSize(values.length >= 2 ? values.slice(0, 2) : undefined)}
      />
      <MeasureField
        label="Runs up the inside by"
        limit="depth"
        width="100%"
        eager
        shown=""
        placeholder={ft ? "12 in" : "30 cm"}
        onMeaning={({ values: [v] }) => setUp(v)}
      />
      <BagsAnswer data-part="bags-answer" role="status">
        {answer.data && ready ? (
          <>
            <b>
              <Size {...answer.data} />
            </b>{" "}
            inside at most, <Quantity kind="length" value={0.15} /> turned over the edge.
          </>
        ) : answer.error ? (
          saidOf(answer.error)
        ) : (
          "Type the liner's size and how far it runs up."
        )}
      </BagsAnswer>
    </SizingBox>
  );
}

/** Nursery pots by their class: what one of them takes. */
function Pots({ gardenId }: { gardenId: number }) {
  const [count, setCount] = useState(1);
  const pots = useQuery({ queryKey: ["pots", gardenId], queryFn: () => api.pots(gardenId) });
  return (
    <SizingBox>
      <MeasureField
        label="Pots"
        limit="count"
        width="90px"
        eager
        shown=""
        placeholder="1"
        onMeaning={({ values: [v = 1] }) => setCount(v)}
      />
      <Note>
        A pot&apos;s number is a class, not its gallons. What {count === 1 ? "one takes" : `${count} take`},
        level full:
      </Note>
      <SizingList data-part="sizing-list">
        {pots.data?.map((pot) => (
          <li key={pot.name}>
            <strong>{pot.name}</strong>
            <span>
              <Quantity kind="held" value={pot.least_m3 * count} /> to{" "}
              <Quantity kind="held" value={pot.most_m3 * count} />
            </span>
          </li>
        ))}
      </SizingList>
    </SizingBox>
  );
}
