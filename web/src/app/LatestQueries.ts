import {
  QueryClient,
  type InvalidateOptions,
  type InvalidateQueryFilters,
  type Query,
  type QueryClientConfig,
  type QueryKey,
} from "@tanstack/react-query";

/** Queries in which no answer stands that was given before the last change: what was on its way then is asked for anew. */
export class LatestQueries extends QueryClient {
  constructor(config: QueryClientConfig = {}) {
    super(config);
    this.getQueryCache().subscribe((event) => {
      const isSet = event.type === "updated" && event.action.type === "success" && event.action.manual;
      if (isSet && isOnItsWay(event.query)) void this.askAnew(event.query);
    });
  }

  /** As in QueryClient; no answer that is on its way arrives as if it were newer, also where nobody waits for it now. */
  override async invalidateQueries<Key extends QueryKey = QueryKey>(
    filters?: InvalidateQueryFilters<Key>,
    options?: InvalidateOptions,
  ): Promise<void> {
    const onTheirWay = this.getQueryCache().findAll(filters).filter(isOnItsWay);
    if (onTheirWay.length > 0) await Promise.all(onTheirWay.map(leave));
    return super.invalidateQueries(filters, options);
  }

  private async askAnew(query: Query): Promise<void> {
    await leave(query);
    await super.invalidateQueries({ queryKey: query.queryKey, exact: true });
  }
}

const isOnItsWay = ({ state }: Query) => state.fetchStatus === "fetching";

/** Leave off asking: what is there stays. */
const leave = (query: Query) => query.cancel({ revert: true });
