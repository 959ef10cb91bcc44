import client, { answer } from '../lib/api/client';
import type { ShelfEntry } from '../lib/api/types';

/** The sessions there are, and what can be done with each as a whole. */
export class ShelfStore {
  entries = $state.raw<ShelfEntry[]>();
  /** Bytes left on the server's disk. */
  free = $state(0);
  failure = $state<string>();

  load = async (): Promise<void> => {
    try {
      const shelf = await answer(client.GET('/api/sessions'));
      this.entries = shelf.sessions;
      this.free = shelf.free;
      this.failure = undefined;
    } catch (thrown) {
      this.failure = (thrown as Error).message;
    }
  };

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
