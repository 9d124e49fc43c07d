import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { createContext, useCallback, useContext, useState, type ReactNode } from "react";

type Told = { id: number; message: string; undo?: () => void };
type Tell = (message: string, undo?: () => void) => void;

const Context = createContext<Tell>(() => undefined);

const SHOWN_MS = 9000;

/** Where the page tells in passing what was done, with the click that undoes it. */
export function TellProvider({ children }: { children: ReactNode }) {
  const [told, setTold] = useState<Told | null>(null);
  const tell = useCallback<Tell>(
    (message, undo) => setTold((before) => ({ id: (before?.id ?? 0) + 1, message, undo })),
    [],
  );
  const close = () => setTold(null);
  const undo = told?.undo;
  return (
    <Context.Provider value={tell}>
      {children}
      <Snackbar
        key={told?.id}
        open={told !== null}
        autoHideDuration={SHOWN_MS}
        onClose={(_event, reason) => reason !== "clickaway" && close()}
        message={told?.message}
        action={
          undo && (
            <Button
              variant="link"
              onClick={() => {
                undo();
                close();
              }}
            >
              Undo
            </Button>
          )
        }
      />
    </Context.Provider>
  );
}

/** Tell in passing what was done, and how it is undone where it can be. */
export function useTell(): Tell {
  return useContext(Context);
}
