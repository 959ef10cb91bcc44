import client, { answer } from '../api/client';
import type { Pulse, RunView } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';
import { queries } from './queries';
import { Served } from './served.svelte';

/** Pictures that could not be had are asked for again after a while. */
const AGAIN_MS = 5_000;
const SELDOM_MS = 30_000;
const OVER = ['done', 'failed', 'cancelled'];

/** One run, followed live until it is over. */
export class RunStore {
  private readonly served: Served<RunView>;
  private source?: EventSource;
  private doneAt?: number;
  /** Grows when a picture has come, so that drawings know. */
  picturesCome = $state(0);

  constructor(
    readonly id: string,
    private readonly whenOver: (run: RunStore) => void,
  ) {
    this.served = new Served({
      key: ['run', id],
      ask: (signal) => answer(client.GET('/api/runs/{id}', { params: { path: { id } }, signal })),
      again: (view) => this.waitForSums(view),
    });
    void this.reload();
  }

  get view(): RunView | undefined {
    return this.served.data;
  }

  get failure(): string | undefined {
    return this.served.failure;
  }

  get isOver(): boolean {
    return !!this.view && OVER.includes(this.view.state);
  }

  /** As it is now; followed when it goes on. */
  async reload(): Promise<void> {
    await this.served.load();
    if (this.view && !this.isOver && !this.source) this.follow();
  }

  /** The zips' checksums come a while after the run is done; the longer they are missing, the less often they are asked for. */
  private waitForSums(view: RunView): number | undefined {
    if (view.state !== 'done' || view.parcels.every((parcel) => parcel.sha256)) return undefined;
    this.doneAt ??= Date.now();
    return Math.min(SELDOM_MS, 1_000 + (Date.now() - this.doneAt) / 10);
  }

  private follow(): void {
    this.source = new EventSource(`/api/runs/${this.id}/events`);
    this.source.addEventListener('pulse', (event) => {
      const pulse = JSON.parse((event as MessageEvent<string>).data) as Pulse;
      if (!this.view) return;
      this.served.set({
        ...this.view,
        state: pulse.state,
        detail: pulse.progress,
        progress: pulse.progress.fraction,
        failure: pulse.failure,
      });
      if (this.isOver) {
        this.source?.close();
        this.source = undefined;
        void this.served.load().then(() => this.whenOver(this));
      }
    });
  }

  async cancel(): Promise<void> {
    try {
      await answer(client.POST('/api/runs/{id}/cancel', { params: { path: { id: this.id } } }));
      await this.served.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  /** Has the files read once more, and follows that. */
  async readAgain(): Promise<void> {
    try {
      this.served.set(await answer(client.POST('/api/runs/{id}/proof', { params: { path: { id: this.id } } })));
      queries.removeQueries({ queryKey: this.pictures });
      this.follow();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  private get pictures(): string[] {
    return ['run', this.id, 'picture'];
  }

  /** How a printed file looks; undefined while it is on its way. */
  picture(file: number): Int16Array | undefined {
    const queryKey = [...this.pictures, file];
    const { data, fetchStatus, errorUpdatedAt } = queries.getQueryState<Int16Array>(queryKey) ?? {};
    const goesOn = fetchStatus === 'fetching' || Date.now() - (errorUpdatedAt ?? 0) < AGAIN_MS;
    if (data || goesOn || this.view?.state !== 'done') return data;
    const url = `/api/runs/${this.id}/files/${file}/picture`;
    void queries
      .fetchQuery({ queryKey, queryFn: ({ signal }) => fetchPicture(url, signal), gcTime: Infinity })
      .catch(() => new Promise((wait) => setTimeout(wait, AGAIN_MS)))
      .then(() => this.picturesCome++);
    return undefined;
  }
}

async function fetchPicture(url: string, signal: AbortSignal): Promise<Int16Array> {
  const response = await fetch(url, { signal });
  if (!response.ok) throw new Error(response.statusText);
  return new Int16Array(await response.arrayBuffer());
}
