import { expect, it } from 'vitest';
import { readNumber, written } from './numbers';

it('reads numbers as they are typed and writes them back', () => {
  expect(['−3,5', '+2 dB', ' 80Hz', '.5', '-6.25 dB', 'silent'].map(readNumber)).toEqual([
    -3.5, 2, 80, 0.5, -6.25, -144,
  ]);
  expect(['', 'loud', '1.2.3', '--4', '3 4'].map(readNumber)).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
  expect([written(-3.456), written(0.1 + 0.2), written(-0.0001), written(-144)]).toEqual([
    '−3.46',
    '0.3',
    '0',
    'silent',
  ]);
});
