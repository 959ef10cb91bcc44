// @vitest-environment jsdom
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { SessionState } from '../api/types';
import { SessionStore } from './session.svelte';
import { queries } from './queries';

let revision = 1;
const state = () => ({ id: 's', revision, session: { rows: [] } }) as unknown as SessionState;

vi.mock('../api/client', async (original) => ({
  ...(await original<object>()),
  default: {
    GET: async () => ({ data: state(), response: { ok: true, status: 200 } }),
    POST: async (_: string, { body }: { body: { revision: number } }) => {
      await new Promise((done) => setTimeout(done, 5));
      if (body.revision !== revision)
        return { error: { status: 409, detail: 'Changed in another window.' }, response: { ok: false, status: 409 } };
      revision++;
      return { data: state(), response: { ok: true, status: 200 } };
    },
  },
}));

beforeEach(() => queries.clear());

describe('edits of a session', () => {
  it('wait for each other, so that a held key is in nobody’s way', async () => {
    const store = new SessionStore('s');
    await vi.waitFor(() => expect(store.state).toBeTruthy());
    const rename = (name: string) => store.edit({ type: 'renameRow', row: 'r1', name, named: 'hand' });
    await Promise.all(['a', 'b', 'c', 'd'].map(rename));
    expect(store.state!.revision).toBe(5);
  });

  it('one that is refused lets the next through', async () => {
    const store = new SessionStore('s');
    await vi.waitFor(() => expect(store.state).toBeTruthy());
    revision++; // another window
    await expect(store.edit({ type: 'removeRow', row: 'r1' })).rejects.toThrow('another window');
    await store.load();
    await store.edit({ type: 'removeRow', row: 'r2' });
    expect(store.state!.revision).toBe(revision);
  });
});
