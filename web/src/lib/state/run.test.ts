// @vitest-environment jsdom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { queries } from './queries';
import { RunStore } from './run.svelte';

let state: string;
let sha256: string | null;
let asked: number;
let pulse: (data: unknown) => void;

vi.mock('../api/client', async (original) => ({
  ...(await original<object>()),
  default: {
    GET: async () => {
      asked++;
      return { data: { id: 'r', state, parcels: [{ name: 'zip', sha256 }] }, response: { ok: true } };
    },
  },
}));

beforeEach(() => {
  vi.useFakeTimers();
  queries.clear();
  [state, sha256, asked] = ['printing', null, 0];
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener(_: string, listener: (event: { data: string }) => void) {
        pulse = (data) => listener({ data: JSON.stringify(data) });
      }
      close() {}
    },
  );
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('after a long run the checksum comes by itself, and is asked for no longer than that', async () => {
  const over = vi.fn();
  const run = new RunStore('r', over);
  await vi.advanceTimersByTimeAsync(10);
  for (let i = 0; i < 300; i++) pulse({ state: 'printing', progress: { fraction: i / 300 }, failure: null });
  state = 'done';
  pulse({ state: 'done', progress: { fraction: 1 }, failure: null });
  await vi.advanceTimersByTimeAsync(5_000);
  expect([over.mock.calls.length, run.view!.parcels[0]!.sha256]).toEqual([1, null]);
  sha256 = 'abc';
  await vi.advanceTimersByTimeAsync(5_000);
  expect(run.view!.parcels[0]!.sha256).toBe('abc');
  const sofar = asked;
  await vi.advanceTimersByTimeAsync(120_000);
  expect(asked).toBe(sofar);
});
