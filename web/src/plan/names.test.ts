import { describe, expect, it } from 'vitest';
import type { Print } from '../lib/api/types';
import { byFolder, namesAt } from './names';

const print = (row: string, station: Print['station'], folder: string, file: string) =>
  ({ row, station, folder, file }) as Print;
const prints = [
  print('a', 'raw', 'Tracks', '01_Tuba_L.wav'),
  print('a', 'raw', 'Tracks', '01_Tuba_R.wav'),
  print('mix', 'fader', '', '00_Mix.wav'),
  print('b', 'raw', 'Tracks', '02_Bass.wav'),
];

describe('names of a plan’s files', () => {
  it('names all that a row gives at a station', () => {
    expect(namesAt(prints, { row: 'a', station: 'raw' })).toEqual(['Tracks/01_Tuba_L.wav', 'Tracks/01_Tuba_R.wav']);
    expect(namesAt(prints, { row: 'mix', station: 'fader' })).toEqual(['00_Mix.wav']);
    expect(namesAt(prints, { row: 'a', station: 'mix' })).toEqual([]);
  });

  it('puts files that lie in one folder together, and keeps their places in the plan', () => {
    expect(
      byFolder(prints).map(({ folder, files }) => [folder, files.map(({ print: { file }, index }) => [file, index])]),
    ).toEqual([
      [
        'Tracks',
        [
          ['01_Tuba_L.wav', 0],
          ['01_Tuba_R.wav', 1],
          ['02_Bass.wav', 3],
        ],
      ],
      ['', [['00_Mix.wav', 2]]],
    ]);
  });
});
