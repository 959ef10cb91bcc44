/** Where the ruler's marks stand. Positions are seconds from the session's start. */

import { barAt, quarterAt, secondsOfBar, type Tempo } from './tempo';

export interface Tick {
  seconds: number;
  label: string;
  strong: boolean;
}

const BAR_STEPS = [1, 2, 4, 8, 16, 32, 64, 128, 256];
const SECOND_STEPS = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600];

/** `bar 14 · 2` with the beat's tick mark. */
export function barAndBeat(seconds: number, tempo: Tempo): { bar: number; beat: number } {
  const { bar, beat } = barAt(tempo, quarterAt(tempo, seconds) + 1e-9);
  return { bar, beat: Math.floor(beat + 1e-9) + 1 };
}

/** Bars between two moments, no closer than `minGap` seconds; those with a label are strong. */
export function barTicks(tempo: Tempo, from: number, to: number, minGap: number): Tick[] {
  const first = barAt(tempo, Math.max(0, quarterAt(tempo, Math.max(0, from)))).bar;
  const bar = Math.max(1e-3, secondsOfBar(tempo, first + 1) - secondsOfBar(tempo, first));
  const step = BAR_STEPS.find((bars) => bars * bar >= minGap) ?? BAR_STEPS[BAR_STEPS.length - 1]!;
  const fine = Math.max(1, step / 4);
  const ticks: Tick[] = [];
  for (let n = Math.floor((first - 1) / fine) * fine; ; n += fine) {
    const seconds = secondsOfBar(tempo, n + 1);
    if (seconds > to) return ticks;
    const strong = n % step === 0;
    if (seconds >= from) ticks.push({ seconds, label: strong ? String(n + 1) : '', strong });
  }
}

/** Round moments, no closer than `minGap` seconds. */
export function timeTicks(from: number, to: number, minGap: number): Tick[] {
  const step = SECOND_STEPS.find((seconds) => seconds >= minGap) ?? 3600;
  const decimals = step < 0.1 ? 2 : step < 1 ? 1 : 0;
  const ticks: Tick[] = [];
  for (let n = Math.max(0, Math.ceil(from / step)); n * step <= to; n++) {
    const seconds = n * step;
    const whole = Math.floor(seconds + 1e-9);
    const rest = decimals ? (seconds - whole).toFixed(decimals).slice(1) : '';
    ticks.push({
      seconds,
      label: `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}${rest}`,
      strong: true,
    });
  }
  return ticks;
}
