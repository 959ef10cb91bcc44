import client, { answer } from '../lib/api/client';
import type { ShelfEntry, WaitingIntake } from '../lib/api/types';
import { Served } from '../lib/state/served.svelte';

/** The sessions there are, and what can be done with each as a whole. */
export class ShelfStore {
  private readonly served = new Served({
    key: ['shelf'],
    ask: (signal) => answer(client.GET('/api/sessions', { signal })),
  });

  private readonly intakes = new Served({
    key: ['intakes'],
    ask: (signal) => answer(client.GET('/api/intakes', { signal })),
  });

  /** What came and is no session yet. */
  get waiting(): WaitingIntake[] {
    return this.intakes.data ?? [];
  }

  get entries(): ShelfEntry[] | undefined {
    return this.served.data?.sessions;
  }

  /** Bytes left on the server's disk. */
  get free(): number {
    return this.served.data?.free ?? 0;
  }

  get failure(): string | undefined {
    return this.served.failure;
  }

  load = (): Promise<void> => this.served.load();

  close(): void {
    this.served.close();
    this.intakes.close();
  }

  /** Renames a session as it stands now; undo in the session takes it back. */
  async rename(id: string, title: string): Promise<void> {
    const now = await answer(client.GET('/api/sessions/{id}', { params: { path: { id } } }));
    const { artist, tempo, meter, key } = now.session.song;
    await answer(
      client.POST('/api/sessions/{id}/edits', {
        params: { path: { id } },
        body: { revision: now.revision, edit: { type: 'setSong', title, artist, tempo, meter, key } },
      }),
    );
    await this.load();
  }

  /** @returns the duplicate's id */
  async duplicate(id: string): Promise<string> {
    const made = await answer(client.POST('/api/sessions/{id}/duplicate', { params: { path: { id } } }));
    await this.load();
    return made.id;
  }

  async remove(id: string): Promise<void> {
    await answer(client.DELETE('/api/sessions/{id}', { params: { path: { id } } }));
    await this.load();
  }
}
