// @vitest-environment jsdom
import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FindingsStore } from './findings.svelte';
import type { HandoffStore } from './handoff.svelte';
import { queries } from './queries';
import type { SessionStore } from './session.svelte';

let asked: { path: string; count?: number }[];
let unmeasured: number;

vi.mock('../api/client', async (original) => ({
  ...(await original<object>()),
  default: {
    GET: async (path: string, { params }: { params: { query: { count?: number } } }) => {
      asked.push({ path: path.split('/').at(-1)!, ...(params.query.count ? { count: params.query.count } : {}) });
      const open = { stops: 1, look: 2, know: 3 };
      const data = { open, left: 0, unmeasured, findings: [], names: [], sessionRevision: 1, handoffRevision: 1 };
      return { data, response: { ok: true } };
    },
  },
}));

class World {
  session = $state({ id: 's', state: { revision: 1 } });
  handoff = $state({ id: 'h', state: { revision: 1 }, failure: undefined });
}

let world: World;
let store: FindingsStore;
let leave: () => void;

beforeEach(() => {
  vi.useFakeTimers();
  queries.clear();
  asked = [];
  unmeasured = 0;
  world = new World();
  store = new FindingsStore(world.session as unknown as SessionStore, world.handoff as unknown as HandoffStore);
  leave = $effect.root(() => {
    $effect(() => store.follow());
  });
});
afterEach(() => {
  leave();
  store.close();
  vi.useRealTimers();
});

async function wait(ms: number) {
  flushSync();
  await vi.advanceTimersByTimeAsync(ms);
  flushSync();
  await vi.advanceTimersByTimeAsync(0);
}

describe('what is found', () => {
  it('is asked for once, however long one looks at it', async () => {
    await wait(10);
    expect(store.summary?.open.stops).toBe(1);
    for (let i = 0; i < 20; i++) await wait(1_000);
    expect(asked).toEqual([{ path: 'summary' }]);
  });

  it('is asked for again after an edit, once for many that come fast', async () => {
    await wait(10);
    for (let revision = 2; revision < 12; revision++) {
      world.session.state = { revision };
      await wait(30);
    }
    await wait(1_000);
    expect(asked).toHaveLength(2);
  });

  it('is asked for until all is measured', async () => {
    unmeasured = 4;
    await wait(2_000);
    expect(asked.length).toBeGreaterThan(2);
    unmeasured = 0;
    await wait(2_000);
    const sofar = asked.length;
    for (let i = 0; i < 5; i++) await wait(1_000);
    expect(asked).toHaveLength(sofar);
  });

  it('comes whole where it is looked at, and more of it when asked for', async () => {
    await wait(10);
    store.looking = true;
    await wait(500);
    store.more();
    await wait(500);
    expect(asked.slice(1)).toEqual([
      { path: 'findings', count: 100 },
      { path: 'findings', count: 200 },
    ]);
  });
});
