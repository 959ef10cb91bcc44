import { notifyManager, QueryClient } from '@tanstack/query-core';
import { Refusal } from '../api/client';

/** How often a server that is away is asked whether it is back. */
export const AWAY_MS = 3_000;

/** Whether nobody answered, or only to say “not now”; a refusal stays one however often it is asked for. */
export const isAway = (thrown: unknown): boolean =>
  thrown instanceof Refusal && (thrown.problem.status === 0 || thrown.problem.status === 503);

/** What the page knows of the server, each thing under the key of what it belongs to. */
export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always', // the server may be this very machine: no network is no reason not to ask
      retry: (failures, thrown) => isAway(thrown) && failures < 2,
      retryDelay: 500,
      structuralSharing: false, // answers are replaced whole, and some are a megabyte
    },
  },
});

notifyManager.setScheduler(queueMicrotask);
