// @vitest-environment node
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '../api/client';
import type { OnTheWay } from './arrive';
import { Arrivals } from './arrivals.svelte';

/** How each file's line behaves, by its name; what is not named arrives. */
let lines: Record<string, 'refused' | 'away' | 'full'>;
let sent: string[];
let forgotten: { names: string[]; ids: string[]; kept: boolean }[];
let twins: boolean[];
let under = 0;
let most = 0;

vi.mock('./arrive', async (original) => ({
  ...(await original<object>()),
  arrive: async (file: File, way: OnTheWay, signal: AbortSignal) => {
    sent.push(file.name);
    twins.push(way.twin);
    most = Math.max(most, ++under);
    await new Promise((next) => setTimeout(next, file.name === 'slow.wav' ? 30 : 5));
    under--;
    signal.throwIfAborted();
    way.sent(file.size / 2);
    switch (lines[file.name]) {
      case 'refused':
        throw new Refusal({ status: 422, detail: 'It has 2.5 GB; a file must be smaller than 2 GB.' });
      case 'away':
        throw new Refusal({ status: 0, detail: 'The line broke off.' });
      case 'full':
        throw new Refusal({ status: 507, detail: 'The disk is full.' });
      default:
        return `id of ${file.name}`;
    }
  },
  forget: async (files: File[], ids: string[], kept: boolean) =>
    void forgotten.push({ names: files.map((file) => file.name), ids, kept }),
}));

const drop = (...names: string[]) => names.map((name) => new File(['12345678'], name, { lastModified: 1 }));
const made = (refused: { file: string; reason: string }[] = []) => vi.fn(async () => ({ refused }));

beforeEach(() => {
  lines = {};
  sent = [];
  forgotten = [];
  twins = [];
  most = 0;
});

describe('a drop on its way', () => {
  it('something is made of all, in the order they were dropped, whichever came first', async () => {
    const make = made([{ file: 'b.wav', reason: 'It is cut short.' }]);
    const arrivals = new Arrivals(drop('slow.wav', 'a.wav', 'b.wav', 'c.wav', 'd.wav'), make);
    await arrivals.send();
    expect(make.mock.calls[0]).toEqual([
      ['slow.wav', 'a.wav', 'b.wav', 'c.wav', 'd.wav'].map((name) => `id of ${name}`),
      expect.any(String),
      [],
    ]);
    expect(most).toBe(3);
    expect(arrivals.state).toBe('done');
    expect(arrivals.files.map((file) => [file.state, file.reason])).toEqual([
      ['in', undefined],
      ['in', undefined],
      ['refused', 'It is cut short.'],
      ['in', undefined],
      ['in', undefined],
    ]);
    expect(forgotten).toMatchObject([{ kept: true }]);
  });

  it('one that is refused turns no other away', async () => {
    lines = { 'big.wav': 'refused' };
    const make = made();
    const arrivals = new Arrivals(drop('big.wav', 'a.wav'), make);
    await arrivals.send();
    expect(make).toHaveBeenCalledWith(['id of a.wav'], expect.any(String), [
      { file: 'big.wav', reason: 'It has 2.5 GB; a file must be smaller than 2 GB.' },
    ]);
    expect(arrivals.files.map((file) => file.state)).toEqual(['refused', 'in']);
    expect(arrivals.words).toBe('1 file did not come in');
  });

  it('a line that stays away ends in nothing lost: it goes on with what has not come', async () => {
    lines = { 'b.wav': 'away' };
    const make = made();
    const arrivals = new Arrivals(drop('a.wav', 'b.wav'), make);
    await arrivals.send();
    expect([arrivals.state, make.mock.calls.length, forgotten]).toEqual(['broken', 0, []]);
    expect(arrivals.words).toContain('kept for a day');
    lines = {};
    sent = [];
    await arrivals.send();
    expect(sent).toEqual(['b.wav']);
    expect([arrivals.state, make.mock.calls.length]).toEqual(['done', 1]);
  });

  it('when the server was away while it was to be made, only that is asked for again', async () => {
    const make = vi
      .fn<() => Promise<{ refused: [] }>>()
      .mockRejectedValueOnce(new Refusal({ status: 503, detail: 'The database is away for a moment.' }))
      .mockResolvedValueOnce({ refused: [] });
    const arrivals = new Arrivals(drop('a.wav'), make);
    await arrivals.send();
    expect(arrivals.state).toBe('broken');
    sent = [];
    await arrivals.send();
    expect([arrivals.state, sent]).toEqual(['done', []]);
  });

  it('what another window made something of is sent once more when asked for', async () => {
    const gone = new Refusal({ status: 410, detail: 'A file that was to come in is not here any more.' });
    const make = vi
      .fn<() => Promise<{ refused: [] }>>()
      .mockRejectedValueOnce(gone)
      .mockResolvedValueOnce({ refused: [] });
    const arrivals = new Arrivals(drop('a.wav'), make);
    await arrivals.send();
    expect(arrivals.state).toBe('broken');
    sent = [];
    await arrivals.send();
    expect([arrivals.state, sent]).toEqual(['done', ['a.wav']]);
  });

  it('the same file twice in a drop comes twice, each from its beginning', async () => {
    const arrivals = new Arrivals(drop('a.wav', 'b.wav', 'a.wav'), made());
    await arrivals.send();
    expect(twins).toEqual([true, false, true]);
  });

  it('one that is stopped is over, and leaves nothing', async () => {
    const arrivals = new Arrivals(drop('slow.wav'), made());
    const sending = arrivals.send();
    arrivals.stop();
    await sending;
    expect(forgotten).toMatchObject([{ kept: false }]);
  });

  it.each([
    ['full', 'The disk is full.'],
    ['refused', '“b.wav” cannot be used. It has 2.5 GB; a file must be smaller than 2 GB.'],
  ] as const)('%s: nothing of it stays', async (trouble, words) => {
    lines = { 'b.wav': trouble };
    const arrivals = new Arrivals(drop('b.wav'), made());
    await arrivals.send();
    expect([arrivals.state, arrivals.words]).toEqual(['failed', words]);
    if (trouble === 'full') expect(forgotten).toMatchObject([{ kept: false }]);
  });
});
