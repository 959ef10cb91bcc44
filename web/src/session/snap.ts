import {
  barAt,
  barFrom,
  beatFrom,
  beatsPerBar,
  quarterAt,
  quarterOfBar,
  secondsAt,
  steady,
  type Tempo,
} from '../lib/time/tempo';

export type Snap = 'bar' | 'beat' | 'off';

/** The nearest bar or beat to a frame; the frame itself without a tempo or without a grid. */
export function snapped(frame: number, snap: Snap, tempo: Tempo | undefined, rate: number): number {
  if (snap === 'off' || !tempo || frame <= 0) return Math.max(0, Math.round(frame));
  const { bar, beat, meter } = barAt(tempo, quarterAt(tempo, frame / rate) + 1e-9);
  const start = quarterOfBar(tempo, bar);
  const perBeat = (quarterOfBar(tempo, bar + 1) - start) / beatsPerBar(meter);
  const before = snap === 'bar' ? start : start + Math.floor(beat + 1e-9) * perBeat;
  const after = snap === 'bar' ? quarterOfBar(tempo, bar + 1) : before + perBeat;
  const [a, b] = [secondsAt(tempo, before) * rate, secondsAt(tempo, after) * rate];
  return Math.round(frame - a <= b - frame ? a : b);
}

/** Frames from a place to the next bar or beat, or by `free` seconds without a grid; negative for the one before. */
export function step(frame: number, way: 1 | -1, snap: Snap, tempo: Tempo | undefined, rate: number, free: number) {
  if (snap === 'off') return Math.round(way * free * rate);
  const [map, at] = [tempo ?? steady(120, '4/4'), frame / rate];
  return Math.round(rate * (snap === 'bar' ? barFrom(map, at, way) : beatFrom(map, at, way)));
}
