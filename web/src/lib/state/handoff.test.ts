// @vitest-environment jsdom
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Handoff, HandoffState } from '../api/types';
import { HandoffStore } from './handoff.svelte';
import { queries } from './queries';

const plain: Handoff = {
  name: 'Mixer',
  brief: { name: 'For mixing', rows: 'all', stations: {}, settings: {} },
  settings: {},
  added: [],
  leftOut: [],
  sections: [],
  byRow: {},
  order: [],
  message: null,
};
let stored: Record<string, { handoff: Handoff; revision: number }>;
let broken: string | undefined;
let sent: { url: string; method: string; body: unknown }[];

const state = (id: string): HandoffState => ({
  id,
  sessionId: 's',
  sessionRevision: 1,
  revision: stored[id]!.revision,
  handoff: stored[id]!.handoff,
  settled: {},
  behind: {},
  usual: {},
  sentence: [],
  byHand: ['1 file added'],
  loss: null,
  plan: {
    rows: [{ row: 'a', asked: ['raw'], stations: ['raw', 'mix'] }],
    prints: [],
  } as unknown as HandoffState['plan'],
  doubled: [],
  estimate: { seconds: 1, least: 1, most: 1, bytes: 1, bytesFree: 9 },
});

/** A server with handoffs; a change against an old revision is refused with what there is now. */
function serve(
  method: string,
  path: string,
  body: { name?: string; revision?: number; handoff?: Handoff } | undefined,
): { status: number; json: unknown } {
  sent.push({ url: path, method, body });
  if (path.endsWith('/runs') && method === 'POST') return { status: 202, json: { id: 'run' } };
  if (path.endsWith('/runs')) return { status: 200, json: [] };
  if (path === '/api/sessions/s/handoffs' && method === 'POST') {
    stored.new = { handoff: { ...plain, name: body!.name! }, revision: 1 };
    return { status: 201, json: state('new') };
  }
  if (path === '/api/sessions/s/handoffs')
    return {
      status: 200,
      json: Object.keys(stored).map((id) => ({
        id,
        name: stored[id]!.handoff.name,
        brief: stored[id]!.handoff.brief.name,
      })),
    };
  const id = path.split('/')[3]!;
  if (method === 'PUT') {
    if (body!.revision !== stored[id]!.revision)
      return {
        status: 409,
        json: { title: 'x', status: 409, detail: 'Changed in another window.', current: state(id) },
      };
    stored[id] = { handoff: body!.handoff!, revision: body!.revision! + 1 };
  }
  return broken ? { status: 422, json: { title: 'x', status: 422, detail: broken } } : { status: 200, json: state(id) };
}

vi.mock('../api/client', async (original) => {
  const call =
    (method: string) => async (path: string, options: { params?: { path?: Record<string, string> }; body?: never }) => {
      const filled = path.replace(/\{(\w+)\}/g, (_, name: string) => options.params?.path?.[name] ?? '');
      const { status, json } = serve(method, filled, options.body);
      const response = { ok: status < 400, status } as Response;
      return status < 400 ? { data: json, response } : { error: json, response };
    };
  return {
    ...(await original<object>()),
    default: { GET: call('GET'), POST: call('POST'), PUT: call('PUT'), DELETE: call('DELETE') },
  };
});

beforeEach(() => {
  queries.clear();
  stored = { one: { handoff: plain, revision: 1 }, two: { handoff: { ...plain, name: 'Singer' }, revision: 1 } };
  sent = [];
  sessionStorage.clear();
});

async function opened(): Promise<HandoffStore> {
  const store = new HandoffStore('s');
  await vi.waitFor(() => expect(store.runsKnown && store.state).toBeTruthy());
  return store;
}

describe('a handoff in the page', () => {
  it('what was printed is there although nothing can be planned', async () => {
    broken = 'The recording “a.wav” cannot be read.';
    const store = new HandoffStore('s');
    await vi.waitFor(() => expect(store.failure).toBe(broken));
    expect([store.id, store.runsKnown, store.state]).toEqual(['one', true, undefined]);
    broken = undefined;
    await store.load();
    expect(store.failure).toBeUndefined();
    expect(store.state!.id).toBe('one');
  });

  it('changes are made one on the other, and undone one by one', async () => {
    const store = await opened();
    await Promise.all([
      store.set({ depth: 'int16' }),
      store.setRow('a', { trimDb: -2 }),
      store.stamp([{ row: 'a', station: 'mix' }], true),
    ]);
    expect(stored.one!.handoff).toMatchObject({
      settings: { depth: 'int16' },
      byRow: { a: { trimDb: -2 } },
      added: [{ row: 'a', station: 'mix' }],
    });
    await store.undo();
    await store.undo();
    expect(stored.one!.handoff).toMatchObject({ settings: { depth: 'int16' }, byRow: {}, added: [] });
    await store.undo();
    expect(stored.one!.handoff).toEqual(plain);
    expect(store.canUndo).toBe(false);
  });

  it('another brief keeps what was set by hand', async () => {
    const store = await opened();
    await store.setRow('a', { trimDb: -2 });
    await store.setBrief({ ...plain.brief, name: 'Groups' });
    expect(stored.one!.handoff.brief.name).toBe('Groups');
    expect(stored.one!.handoff.byRow).toEqual({ a: { trimDb: -2 } });
    await store.letGo();
    expect(stored.one!.handoff).toMatchObject({ byRow: {}, settings: {}, added: [] });
    expect(stored.one!.handoff.brief.name).toBe('Groups');
  });

  it('a change made on an old state is given up, and the newer one shown', async () => {
    const store = await opened();
    stored.one = { handoff: { ...plain, name: 'Renamed elsewhere' }, revision: 2 };
    await store.set({ depth: 'int16' });
    expect(store.handoff.name).toBe('Renamed elsewhere');
    expect(store.canUndo).toBe(false);
    await store.set({ depth: 'int16' });
    expect(stored.one!.handoff).toMatchObject({ name: 'Renamed elsewhere', settings: { depth: 'int16' } });
  });

  it('what is printed holds the change made just before', async () => {
    const store = await opened();
    const change = store.set({ depth: 'int16' });
    expect(await store.print()).toBe('run');
    await change;
    const changing = sent.filter((each) => each.method !== 'GET').map((each) => each.method);
    expect(changing).toEqual(['PUT', 'POST']);
  });

  it('the one that is looked at is remembered, and a new one is looked at', async () => {
    const store = await opened();
    expect(store.handoff.name).toBe('Mixer');
    await store.pick('two');
    expect(store.handoff.name).toBe('Singer');
    expect((await opened()).handoff.name).toBe('Singer');
    await store.create('Archive room');
    expect(store.id).toBe('new');
    expect(store.all.map((each) => each.name)).toContain('Archive room');
    expect(sent.filter((each) => each.method === 'POST')[0]!.body).toEqual({ name: 'Archive room', brief: null });
  });
});
