import type { Effect, Insert, Move, Setting, Strip } from '../api/types';
import { signed } from '../units';

/** How the points of the signal path are put into words. */

export const NOTHING_DB = -144;

export function level(db: number): string {
  return db <= NOTHING_DB ? 'silent' : `${signed(db)} dB`;
}

export function fader(strip: Strip): string {
  const where = strip.faderMoves.length ? `${strip.faderMoves.length} moves` : level(strip.faderDb);
  return strip.muted ? `muted, ${where}` : where;
}

export function position(pan: number): string {
  return pan === 0 ? 'centre' : `${Math.abs(Math.round(pan))} ${pan < 0 ? 'left' : 'right'}`;
}

export function pan(strip: Strip): string {
  return strip.panMoves.length ? `${strip.panMoves.length} moves` : position(strip.pan);
}

/** `80 Hz`, `−18.0 dB`, `3 :1`, or the name of a choice. */
export function value(setting: Setting, number: number): string {
  if (setting.choices.length) return setting.choices[number] ?? String(number);
  const digits = setting.unit === 'dB' ? signed(number) : String(Math.round(number * 100) / 100);
  if (setting.unit === 'quarters') return digits === '1' ? '1 quarter' : `${digits} quarters`;
  return setting.unit === ':1' ? `${digits}:1` : setting.unit ? `${digits} ${setting.unit}` : digits;
}

/** The settings that were set, the first few of them. */
export function settings(insert: Insert, effect: Effect | undefined, most = 2): string {
  if (!insert.on) return 'switched off';
  if (!effect) return 'not at hand, skipped';
  const set = effect.settings.filter((setting) => setting.id in insert.settings);
  return (
    set
      .slice(0, most)
      .map((setting) => value(setting, insert.settings[setting.id]!))
      .join(', ') || 'as it comes'
  );
}

/** Points of a lane as shares of width and height, for drawing; held level before the first and after the last. */
export function lanePoints(moves: Move[], frames: number, lowest: number, highest: number): { x: number; y: number }[] {
  const at = (move: Move) => ({
    x: Math.min(1, move.frame / Math.max(1, frames)),
    y: 1 - (Math.min(highest, Math.max(lowest, move.value)) - lowest) / (highest - lowest),
  });
  return moves.map(at);
}
