import client, { answer } from '../api/client';
import type { Pulse, RunView } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';

/** Pictures that could not be had are asked for again after a while. */
const AGAIN_MS = 5_000;
const OVER = ['done', 'failed', 'cancelled'];

/** One run, followed live until it is over. */
export class RunStore {
  view = $state.raw<RunView>();
  failure = $state<string>();
  private source?: EventSource;
  private askedForSums = 0;
  private pictures = new Map<number, Int16Array>();
  /** Grows when a picture has come, so that drawings know. */
  picturesCome = $state(0);

  constructor(
    readonly id: string,
    private readonly whenOver: (run: RunStore) => void,
  ) {
    void this.load(true);
  }

  get isOver(): boolean {
    return !!this.view && OVER.includes(this.view.state);
  }

  /** Once more, where it could not be had. */
  reload(): Promise<void> {
    return this.load(true);
  }

  private async load(first: boolean): Promise<void> {
    try {
      this.view = await answer(client.GET('/api/runs/{id}', { params: { path: { id: this.id } } }));
      this.failure = undefined;
      if (first && !this.isOver) this.follow();
      this.waitForSums();
    } catch (thrown) {
      this.failure = (thrown as Error).message;
    }
  }

  /** The zips' checksums come a while after the run is done. */
  private waitForSums(): void {
    if (
      this.view?.state === 'done' &&
      this.view.parcels.some((parcel) => !parcel.sha256) &&
      this.askedForSums++ < 100
    ) {
      setTimeout(() => void this.load(false), 1_000 + 100 * this.askedForSums);
    }
  }

  private follow(): void {
    this.source = new EventSource(`/api/runs/${this.id}/events`);
    this.source.addEventListener('pulse', (event) => {
      const pulse = JSON.parse((event as MessageEvent<string>).data) as Pulse;
      if (!this.view) return;
      this.view = {
        ...this.view,
        state: pulse.state,
        detail: pulse.progress,
        progress: pulse.progress.fraction,
        failure: pulse.failure,
      };
      if (this.isOver) {
        this.source?.close();
        void this.load(false).then(() => this.whenOver(this));
      }
    });
  }

  async cancel(): Promise<void> {
    try {
      await answer(client.POST('/api/runs/{id}/cancel', { params: { path: { id: this.id } } }));
      await this.load(false);
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  /** Has the files read once more, and follows that. */
  async readAgain(): Promise<void> {
    try {
      this.view = await answer(client.POST('/api/runs/{id}/proof', { params: { path: { id: this.id } } }));
      this.pictures.clear();
      this.follow();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  /** How a printed file looks; undefined while it is on its way. */
  picture(file: number): Int16Array | undefined {
    if (this.view?.state === 'done' && !this.pictures.has(file)) {
      this.pictures.set(file, new Int16Array());
      void fetch(`/api/runs/${this.id}/files/${file}/picture`)
        .then((response) => (response.ok ? response.arrayBuffer() : Promise.reject(new Error(response.statusText))))
        .then((buffer) => this.pictures.set(file, new Int16Array(buffer)))
        .catch(() => new Promise((wait) => setTimeout(wait, AGAIN_MS)).then(() => this.pictures.delete(file)))
        .then(() => this.picturesCome++);
    }
    const picture = this.pictures.get(file);
    return picture?.length ? picture : undefined;
  }
}
