import { hashKey, notifyManager, QueryObserver, type QueryObserverOptions } from '@tanstack/query-core';
import { AWAY_MS, isAway, queries } from './queries';

/** What is asked for, under a key that begins with what it belongs to and its id. */
export interface Asked<T> {
  key: readonly unknown[];
  ask: (signal: AbortSignal) => Promise<T>;
  /** Milliseconds until it is asked for again, given what came; never when undefined. */
  again?: (data: T) => number | undefined;
  /** What never changes is asked for once. */
  lasting?: boolean;
  /** What costs much is asked for by `load` alone. */
  onlyWhenLoaded?: boolean;
}

/**
 * One thing that the server has. It is asked for once however many look, again when the window is looked at again, and,
 * when the server was away, until it is back; an answer that a change overtook is dropped.
 */
export class Served<T> {
  // What came and what went wrong, each by itself: who depends on them is not woken by their being asked for again. No
  // derived values, which end with the view that happened to make the store.
  private came = $state.raw<T>();
  private wrong = $state.raw<string>();
  private asked: Asked<T> | undefined;
  private readonly observer: QueryObserver<T>;
  private readonly leave: () => void;

  constructor(asked?: Asked<T>) {
    this.asked = asked;
    this.observer = new QueryObserver(queries, options(asked));
    this.take();
    // told a moment later: stores are opened while something is worked out, when nothing may change
    this.leave = this.observer.subscribe(notifyManager.batchCalls(() => this.take()));
  }

  /** The newest that is known; undefined while nothing is. */
  get data(): T | undefined {
    return this.came;
  }

  /** Why it could not be had the last time; what is known from before stays. */
  get failure(): string | undefined {
    return this.wrong;
  }

  /**
   * Asks for something else. Until that has come, what was known is shown if it belongs to the same thing; a key that is
   * the same asks for nothing. Undefined while it is not known what to ask for.
   */
  about(asked: Asked<T> | undefined): void {
    this.asked = asked;
    this.observer.setOptions(options(asked));
    this.take();
  }

  /** Asks for something else, or for the same once more; done when it has come or could not be had. */
  async look(asked: Asked<T>): Promise<void> {
    const same = !!this.asked && hashKey(this.asked.key) === hashKey(asked.key);
    this.about(asked);
    await this.observer.refetch({ cancelRefetch: same }); // what asks for the first time is under way by itself
    this.take();
  }

  /** Asks now. What goes wrong is in `failure`. */
  async load(): Promise<void> {
    if (!this.asked) return;
    await this.observer.refetch();
    this.take();
  }

  /** Takes what an answer to a change said; what is on its way is older. */
  set(data: T): void {
    if (!this.asked) return;
    void queries.cancelQueries({ queryKey: this.asked.key, exact: true });
    queries.setQueryData(this.asked.key, data);
    this.take();
  }

  private take(): void {
    const { data, error } = this.observer.getCurrentResult();
    this.came = data;
    this.wrong = error?.message;
  }

  /** Nobody looks any more. */
  close(): void {
    this.leave();
  }
}

function options<T>(asked: Asked<T> | undefined): QueryObserverOptions<T> {
  return {
    queryKey: asked?.key ?? ['nothing'],
    queryFn: asked && (({ signal }) => asked.ask(signal)),
    placeholderData: (before, query) => (query?.queryKey[1] === asked?.key[1] ? before : undefined),
    enabled: !!asked && !asked.onlyWhenLoaded,
    staleTime: asked?.lasting ? Infinity : 0,
    refetchInterval: ({ state }) => {
      if (state.error) return isAway(state.error) ? AWAY_MS : false;
      return (state.data !== undefined && asked?.again?.(state.data)) || false;
    },
  };
}
