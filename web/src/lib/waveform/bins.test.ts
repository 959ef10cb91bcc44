import { describe, expect, it } from 'vitest';
import { BINS_PER_TILE, extremes, framesPerBin, toTile, zoomFor } from './bins';

describe('waveform bins', () => {
  it('chooses bins that are never wider than a column', () => {
    for (const column of [1, 3, 4, 15.9, 16, 255, 256, 5000, 1e7]) {
      const zoom = zoomFor(column);
      expect(framesPerBin(zoom)).toBeLessThanOrEqual(column);
      if (zoom < 12) expect(framesPerBin(zoom + 1)).toBeGreaterThan(column);
    }
  });
  it('takes lows and highs over bins, tiles and both channels', () => {
    const left = [-100, 100, -200, 50];
    const right = [-1, 300, -2, 2];
    const tile = toTile(new Int16Array([...left, ...right]).buffer, 2);
    const out = new Float32Array(2);
    expect(tile.bins).toBe(2);
    expect(extremes(() => tile, 0, 2, 0, 2, out)).toBe(true);
    expect(out[0]! * 32767).toBeCloseTo(-200, 2);
    expect(out[1]! * 32767).toBeCloseTo(300, 2);
    extremes(() => tile, 1, 2, 1, 1, out);
    expect(out[1]! * 32767).toBeCloseTo(2, 3);
  });
  it('says when a tile is still on its way', () => {
    const tile = toTile(new Int16Array(2 * BINS_PER_TILE).buffer, 1);
    const out = new Float32Array(2);
    expect(extremes((i) => (i === 0 ? tile : undefined), BINS_PER_TILE - 2, BINS_PER_TILE, 0, 1, out)).toBe(true);
    expect(extremes((i) => (i === 0 ? tile : undefined), BINS_PER_TILE - 2, BINS_PER_TILE + 1, 0, 1, out)).toBe(false);
  });
});
