// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '../api/client';
import { queries } from './queries';
import { Served, type Asked } from './served.svelte';

let open: Served<string>[] = [];
const served = (asked?: Asked<string>) => {
  const made = new Served(asked);
  open.push(made);
  return made;
};
const soon = () => vi.advanceTimersByTimeAsync(1);
/** An answer that comes when it is told to. */
function answers() {
  const waiting: ((words: string) => void)[] = [];
  return { ask: () => new Promise<string>((come) => waiting.push(come)), waiting };
}

beforeEach(() => {
  vi.useFakeTimers();
  queries.clear();
});
afterEach(() => {
  open.forEach((each) => each.close());
  open = [];
  vi.useRealTimers();
});

describe('what the server has', () => {
  it('is asked for once by all who look', async () => {
    const ask = vi.fn(async () => 'a list');
    const [one, other] = [served({ key: ['shelf'], ask }), served({ key: ['shelf'], ask })];
    await soon();
    expect([one.data, other.data, ask.mock.calls.length]).toEqual(['a list', 'a list', 1]);
  });

  it('an answer that a change overtook does not take the change back', async () => {
    const { ask, waiting } = answers();
    const one = served({ key: ['session', 's'], ask });
    waiting[0]!('as it was');
    await soon();
    void one.load();
    one.set('changed');
    expect(one.data).toBe('changed');
    waiting[1]!('as it was');
    await soon();
    expect(one.data).toBe('changed');
  });

  it('the older of two answers is dropped, whichever comes last', async () => {
    const { ask, waiting } = answers();
    const one = served({ key: ['session', 's'], ask });
    waiting[0]!('first');
    await soon();
    void one.load();
    void one.load();
    waiting[2]!('third');
    waiting[1]!('second');
    await soon();
    expect(one.data).toBe('third');
  });

  it('a server that is away is asked until it is back, and says so meanwhile', async () => {
    let back = false;
    const ask = vi.fn(async () => {
      if (!back) throw new Refusal({ status: 0, detail: 'The server does not answer.' });
      return 'here again';
    });
    const one = served({ key: ['session', 's'], ask });
    await vi.advanceTimersByTimeAsync(1_500);
    expect([one.failure, ask.mock.calls.length]).toEqual(['The server does not answer.', 3]);
    back = true;
    await vi.advanceTimersByTimeAsync(3_500);
    expect([one.data, one.failure]).toEqual(['here again', undefined]);
    const sofar = ask.mock.calls.length;
    await vi.advanceTimersByTimeAsync(60_000);
    expect(ask.mock.calls.length).toBe(sofar);
  });

  it('a refusal is asked for once, and what was known stays', async () => {
    let refused = false;
    const ask = vi.fn(async () => {
      if (refused) throw new Refusal({ status: 422, detail: 'The recording cannot be read.' });
      return 'a plan';
    });
    const one = served({ key: ['handoff', 'h'], ask });
    await soon();
    refused = true;
    await one.load();
    await vi.advanceTimersByTimeAsync(60_000);
    expect([one.data, one.failure, ask.mock.calls.length]).toEqual(['a plan', 'The recording cannot be read.', 2]);
  });

  it('what belongs to another is never shown for it; what belongs to the same is, until the new comes', async () => {
    const one = served({ key: ['session', 's', 'findings', 100], ask: async () => 'a hundred' });
    await soon();
    const { ask, waiting } = answers();
    one.about({ key: ['session', 's', 'findings', 200], ask });
    expect(one.data).toBe('a hundred');
    waiting[0]!('two hundred');
    await soon();
    expect(one.data).toBe('two hundred');
    one.about({ key: ['session', 'other', 'findings', 200], ask });
    expect(one.data).toBeUndefined();
    one.about(undefined);
    expect(one.data).toBeUndefined();
  });

  it('is asked for again as long as it says so', async () => {
    let left = 3;
    const ask = vi.fn(async () => String(left--));
    served({ key: ['handoff', 'h', 'levels'], ask, again: (data) => (data === '0' ? undefined : 700) });
    await vi.advanceTimersByTimeAsync(10_000);
    expect(ask.mock.calls.length).toBe(4);
  });
});
