import type { Clip } from '../../lib/api/types';
import type { ClipPart } from './hit';

/** What can be done to clips. All counts are frames of the session; nothing is changed in place. */

/** How long a clip's recording is, in frames of the session. */
export type Lengths = (clip: Clip) => number;

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Moves some clips together; the first of them stops at the session's start. */
export function moved(clips: Clip[], which: number[], by: number): Clip[] {
  const earliest = Math.min(...which.map((i) => clips[i]!.position));
  const delta = Math.max(-earliest, Math.round(by));
  return clips.map((clip, i) => (which.includes(i) ? { ...clip, position: clip.position + delta } : clip));
}

/** Moves the start of a clip as far as its recording and its end allow; what sounds stays where it is. */
export function trimmedStart(clip: Clip, by: number): Clip {
  const delta = clamp(Math.round(by), -Math.min(clip.offset, clip.position), clip.frames - 1);
  return fitted({ ...clip, position: clip.position + delta, offset: clip.offset + delta, frames: clip.frames - delta });
}

/** Moves the end of a clip as far as its recording allows. */
export function trimmedEnd(clip: Clip, by: number, recordingFrames: number): Clip {
  return fitted({ ...clip, frames: clamp(Math.round(clip.frames + by), 1, recordingFrames - clip.offset) });
}

/** Fades that no longer fit give way, the one at the end first. */
function fitted(clip: Clip): Clip {
  const fadeIn = Math.min(clip.fadeIn.frames, clip.frames);
  const fadeOut = Math.min(clip.fadeOut.frames, clip.frames - fadeIn);
  return { ...clip, fadeIn: { ...clip.fadeIn, frames: fadeIn }, fadeOut: { ...clip.fadeOut, frames: fadeOut } };
}

/** A fade of another length, no longer than the other leaves room for. */
export function faded(clip: Clip, end: 'in' | 'out', frames: number): Clip {
  const other = end === 'in' ? clip.fadeOut.frames : clip.fadeIn.frames;
  const length = clamp(Math.round(frames), 0, clip.frames - other);
  return end === 'in'
    ? { ...clip, fadeIn: { ...clip.fadeIn, frames: length } }
    : { ...clip, fadeOut: { ...clip.fadeOut, frames: length } };
}

/** A clip with its start, its end or where a fade ends moved by so many frames. */
export function partMoved(clip: Clip, part: Exclude<ClipPart, 'body'>, by: number, recordingFrames: number): Clip {
  switch (part) {
    case 'start':
      return trimmedStart(clip, by);
    case 'end':
      return trimmedEnd(clip, by, recordingFrames);
    case 'fadeIn':
      return faded(clip, 'in', clip.fadeIn.frames + by);
    default:
      return faded(clip, 'out', clip.fadeOut.frames - by);
  }
}

/** Cuts every chosen clip that the frame lies inside of; the later part comes right after the earlier. */
export function split(clips: Clip[], which: number[], frame: number): Clip[] {
  return clips.flatMap((clip, i) => {
    const at = Math.round(frame) - clip.position;
    if (!which.includes(i) || at <= 0 || at >= clip.frames) return [clip];
    const none = { frames: 0, curve: 'straight' as const };
    const first = fitted({ ...clip, frames: at, fadeOut: none });
    const second = fitted({
      ...clip,
      position: clip.position + at,
      offset: clip.offset + at,
      frames: clip.frames - at,
      fadeIn: none,
    });
    return [first, second];
  });
}

/** Whether the second clip goes on where the first ends, in the same recording and with nothing else apart. */
export function goesOn(first: Clip, second: Clip): boolean {
  return (
    first.recording === second.recording &&
    first.firstChannel === second.firstChannel &&
    first.channels === second.channels &&
    first.position + first.frames === second.position &&
    first.offset + first.frames === second.offset &&
    first.gainDb === second.gainDb &&
    first.inverted === second.inverted &&
    first.muted === second.muted &&
    JSON.stringify(first.inserts) === JSON.stringify(second.inserts)
  );
}

/** Joins the chosen clips into one; undefined when they do not go on into each other. */
export function joined(clips: Clip[], which: number[]): Clip[] | undefined {
  const parts = which.map((i) => clips[i]!).sort((a, b) => a.position - b.position);
  const [first] = parts;
  const last = parts.at(-1);
  if (parts.length < 2 || !first || !last || parts.some((clip, i) => i > 0 && !goesOn(parts[i - 1]!, clip)))
    return undefined;
  const whole = fitted({ ...first, frames: last.position + last.frames - first.position, fadeOut: last.fadeOut });
  const at = Math.min(...which);
  return clips.flatMap((clip, i) => (i === at ? [whole] : which.includes(i) ? [] : [clip]));
}
