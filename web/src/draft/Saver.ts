import { MutationObserver, type QueryClient } from "@tanstack/react-query";
import { backOff, worthTrying } from "../api/backOff";

export type Sent<T> = { document: T; revision: number; restores: number | undefined };

type Listener<Kept> = {
  /** It is on its way; `held` while there is no connection or the last try failed. */
  onWay: (held: boolean) => void;
  kept: (kept: Kept) => void;
  failed: (error: Error) => void;
};

/**
 * Saves a draft, one save at a time and always the newest: what is drawn while a save waits for the connection goes in
 * its place. Tries again with back-off and waits while the browser is offline.
 */
export class Saver<T, Kept> {
  private readonly observer: MutationObserver<Kept, Error, void>;
  private readonly unsubscribe: () => void;
  private readonly listener: Listener<Kept>;
  private busy = false;
  private gone = false;

  constructor(
    queries: QueryClient,
    name: string,
    newest: () => Sent<T>,
    send: (sent: Sent<T>) => Promise<Kept>,
    listener: Listener<Kept>,
  ) {
    this.listener = listener;
    this.observer = new MutationObserver<Kept, Error, void>(queries, {
      scope: { id: `save ${name}` },
      mutationFn: () => send(newest()),
      retry: worthTrying,
      retryDelay: backOff,
      networkMode: "online",
    });
    this.unsubscribe = this.observer.subscribe(({ status, failureCount, isPaused }) => {
      if (status === "pending" && !this.gone) listener.onWay(isPaused || failureCount > 0);
    });
  }

  get isBusy(): boolean {
    return this.busy;
  }

  /** Save what is newest, unless a save is under way already. */
  save(): void {
    if (this.busy || this.gone) return;
    this.busy = true;
    this.observer.mutate().then(
      (kept) => {
        this.busy = false;
        this.listener.kept(kept);
      },
      (error: Error) => {
        this.busy = false;
        this.listener.failed(error);
      },
    );
  }

  /** Nobody listens any more; what is on its way still arrives. */
  dispose(): void {
    this.gone = true;
    this.unsubscribe();
  }
}
