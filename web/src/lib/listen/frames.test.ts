import { expect, it } from 'vitest';
import { Frames } from './frames';

it('puts frames together whatever pieces they come in, and gives any stretch', () => {
  const bytes = new Uint8Array(
    new Float32Array(Array.from({ length: 40 }, (_, i) => (i % 2 ? -(i >> 1) : i >> 1))).buffer,
  );
  for (const size of [1, 7, 8, 50, 160]) {
    const frames = new Frames();
    for (let at = 0; at < bytes.length; at += size) frames.add(bytes.slice(at, at + size));
    expect(frames.length).toBe(20);
    const left = new Float32Array(6);
    const right = new Float32Array(6);
    expect(frames.read(12, left, right)).toBe(6);
    expect([...left]).toEqual([12, 13, 14, 15, 16, 17]);
    expect([...right]).toEqual([-12, -13, -14, -15, -16, -17]);
    expect(frames.read(17, left, right)).toBe(3);
    expect(frames.read(20, left, right)).toBe(0);
  }
});
