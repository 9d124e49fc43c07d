import Button from "@mui/material/Button";
import Modal from "@mui/material/Modal";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { KeptGarden } from "../api/client";
import { MaterialFinder } from "../shelf/MaterialFinder";
import { BedMark } from "./BedMark";

const KEYS: readonly (readonly [string, string])[] = [
  ["↑ ↓", "choose a layer"],
  ["Shift ↑ ↓", "nudge the top of the chosen layer by 1/2 in or 1 cm"],
  ["Alt ↑ ↓", "move the chosen layer"],
  ["A", "add a layer over the chosen one"],
  ["S", "split the chosen layer"],
  ["Delete", "remove the chosen layer"],
  ["Ctrl Z", "undo, across saves"],
  ["Ctrl Shift Z", "redo"],
  ["Enter", "take what is typed"],
  ["Esc", "leave what is typed as it was"],
  ["/", "find a bed or a material"],
  ["?", "this list"],
];

type Props = { garden: KeptGarden; bedPath: (key: string) => string };
type Open = "keys" | "find" | null;

/** The two things that keys open anywhere: the list of keys, and the finder. */
export function KeyDialogs({ garden, bedPath }: Props) {
  const [open, setOpen] = useState<Open>(null);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (typing || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key !== "?" && event.key !== "/") return;
      event.preventDefault();
      setOpen(event.key === "?" ? "keys" : "find");
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, []);
  const close = () => setOpen(null);
  return (
    <>
      <div>
        <Button
          onClick={() => setOpen("find")}
          aria-label="Find a bed or a material"
          title="Find a bed or a material: /"
        >
          /
        </Button>
        <Button onClick={() => setOpen("keys")} aria-label="List the keys" title="List the keys: ?">
          ?
        </Button>
      </div>
      <Modal open={open !== null} onClose={close}>
        <div role="dialog" aria-modal="true" aria-labelledby="dialog-title">
          {open === "keys" ? <KeyList /> : <Finder garden={garden} bedPath={bedPath} onDone={close} />}
          <Button onClick={close}>
            Close
          </Button>
        </div>
      </Modal>
    </>
  );
}

function KeyList() {
  return (
    <>
      <h2 id="dialog-title">Keys</h2>
      <dl>
        {KEYS.map(([keys, what]) => (
          <div key={keys}>
            <dt>
              {keys.split(" ").map((key) => (
                <kbd key={key}>{key}</kbd>
              ))}
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

function Finder({ garden, bedPath, onDone }: Props & { onDone: () => void }) {
  const navigate = useNavigate();
  const [words, setWords] = useState("");
  const go = (to: string) => {
    void navigate(to);
    onDone();
  };
  const wanted = words.trim().toLowerCase();
  const beds = garden.beds.filter(({ bed }) => (bed.name ?? "").toLowerCase().includes(wanted));
  return (
    <>
      <h2 id="dialog-title">Find</h2>
      <label htmlFor="find-bed">A bed</label>
      <input
        id="find-bed"
       
        value={words}
        autoFocus
        autoComplete="off"
        placeholder="its name"
        onChange={(event) => setWords(event.currentTarget.value)}
        onKeyDown={(event) => {
          const [first] = beds;
          if (event.key === "Enter" && first) go(bedPath(first.key));
        }}
      />
      <ul>
        {beds.slice(0, 6).map(({ key, bed }) => (
          <li key={key}>
            <Button onClick={() => go(bedPath(key))}>
              <BedMark bed={bed} />
              {bed.name}
            </Button>
          </li>
        ))}
        {beds.length === 0 && <li data-part="finder-none">No bed is called that.</li>}
      </ul>
      <MaterialFinder
        gardenId={garden.id}
        label="Or a material"
        value={null}
        onChoose={(material) => go(`/garden/${garden.id}/shelf/${material.key}`)}
      />
    </>
  );
}
