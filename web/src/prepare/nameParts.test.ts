import { expect, it } from 'vitest';
import type { Print } from '../lib/api/types';
import { examples, placed } from './nameParts';

it('moves a part along, or brings one in', () => {
  expect(placed(['number', 'row', 'what'], 'what', 0)).toEqual(['what', 'number', 'row']);
  expect(placed(['number', 'row', 'what'], 'number', 3)).toEqual(['row', 'what', 'number']);
  expect(placed(['number', 'row'], 'row', 1)).toEqual(['number', 'row']);
  expect(placed(['number', 'row'], 'key', 1)).toEqual(['number', 'key', 'row']);
});

it('shows the names that are hardest to bear', () => {
  const prints = ['01_Tuba.wav', '02_A very long name indeed.wav', '03_Größe.wav'].map((file) => ({ file }) as Print);
  expect(examples(prints)).toEqual({ longest: '02_A very long name indeed.wav', oddest: '03_Größe.wav' });
  expect(examples([])).toEqual({ longest: '', oddest: '' });
});
