/** What was asked of the server and is kept until something changes it. */
import { type InvalidateQueryFilters, QueryClient } from "@tanstack/react-query";
import { Unreachable } from "./client";

/** An answer that was on its way when something changed speaks of before: it is not taken, but asked for anew. */
class Answers extends QueryClient {
  override invalidateQueries(...[filters, options]: Parameters<QueryClient["invalidateQueries"]>): Promise<void> {
    const first = this.getQueryCache()
      .findAll({ ...(filters as InvalidateQueryFilters | undefined), type: "active", fetchStatus: "fetching" })
      .filter((query) => query.state.data === undefined);
    for (const query of first) void query.cancel({ silent: true });
    return super.invalidateQueries(filters, options);
  }
}

export const answers = () =>
  new Answers({
    defaultOptions: {
      queries: {
        staleTime: 2_000,
        retry: (failures, error) => error instanceof Unreachable && failures < 20,
        retryDelay: 1_000,
        networkMode: "always",
      },
    },
  });
