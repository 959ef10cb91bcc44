import { barAndBeat } from '../lib/time/ticks';
import { count, minutes } from '../lib/units';
import type { ClipPart } from './clips/hit';
import type { Editing } from './editing.svelte';
import { step } from './snap';

/** A stretch to go round in, in frames. */
export interface Loop {
  start: number;
  end: number;
}

/** What the keys reach besides what is edited. */
export interface Stage {
  loop: Loop | undefined;
  /** Zooms by a factor, or shows the whole song. */
  zoom(by: number | 'whole'): void;
  listen(): void;
  /** The mark went somewhere else. */
  located(): void;
  /** Told to who cannot see it. */
  say(words: string): void;
}

const FREE_CLIP_SECONDS = 0.001;
const FREE_MARK_SECONDS = 0.1;
export const HELD: readonly (readonly [ClipPart, string])[] = [
  ['body', 'clip'],
  ['start', 'start'],
  ['end', 'end'],
  ['fadeIn', 'fade in'],
  ['fadeOut', 'fade out'],
];

/** Everything in the session's timeline that the keyboard does, by key. */
export function keyboard(editing: Editing, stage: Stage): Record<string, () => void> {
  const { store } = editing;
  const by = (from: number, way: 1 | -1, free: number) =>
    step(from, way, editing.snap, store.tempo, editing.session.rate, free);
  const where = (frame: number) => {
    const seconds = frame / editing.session.rate;
    const at = store.tempo && barAndBeat(seconds, store.tempo);
    return at ? `bar ${at.bar}, beat ${at.beat}` : minutes(seconds, 3);
  };

  function mark(frame: number) {
    editing.head = Math.max(0, Math.round(frame));
    stage.located();
    stage.say(`Mark at ${where(editing.head)}`);
  }

  function arrow(way: 1 | -1) {
    if (editing.clips.length) void editing.moveHeld(by(editing.firstChosen, way, FREE_CLIP_SECONDS));
    else mark(editing.head + by(editing.head, way, FREE_MARK_SECONDS));
  }

  /** The loop goes from the mark to where the arrows took its other end. */
  function stretch(way: 1 | -1) {
    const { head } = editing;
    const other = stage.loop ? (stage.loop.start === head ? stage.loop.end : stage.loop.start) : head;
    const to = Math.max(0, other + by(other, way, FREE_MARK_SECONDS));
    stage.loop = to === head ? undefined : { start: Math.min(head, to), end: Math.max(head, to) };
    stage.say(stage.loop ? `Loop from ${where(stage.loop.start)} to ${where(stage.loop.end)}` : 'No loop');
  }

  function clip(way: 1 | -1) {
    editing.chooseClip(way);
    const chosen = editing.clips[0] && editing.clipOf(editing.clips[0]);
    stage.say(chosen ? `Clip at ${where(chosen.position)}` : 'Choose a row with clips first');
  }

  function hold() {
    if (!editing.clips.length) return;
    const at = HELD.findIndex(([part]) => part === editing.held);
    const [part, words] = HELD[(at + 1) % HELD.length]!;
    editing.held = part;
    stage.say(`The arrows move the ${words}`);
  }

  /** The mark goes to the next marker, or to the one before. */
  function marker(way: 1 | -1) {
    const places = editing.session.markers
      .filter(({ frame }) => (way > 0 ? frame > editing.head : frame < editing.head))
      .sort((a, b) => way * (a.frame - b.frame));
    if (places[0]) mark(places[0].frame);
  }

  return {
    '+': () => stage.zoom(1.5),
    '=': () => stage.zoom(1.5),
    '-': () => stage.zoom(1 / 1.5),
    '0': () => stage.zoom('whole'),
    ' ': () => stage.listen(),
    ArrowLeft: () => arrow(-1),
    ArrowRight: () => arrow(1),
    'Shift ArrowLeft': () => stretch(-1),
    'Shift ArrowRight': () => stretch(1),
    Home: () => mark(0),
    End: () => mark(store.frames),
    c: () => clip(1),
    'Shift C': () => clip(-1),
    e: hold,
    n: () => marker(1),
    'Shift N': () => marker(-1),
    x: () => void editing.splitAtHead(),
    o: () => void editing.join(),
    Delete: () => {
      const what = count(editing.clips.length, 'clip');
      if (editing.clips.length) void editing.removeClips().then(() => stage.say(`${what} removed`));
    },
    Escape: () => {
      editing.rows = [];
      editing.clips = [];
      editing.held = 'body';
      stage.loop = undefined;
    },
  };
}
