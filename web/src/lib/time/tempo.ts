/** Where bars and quarter notes fall: tempo changes, sudden or gliding, and meter changes. */

export interface Tempo {
  /** Ascending, the first at quarter 0. A glide is a straight line over quarter notes from the change before. */
  tempos: { quarter: number; quartersPerMinute: number; way: 'jump' | 'glide' }[];
  /** Ascending, the first at bar 1. */
  meters: { bar: number; meter: string }[];
}

export function steady(quartersPerMinute: number, meter: string): Tempo {
  return { tempos: [{ quarter: 0, quartersPerMinute, way: 'jump' }], meters: [{ bar: 1, meter }] };
}

export function beatsPerBar(meter: string): number {
  return Number(meter.split('/')[0]);
}

function quartersPerBar(meter: string): number {
  const [beats, unit] = meter.split('/').map(Number) as [number, number];
  return (beats * 4) / unit;
}

function stretch(tempo: Tempo, i: number): { start: number; slope: number; length: number } {
  const from = tempo.tempos[i]!;
  const to = tempo.tempos[i + 1];
  const length = to ? to.quarter - from.quarter : Infinity;
  const slope = to?.way === 'glide' ? (to.quartersPerMinute - from.quartersPerMinute) / length : 0;
  return { start: from.quartersPerMinute, slope, length };
}

const secondsOf = (start: number, slope: number, quarters: number) =>
  slope === 0 ? (quarters * 60) / start : (60 / slope) * Math.log1p((slope * quarters) / start);

export function secondsAt(tempo: Tempo, quarter: number): number {
  let seconds = 0;
  let left = quarter;
  for (let i = 0; ; i++) {
    const { start, slope, length } = stretch(tempo, i);
    if (left <= length) return seconds + secondsOf(start, slope, left);
    seconds += secondsOf(start, slope, length);
    left -= length;
  }
}

export function quarterAt(tempo: Tempo, seconds: number): number {
  let left = seconds;
  let quarter = 0;
  for (let i = 0; ; i++) {
    const { start, slope, length } = stretch(tempo, i);
    const lasts = length === Infinity ? Infinity : secondsOf(start, slope, length);
    if (left <= lasts)
      return quarter + (slope === 0 ? (left * start) / 60 : (start / slope) * Math.expm1((slope * left) / 60));
    left -= lasts;
    quarter += length;
  }
}

export function quarterOfBar(tempo: Tempo, bar: number): number {
  let quarter = 0;
  for (let i = 0; ; i++) {
    const { bar: first, meter } = tempo.meters[i]!;
    const next = tempo.meters[i + 1];
    if (!next || next.bar >= bar) return quarter + (bar - first) * quartersPerBar(meter);
    quarter += (next.bar - first) * quartersPerBar(meter);
  }
}

/** The bar a quarter note belongs to, how far into it, in beats, and its meter. */
export function barAt(tempo: Tempo, quarter: number): { bar: number; beat: number; meter: string } {
  let left = quarter;
  for (let i = 0; ; i++) {
    const { bar: first, meter } = tempo.meters[i]!;
    const next = tempo.meters[i + 1];
    const perBar = quartersPerBar(meter);
    const bars = Math.floor(left / perBar + 1e-9);
    if (!next || first + bars < next.bar) {
      return { bar: first + bars, beat: ((left - bars * perBar) / perBar) * beatsPerBar(meter), meter };
    }
    left -= (next.bar - first) * perBar;
  }
}

/** Seconds from a moment to a beat later, or earlier, in the meter and at the tempo that hold there. */
export function beatFrom(tempo: Tempo, seconds: number, beats: number): number {
  const quarter = quarterAt(tempo, seconds);
  const { meter } = barAt(tempo, beats < 0 ? Math.max(0, quarter - 1e-6) : quarter);
  const to = quarter + (beats * quartersPerBar(meter)) / beatsPerBar(meter);
  return secondsAt(tempo, Math.max(0, to)) - seconds;
}

/** Seconds from a moment to the same place of a bar later, or earlier; to the song's start when there is none before. */
export function barFrom(tempo: Tempo, seconds: number, bars: number): number {
  const quarter = quarterAt(tempo, seconds);
  const { bar } = barAt(tempo, quarter);
  const into = quarter - quarterOfBar(tempo, bar);
  return bar + bars < 1 ? -seconds : secondsAt(tempo, quarterOfBar(tempo, bar + bars) + into) - seconds;
}

export const secondsOfBar = (tempo: Tempo, bar: number): number => secondsAt(tempo, quarterOfBar(tempo, bar));
