import { describe, expect, it } from 'vitest';
import type { Effect, Insert, Strip } from '../api/types';
import * as words from './words';

const strip = (part: Partial<Strip>): Strip => ({
  inserts: [],
  faderDb: 0,
  pan: 0,
  muted: false,
  soloed: false,
  faderMoves: [],
  panMoves: [],
  brought: [],
  sends: [],
  outputs: ['mix'],
  ...part,
});

describe('the signal path in words', () => {
  it('says levels, with nothing as a word', () => {
    expect(words.fader(strip({ faderDb: -4.5 }))).toBe('−4.5 dB');
    expect(words.fader(strip({ faderDb: -144 }))).toBe('silent');
    expect(words.fader(strip({ muted: true }))).toBe('muted, 0.0 dB');
    expect(
      words.fader(
        strip({
          faderMoves: [
            { frame: 0, value: 0 },
            { frame: 9, value: -3 },
          ],
        }),
      ),
    ).toBe('2 moves');
  });

  it('says positions as people do', () => {
    expect(words.pan(strip({}))).toBe('centre');
    expect(words.pan(strip({ pan: -32 }))).toBe('32 left');
    expect(words.pan(strip({ pan: 100 }))).toBe('100 right');
  });

  it('says settings with their units, and what is missing', () => {
    const effect = {
      settings: [
        { id: 'side', name: 'Side', unit: '', lowest: 0, highest: 1, standard: 0, choices: ['Below', 'Above'] },
        { id: 'hertz', name: 'Frequency', unit: 'Hz', lowest: 1, highest: 9, standard: 1, choices: [] },
        { id: 'ratio', name: 'Ratio', unit: ':1', lowest: 1, highest: 9, standard: 1, choices: [] },
      ],
    } as unknown as Effect;
    const insert = (settings: Record<string, number>, on = true): Insert => ({
      effect: 'x',
      settings,
      key: null,
      kept: false,
      on,
      said: '',
    });
    expect(words.settings(insert({ side: 1, hertz: 80, ratio: 3 }), effect)).toBe('Above, 80 Hz');
    expect(words.settings(insert({ ratio: 2.5 }), effect)).toBe('2.5:1');
    expect(words.settings(insert({}), effect)).toBe('as it comes');
    expect(words.settings(insert({}, false), effect)).toBe('switched off');
    expect(words.settings(insert({}), undefined)).toBe('not at hand, skipped');
  });

  it('places moves between the lowest and the highest value', () => {
    expect(
      words.lanePoints(
        [
          { frame: 0, value: 6 },
          { frame: 50, value: -60 },
          { frame: 200, value: -27 },
        ],
        100,
        -60,
        6,
      ),
    ).toEqual([
      { x: 0, y: 0 },
      { x: 0.5, y: 1 },
      { x: 1, y: 0.5 },
    ]);
  });
});
