import { QueryObserver } from "@tanstack/react-query";
import { LatestQueries } from "../src/app/LatestQueries";

const KEY = ["figure", 3];

/** Something that is kept elsewhere, asked for over a line on which answers arrive when they are told to. */
class Line {
  kept = "before";
  asked = 0;
  private onTheirWay: (() => void)[] = [];

  ask = () => {
    this.asked += 1;
    const answer = this.kept;
    return new Promise<string>((resolve) => this.onTheirWay.push(() => resolve(answer)));
  };

  /** Let all arrive that is on its way, the last first, and what is asked for by that. */
  async arrive(): Promise<void> {
    for (let turn = 0; turn < 5; turn += 1) {
      for (const arrives of this.onTheirWay.splice(0).reverse()) arrives();
      await new Promise((resolve) => setTimeout(resolve));
    }
  }
}

/** Open a view of it, let a change happen while it is asked for or after; what the view shows, and how often it asked. */
async function changed(
  isShown: boolean,
  change: (queries: LatestQueries, line: Line) => void,
): Promise<[string | undefined, number]> {
  const [queries, line] = [new LatestQueries(), new Line()];
  queries.mount();
  const view = new QueryObserver<string>(queries, { queryKey: KEY, queryFn: line.ask, staleTime: 60_000 });
  const leave = view.subscribe(() => undefined);
  if (isShown) {
    await line.arrive();
    void view.refetch();
  }
  line.kept = "after";
  change(queries, line);
  await line.arrive();
  const { data } = view.getCurrentResult();
  leave();
  queries.clear();
  queries.unmount();
  return [data, line.asked];
}

export const saved = (isShown: boolean) =>
  changed(isShown, (queries) => void queries.invalidateQueries({ queryKey: KEY }));

export const answered = (isShown: boolean) =>
  changed(isShown, (queries, line) => void queries.setQueryData(KEY, line.kept));

/** A view that waits while its bed is being saved: it asks no more until that has arrived. */
export async function waiting(): Promise<[string | undefined, number]> {
  const [queries, line] = [new LatestQueries(), new Line()];
  queries.mount();
  const asked = { queryKey: KEY, queryFn: line.ask, staleTime: 60_000 };
  const view = new QueryObserver<string>(queries, asked);
  const leave = view.subscribe(() => undefined);
  await line.arrive();
  void view.refetch();
  view.setOptions({ ...asked, enabled: false });
  line.kept = "after";
  void queries.invalidateQueries({ queryKey: KEY });
  await line.arrive();
  view.setOptions({ ...asked, enabled: true });
  await line.arrive();
  const { data } = view.getCurrentResult();
  leave();
  queries.clear();
  queries.unmount();
  return [data, line.asked];
}

export const elsewhere = (isShown: boolean) =>
  changed(isShown, (queries) => void queries.invalidateQueries({ queryKey: ["figure", 4] }));
