import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Refused } from "../api/client";
import type { SaveState } from "../section/session";
import { blendApi, type Mix } from "./blendApi";
import * as drafts from "./mixDrafts";

const SAVE_AFTER_MS = 600;
const RETRY_MS = 3000;

type Story = { past: readonly Mix[]; mix: Mix; future: readonly Mix[]; gesture: string | null };

export type MixEdit = (change: (mix: Mix) => Mix, gesture?: string) => void;

/** A mix while it is drawn up: its draft, its steps back, and its saving. What can't be mixed stays here unsaved. */
export function useMixDraft(gardenId: number, kept: Mix) {
  const queries = useQueryClient();
  const [story, setStory] = useState<Story>(() => {
    const draft = drafts.read(gardenId, kept.key);
    return { past: draft ? [kept] : [], mix: draft ?? kept, future: [], gesture: null };
  });
  const [saved, setSaved] = useState<{ mix: Mix; at: string }>({ mix: kept, at: new Date().toISOString() });
  const { mutate, isPending, failureCount, error } = useMutation({
    // one after the other, so that what was tried while the line was down never lands on what came later
    scope: { id: `mix ${gardenId} ${kept.key}` },
    mutationFn: (mix: Mix) => blendApi.save(gardenId, mix),
    retry: (_count, failure) => !(failure instanceof Refused),
    retryDelay: RETRY_MS,
    networkMode: "always",
    onSuccess: (_answer, mix) => {
      setSaved({ mix, at: new Date().toISOString() });
      if (JSON.stringify(drafts.read(gardenId, mix.key)) === JSON.stringify(mix))
        drafts.forget(gardenId, mix.key);
      queries.setQueryData<Mix[]>(["mixes", gardenId], (before) =>
        before?.map((each) => (each.key === mix.key ? mix : each)),
      );
      for (const key of ["shelf", "figure", "zones", "haul"]) {
        void queries.invalidateQueries({ queryKey: [key, gardenId] });
      }
    },
  });
  const { mix } = story;
  const waits = mix !== saved.mix;
  useEffect(() => {
    if (!waits) return drafts.forget(gardenId, kept.key);
    drafts.keep(gardenId, mix);
    const timer = setTimeout(() => mutate(mix), SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [gardenId, kept.key, mix, waits, mutate]);

  // what was changed last is kept even if the screen is left before its time
  const leaving = useRef<Mix | null>(null);
  useEffect(() => {
    leaving.current = waits ? mix : null;
  });
  useEffect(
    () => () => {
      if (leaving.current) mutate(leaving.current);
    },
    [mutate],
  );

  const edit: MixEdit = useCallback((change, gesture) => {
    setStory((now) => {
      const mix = change(now.mix);
      if (mix === now.mix) return now;
      const past = gesture !== undefined && gesture === now.gesture ? now.past : [...now.past, now.mix];
      return { past, mix, future: [], gesture: gesture ?? null };
    });
  }, []);
  const endGesture = useCallback(() => setStory((now) => ({ ...now, gesture: null })), []);
  const undo = useCallback(
    () =>
      setStory((now) => {
        const before = now.past.at(-1);
        if (!before) return now;
        return { past: now.past.slice(0, -1), mix: before, future: [now.mix, ...now.future], gesture: null };
      }),
    [],
  );
  const redo = useCallback(
    () =>
      setStory((now) => {
        const [next, ...future] = now.future;
        if (!next) return now;
        return { past: [...now.past, now.mix], mix: next, future, gesture: null };
      }),
    [],
  );
  const save = useMemo<SaveState>(() => {
    if (!waits) return { state: "saved", at: saved.at };
    if (isPending && failureCount > 0) return { state: "offline" };
    return { state: isPending ? "saving" : "unsaved" };
  }, [waits, isPending, failureCount, saved.at]);
  const refusal = error instanceof Refused && waits && !isPending ? error : null;
  return { mix, edit, endGesture, undo, redo, canUndo: story.past.length > 0, save, refusal };
}
