// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { HandoffState, LevelsView, PlanRow } from '../api/types';
import type { HandoffStore } from './handoff.svelte';
import { Levels } from './levels.svelte';
import { queries } from './queries';

const level = (peakDbfs: number | null) => ({
  channels: 1,
  quietAt: 0,
  peakDbfs,
  peakFrame: peakDbfs === null ? null : 48,
  truePeakDbtp: peakDbfs,
  loudnessLufs: null,
});
let answers: LevelsView[];
let asked: number;

vi.mock('../api/client', async (original) => ({
  ...(await original<object>()),
  default: {
    GET: async () => ({ data: answers[Math.min(asked++, answers.length - 1)], response: { ok: true, status: 200 } }),
  },
}));

const view = (revision: number, levels: (ReturnType<typeof level> | null)[], pending = 0): LevelsView => ({
  revision,
  sessionRevision: 3,
  levels: levels.flatMap((each, print) => (each ? [{ print, level: each, at: each.peakFrame }] : [])),
  pending,
  others: [{ row: 'b', station: 'mix', peakDbfs: -9, loudnessLufs: null }],
  othersPending: pending,
  exact: pending ? null : { seconds: [3.5], bytes: 1_500 },
  failure: null,
});
const handoff = {
  id: 'h',
  state: {
    revision: 7,
    sessionRevision: 3,
    plan: { depth: 'int24', prints: [{ row: 'a' }, { row: 'a' }, { row: 'b' }] },
  } as unknown as HandoffState,
};
const row = (id: string) => ({ row: id }) as PlanRow;

beforeEach(() => {
  queries.clear();
  vi.useFakeTimers();
  asked = 0;
});
afterEach(() => vi.useRealTimers());

describe('levels in the plan', () => {
  it('come in while they are looked for, and are asked for no longer than that', async () => {
    answers = [view(7, [level(-3), null, null], 2), view(7, [level(-3), level(1.25), level(null)])];
    const levels = new Levels(handoff as unknown as HandoffStore);
    levels.follow();
    await vi.advanceTimersByTimeAsync(500);
    expect([levels.pending, levels.of(0)?.peakDbfs, levels.loudest(row('a')), levels.over.count]).toEqual([
      2,
      -3,
      undefined,
      0,
    ]);
    await vi.advanceTimersByTimeAsync(2_000);
    expect([levels.pending, levels.loudest(row('a')), levels.loudest(row('b')), levels.loudest(row('c'))]).toEqual([
      0,
      1.25,
      null,
      undefined,
    ]);
    expect(levels.over).toEqual({ count: 1, db: 1.25 });
    expect([levels.elsewhere('a'), levels.elsewhere('b').map((each) => each.peakDbfs)]).toEqual([[], [-9]]);
    expect([levels.silent, levels.placeOf(1), levels.placeOf(2), levels.exact?.seconds]).toEqual([
      [2],
      48,
      null,
      [3.5],
    ]);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(asked).toBe(2);
  });

  it('of another state of the plan are not shown, and floats have no end to pass', async () => {
    answers = [view(6, [level(2), level(2), level(2)])];
    const levels = new Levels(handoff as unknown as HandoffStore);
    levels.follow();
    await vi.advanceTimersByTimeAsync(500);
    expect([levels.of(0), levels.over.count]).toEqual([null, 0]);
    answers = [view(7, [level(2), level(2), level(2)])];
    const floats = { ...handoff, state: { ...handoff.state, plan: { ...handoff.state.plan, depth: 'float32' } } };
    const theirs = new Levels(floats as unknown as HandoffStore);
    theirs.follow();
    await vi.advanceTimersByTimeAsync(500);
    expect([theirs.of(0)?.peakDbfs, theirs.over.count]).toEqual([2, 0]);
  });
});
