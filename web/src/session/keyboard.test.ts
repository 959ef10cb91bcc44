import { beforeEach, describe, expect, it } from 'vitest';
import type { AudioRow, Clip, Session, SessionEdit } from '../lib/api/types';
import type { SessionStore } from '../lib/state/session.svelte';
import { steady } from '../lib/time/tempo';
import { Editing } from './editing.svelte';
import { keyboard, type Loop, type Stage } from './keyboard';

const RATE = 48_000;
/** A beat at 97 quarter notes a minute. */
const BEAT = (60 / 97) * RATE;
const none = { frames: 0, curve: 'straight' };
const clip = (position: number, frames = 40_000) =>
  ({ recording: 'rec', position, offset: 10_000, frames, fadeIn: none, fadeOut: none }) as unknown as Clip;
let session: Session;
let editing: Editing;
let loop: Loop | undefined;
let said: string[];
let press: (key: string, times?: number) => void;
/** Edits wait for each other, as they do for a slow server. */
let waiting: (() => void)[];

beforeEach(() => {
  const takes = [{ id: 't', clips: [clip(200_000), clip(0)] }];
  const row = { type: 'audio', id: 'a', name: 'A', active: 't', takes, strip: { outputs: ['mix'] } };
  session = {
    rate: RATE,
    rows: [row],
    markers: [{ frame: 96_000, name: 'Verse' }],
    recordings: [{ sha256: 'rec', frames: 60_000, rate: RATE }],
  } as unknown as Session;
  waiting = [];
  said = [];
  loop = undefined;
  const store = {
    get session() {
      return session;
    },
    tempo: steady(97, '3/4'),
    frames: 400_000,
    edit: async (make: () => SessionEdit | undefined) => {
      waiting.push(() => {
        const edit = make() as { edits: Extract<SessionEdit, { type: 'setTakes' }>[] };
        session = { ...session, rows: [{ ...session.rows[0]!, takes: edit.edits[0]!.takes } as AudioRow] };
      });
      return true;
    },
  };
  editing = new Editing(store as unknown as SessionStore);
  const stage: Stage = {
    get loop() {
      return loop;
    },
    set loop(to) {
      loop = to;
    },
    zoom: () => {},
    listen: () => {},
    located: () => {},
    say: (words) => said.push(words),
  };
  const keys = keyboard(editing, stage);
  press = (key, times = 1) => {
    for (let i = 0; i < times; i++) keys[key]!();
    waiting.splice(0).forEach((make) => make());
  };
  editing.choose('a');
});
const clips = () => (session.rows[0] as AudioRow).takes[0]!.clips;

describe('without a mouse', () => {
  it('the mark goes by beats and bars of the tempo there, and to markers', () => {
    press('ArrowRight', 4);
    expect(editing.head).toBeCloseTo(4 * BEAT, -1);
    expect(said.at(-1)).toBe('Mark at bar 2, beat 2');
    editing.snap = 'bar';
    press('ArrowRight');
    expect(editing.head).toBeCloseTo(7 * BEAT, -1);
    press('Home');
    press('ArrowLeft');
    expect(editing.head).toBe(0);
    press('n');
    expect(editing.head).toBe(96_000);
    press('Shift N');
    expect(editing.head).toBe(96_000);
  });

  it('clips are chosen in the order of time, whatever the order of the list', () => {
    press('c');
    expect(editing.clips).toEqual([{ row: 'a', index: 1 }]);
    press('c');
    expect(editing.clips).toEqual([{ row: 'a', index: 0 }]);
    press('c');
    expect(editing.clips).toEqual([{ row: 'a', index: 0 }]);
    press('Shift C');
    expect(editing.clips).toEqual([{ row: 'a', index: 1 }]);
    editing.clips = [];
    editing.head = 100_000;
    press('Shift C');
    expect(editing.clips).toEqual([{ row: 'a', index: 1 }]);
  });

  it('a held key moves as often as it was pressed, however slow the server', () => {
    editing.clips = [{ row: 'a', index: 0 }];
    editing.snap = 'off';
    press('ArrowRight', 5);
    expect(clips().map((each) => each.position)).toEqual([200_000 + 5 * 48, 0]);
  });

  it('edges and fades are moved as well, as far as the recording goes', () => {
    editing.clips = [{ row: 'a', index: 0 }];
    editing.snap = 'off';
    press('e');
    press('ArrowRight', 10);
    expect(clips()[0]).toMatchObject({ position: 200_480, offset: 10_480, frames: 39_520 });
    press('e');
    press('ArrowRight', 300);
    expect(clips()[0]!.offset + clips()[0]!.frames).toBe(60_000);
    press('e');
    press('ArrowRight', 100);
    expect(clips()[0]!.fadeIn.frames).toBe(4_800);
    press('e');
    press('ArrowLeft', 50);
    expect(clips()[0]!.fadeOut.frames).toBe(2_400);
    expect(said.at(-1)).toBe('The arrows move the fade out');
  });

  it('the loop goes from the mark to either side of it', () => {
    editing.head = Math.round(4 * BEAT);
    press('Shift ArrowRight', 2);
    expect([loop!.start, loop!.end].map((at) => Math.round(at / BEAT))).toEqual([4, 6]);
    press('Shift ArrowLeft', 2);
    expect(loop).toBeUndefined();
    press('Shift ArrowLeft');
    expect([loop!.start, loop!.end].map((at) => Math.round(at / BEAT))).toEqual([3, 4]);
    press('Escape');
    expect(loop).toBeUndefined();
  });
});
