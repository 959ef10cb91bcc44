import type { Clip } from '../../lib/api/types';

export type ClipPart = 'start' | 'end' | 'fadeIn' | 'fadeOut' | 'body';
const EDGE_PIXELS = 6;
const GRIP_PIXELS = 8;

/**
 * What of which clip lies under a place; the clip drawn last wins.
 *
 * @param y pixels from the row's top
 */
export function hitClip(
  clips: Clip[],
  frame: number,
  framesPerPixel: number,
  y: number,
  isChosen: (index: number) => boolean,
): { index: number; part: ClipPart } | undefined {
  const edge = EDGE_PIXELS * framesPerPixel;
  for (let index = clips.length - 1; index >= 0; index--) {
    const clip = clips[index]!;
    const end = clip.position + clip.frames;
    if (frame < clip.position - edge / 2 || frame > end + edge / 2) continue;
    const room = clip.frames / framesPerPixel;
    if (isChosen(index) && y < 12 && room > 24) {
      const grip = GRIP_PIXELS * framesPerPixel;
      if (Math.abs(frame - (end - clip.fadeOut.frames)) < grip) return { index, part: 'fadeOut' };
      if (Math.abs(frame - (clip.position + clip.fadeIn.frames)) < grip) return { index, part: 'fadeIn' };
    }
    const reach = Math.min(edge, clip.frames / 4);
    if (frame < clip.position + reach) return { index, part: 'start' };
    if (frame > end - reach) return { index, part: 'end' };
    return { index, part: 'body' };
  }
  return undefined;
}
