import type { AudioRow, Clip, Marker } from '../lib/api/types';
import { toasts } from '../lib/chrome/toasts.svelte';
import { moved, partMoved } from './clips/clipEdits';
import type { ClipPart } from './clips/hit';
import type { Editing } from './editing.svelte';

/** Something held with the pointer: what it would look like, and what it makes when let go. */
export interface Drag {
  cursor: string;
  /** Clips as they would be, by row. */
  ghost?: Map<string, Clip[]>;
  loop?: { start: number; end: number };
  to(frame: number): void;
  drop(): void;
}

export interface Grid {
  snap(frame: number): number;
}

const CURSORS: Record<ClipPart, string> = {
  start: 'ew-resize',
  end: 'ew-resize',
  fadeIn: 'col-resize',
  fadeOut: 'col-resize',
  body: 'grab',
};
export const cursorOf = (part: ClipPart | undefined) => (part ? CURSORS[part] : 'default');

/** Moves all chosen clips, or an edge or fade of one. */
export function dragClips(
  editing: Editing,
  row: AudioRow,
  index: number,
  part: ClipPart,
  from: number,
  grid: Grid,
): Drag {
  const held = editing.active(row).clips[index]!;
  const before = new Map(
    editing.session.rows
      .filter((each): each is AudioRow => each.type === 'audio' && editing.clips.some((clip) => clip.row === each.id))
      .map((each) => [each.id, editing.active(each).clips]),
  );
  const which = (id: string) => editing.clips.filter((clip) => clip.row === id).map((clip) => clip.index);
  const drag: Drag = {
    cursor: part === 'body' ? 'grabbing' : CURSORS[part],
    to(frame) {
      drag.ghost = new Map(before);
      if (part === 'body') {
        const by = grid.snap(held.position + frame - from) - held.position;
        const earliest = Math.min(...[...before].flatMap(([id, clips]) => which(id).map((i) => clips[i]!.position)));
        for (const [id, clips] of before) drag.ghost.set(id, moved(clips, which(id), Math.max(by, -earliest)));
        return;
      }
      const to = part.startsWith('fade') ? frame : grid.snap(frame);
      const one = partMoved(held, part, to - edge(held), editing.recordingFrames(held));
      drag.ghost.set(
        row.id,
        before.get(row.id)!.map((clip, i) => (i === index ? one : clip)),
      );
    },
    drop() {
      if (!drag.ghost) return;
      const now = (id: string) => editing.active(editing.session.rows.find((each) => each.id === id) as AudioRow).clips;
      if ([...before].some(([id, clips]) => JSON.stringify(clips) !== JSON.stringify(now(id)))) {
        toasts.say('These clips were changed in another window meanwhile; they stay as they are there.');
        return;
      }
      const edits = [...drag.ghost]
        .filter(([id, clips]) => clips !== before.get(id))
        .map(([id, clips]) =>
          editing.withClips(editing.session.rows.find((each) => each.id === id) as AudioRow, clips),
        );
      void editing.make(editing.wordsFor(part), edits);
    },
  };
  /** Where the part that is held lies. */
  function edge(clip: Clip): number {
    const end = clip.position + clip.frames;
    return {
      body: clip.position,
      start: clip.position,
      end,
      fadeIn: clip.position + clip.fadeIn.frames,
      fadeOut: end - clip.fadeOut.frames,
    }[part];
  }
  return drag;
}

/** Takes a stretch of a row from one of its takes. */
export function dragLane(editing: Editing, row: AudioRow, lane: number, from: number, grid: Grid): Drag {
  const take = row.takes[lane]!;
  const under = take.clips.find((clip) => from >= clip.position && from < clip.position + clip.frames);
  const start = grid.snap(from);
  const drag: Drag = {
    cursor: 'text',
    to(frame) {
      const end = grid.snap(frame);
      drag.loop = start === end ? undefined : { start: Math.min(start, end), end: Math.max(start, end) };
    },
    drop() {
      const stretch = drag.loop ?? (under && { start: under.position, end: under.position + under.frames });
      if (stretch && take.id !== row.active)
        void editing.make('', [
          { type: 'useTakeFor', row: row.id, take: take.id, from: stretch.start, to: stretch.end },
        ]);
    },
  };
  return drag;
}

/** A stretch of the ruler to go round in, or, without moving, the place where Listen starts. */
export function dragRuler(
  from: number,
  grid: Grid,
  done: (loop: { start: number; end: number } | undefined, head: number) => void,
): Drag {
  const start = grid.snap(from);
  const drag: Drag = {
    cursor: 'text',
    to(frame) {
      const end = grid.snap(frame);
      drag.loop = start === end ? undefined : { start: Math.min(start, end), end: Math.max(start, end) };
    },
    drop: () => done(drag.loop, start),
  };
  return drag;
}

/** Moves a marker. */
export function dragMarker(editing: Editing, marker: Marker, grid: Grid): Drag {
  let at = marker.frame;
  return {
    cursor: 'ew-resize',
    to: (frame) => (at = grid.snap(frame)),
    drop() {
      if (at === marker.frame) return;
      const markers = editing.session.markers.map((each) => (each === marker ? { ...each, frame: at } : each));
      void editing.make('', [{ type: 'setMarkers', markers }]);
    },
  };
}
