import { describe, expect, it } from 'vitest';
import { foretold } from './foretold';

const of = (seconds: number, least: number, most: number) => foretold({ seconds, least, most, bytes: 0, bytesFree: 0 });

describe('the time foretold', () => {
  it('is one figure when runs agree', () => expect(of(12.3, 11, 14)).toBe('≈ 0:12'));
  it('is a stretch when they do not', () => expect(of(72, 40, 100)).toBe('0:40 to 1:40'));
  it('is never nothing', () => expect(of(0.2, 0.1, 0.4)).toBe('≈ 0:01'));
});
