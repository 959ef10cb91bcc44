import { expect, test } from 'vitest';
import type { Excerpt, Plan, Print } from '../lib/api/types';
import { extras } from './extras';

const print = (row: string, file: string) => ({ row, file }) as Print;
const plan = (prints: Print[], more: Partial<Plan> = {}) =>
  ({
    prints,
    edits: { ranges: [], rows: [], excerpts: [] },
    notes: [],
    listening: [''],
    listeningAs: 'mp3',
    document: false,
    ...more,
  }) as unknown as Plan;

test('the click stands where it is printed, all others come last', () => {
  const click = print('apodex:click', '00_Click.wav');
  const tuba = print('r1', '01_Tuba.wav');
  expect(extras(plan([click, tuba])).first).toEqual([
    { name: 'Click', words: 'made from the tempo map', files: ['00_Click.wav'] },
  ]);
  const all = extras(
    plan([tuba, click], {
      edits: { ranges: [], rows: [{ row: 'r1', takes: ['t1'] }], excerpts: [{ file: 'tuba_a.wav' } as Excerpt] },
      notes: [{ file: '02_Kit.mid', folder: 'MIDI', row: 'kit', section: 0 }],
      listening: ['Reference/Mix.mp3', ''],
      document: true,
    }),
  );
  expect(all.first).toEqual([]);
  expect(all.last.map((each) => [each.name, each.files])).toEqual([
    ['Click', ['00_Click.wav']],
    ['Edits', ['tuba_a.wav']],
    ['Notes', ['02_Kit.mid']],
    ['To listen to', ['Mix.mp3']],
    ['The session itself', []],
  ]);
});

test('a plan without extras has none, not even a file without a name', () => {
  expect(extras(plan([print('r1', '01_Tuba.wav')]))).toEqual({ first: [], last: [] });
});
