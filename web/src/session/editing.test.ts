import { beforeEach, describe, expect, it } from 'vitest';
import type { AudioRow, Clip, Session, SessionEdit, Strip } from '../lib/api/types';
import type { SessionStore } from '../lib/state/session.svelte';
import { dragClips, dragLane, dragMarker, dragRuler, type Grid } from './drag';
import { Editing } from './editing.svelte';

const strip: Strip = {
  inserts: [],
  faderDb: 0,
  pan: 0,
  muted: false,
  soloed: false,
  faderMoves: [],
  panMoves: [],
  brought: [],
  sends: [],
  outputs: ['mix'],
};
const about = { role: 'other', note: '', named: 'import' } as const;
const none = { frames: 0, curve: 'straight' as const };
const clip = (position: number, frames: number, offset = 0): Clip => ({
  recording: 'rec',
  firstChannel: 0,
  channels: 1,
  position,
  offset,
  frames,
  gainDb: 0,
  fadeIn: none,
  fadeOut: none,
  inserts: [],
  muted: false,
  inverted: false,
});
const audio = (id: string, ...clips: Clip[]): AudioRow => ({
  type: 'audio',
  id,
  name: id.toUpperCase(),
  takes: [
    { id: 't1', name: 'Take 1', clips },
    { id: 't2', name: 'Take 2', clips: [clip(0, 9_000)] },
  ],
  active: 't1',
  strip,
  about,
});
const SESSION = {
  song: { title: 'x', artist: '', tempo: 120, meter: '4/4', key: null, tempoChanges: [], meterChanges: [] },
  rate: 48_000,
  markers: [{ frame: 1_000, name: 'Verse' }],
  recordings: [{ sha256: 'rec', frames: 10_000, rate: 48_000 }],
  rows: [
    audio('a', clip(1_000, 2_000, 500), clip(5_000, 1_000)),
    audio('b', clip(200, 3_000)),
    { type: 'bus', id: 'bus', name: 'BUS', strip, about },
    { type: 'return', id: 'hall', name: 'HALL', strip, about },
    { type: 'mix', id: 'mix', name: 'Mix', strip: { ...strip, outputs: [] }, about },
  ],
} as unknown as Session;
const grid: Grid = { snap: (frame) => Math.max(0, Math.round(frame / 100) * 100) };

let sent: SessionEdit[];
let editing: Editing;
beforeEach(() => {
  sent = [];
  editing = new Editing({
    session: SESSION,
    edit: async (make: () => SessionEdit | undefined) => {
      const edit = make();
      return edit ? !!sent.push(edit) : false;
    },
  } as unknown as SessionStore);
});
const row = (id: string) => SESSION.rows.find((each) => each.id === id) as AudioRow;
/** The clips that the only edit so far gives a row's active take. */
function given(id: string): Clip[] {
  const step = sent[0]!;
  const edits = (step.type === 'together' ? step.edits : [step]) as SessionEdit[];
  const edit = edits.find((each) => each.type === 'setTakes' && each.row === id);
  return edit?.type === 'setTakes' ? edit.takes.find((take) => take.id === 't1')!.clips : [];
}

describe('choosing', () => {
  it('one, several, or all between', () => {
    editing.choose('a');
    editing.choose('bus', 'range');
    expect([...editing.rows].sort()).toEqual(['a', 'b', 'bus']);
    editing.choose('b', 'toggle');
    expect(editing.chosen.map((each) => each.id)).toEqual(['a', 'bus']);
    editing.choose('b');
    expect(editing.single?.id).toBe('b');
  });
});

describe('order', () => {
  const under = (id: string, bus: string) => ({ ...audio(id), strip: { ...strip, outputs: [bus] } });
  const bus = (id: string) => ({ type: 'bus', id, name: id, strip, about });
  const rows = [
    under('kick', 'drums'),
    bus('drums'),
    audio('piano'),
    under('snare', 'drums'),
    bus('strings'),
    SESSION.rows.at(-1)!,
  ];
  beforeEach(() => {
    const edit = async (make: () => SessionEdit | undefined) => !!sent.push(make()!);
    editing = new Editing({ id: 'ordered', session: { ...SESSION, rows }, edit } as unknown as SessionStore);
  });

  it('rows of a bus are listed under it, and not while it is folded', () => {
    const listed = () => editing.shown.map((each) => each.id);
    expect(listed()).toEqual(['drums', 'kick', 'snare', 'piano', 'strings', 'mix']);
    editing.fold('drums');
    expect(listed()).toEqual(['drums', 'piano', 'strings', 'mix']);
    editing.unfold('snare');
    expect(listed()).toHaveLength(6);
  });

  it.each([
    [['snare'], -1, 'kick'],
    [['kick'], 1, 'strings'], // behind the snare, whatever stands there in the session's order
    [['piano'], -1, 'drums'],
    [['drums'], 1, 'snare'], // behind the piano
    [['piano', 'drums'], 1, null], // behind the last before the mix
    [['strings'], 1, undefined],
    [['kick'], -1, undefined],
  ] as const)('%s moved by %i goes before %s', async (which, way, before) => {
    editing.rows = [...which];
    await editing.moveRowsBy(way);
    expect(sent).toEqual(before === undefined ? [] : [{ type: 'moveRows', rows: [...which], before }]);
  });
});

describe('clips', () => {
  it('move together over rows, no earlier than the start, as one step', () => {
    editing.clips = [
      { row: 'a', index: 0 },
      { row: 'b', index: 0 },
    ];
    const drag = dragClips(editing, row('a'), 0, 'body', 1_500, grid);
    drag.to(1_500 - 730);
    drag.drop();
    expect(sent).toHaveLength(1);
    expect(given('a').map((each) => each.position)).toEqual([800, 5_000]); // the earlier of the two stops at the start
    expect(given('b').map((each) => each.position)).toEqual([0]);
    expect(sent[0]).toMatchObject({ type: 'together', words: 'Move 2 clips' });
  });
  it('stay as another window left them while they were held', () => {
    editing.clips = [{ row: 'a', index: 0 }];
    const drag = dragClips(editing, row('a'), 0, 'body', 1_500, grid);
    drag.to(2_000);
    const rows = SESSION.rows.map((each) => (each.id === 'a' ? audio('a', clip(1_000, 1_500, 500)) : each));
    (editing.store as { session: Session }).session = { ...SESSION, rows };
    drag.drop();
    expect(sent).toEqual([]);
  });
  it.each([
    ['start', 1_640, { position: 1_600, offset: 1_100, frames: 1_400 }],
    ['end', 99_000, { position: 1_000, offset: 500, frames: 9_500 }],
    ['fadeIn', 1_333, { fadeIn: { frames: 333, curve: 'straight' } }],
    ['fadeOut', 2_750, { fadeOut: { frames: 250, curve: 'straight' } }],
  ] as const)('%s follows the pointer', (part, to, expected) => {
    editing.clips = [{ row: 'a', index: 0 }];
    const drag = dragClips(editing, row('a'), 0, part, 1_000, grid);
    drag.to(to);
    expect(drag.ghost!.get('a')![0]).toMatchObject(expected);
    drag.drop();
    expect(given('a')[0]).toMatchObject(expected);
    expect(given('a')[1]).toBe(row('a').takes[0]!.clips[1]);
  });
  it('a press without a drag changes nothing', () => {
    editing.clips = [{ row: 'a', index: 0 }];
    dragClips(editing, row('a'), 0, 'body', 1_500, grid).drop();
    expect(sent).toEqual([]);
  });
  it('are cut at the mark, muted, turned over and taken out', async () => {
    editing.choose('a');
    editing.head = 2_000;
    await editing.splitAtHead();
    expect(given('a').map((each) => [each.position, each.offset, each.frames])).toEqual([
      [1_000, 500, 1_000],
      [2_000, 1_500, 1_000],
      [5_000, 0, 1_000],
    ]);
    for (const [act, expected] of [
      [() => editing.muteClips(), { muted: true }],
      [() => editing.turnClips(), { inverted: true }],
    ] as const) {
      sent = [];
      editing.clips = [{ row: 'a', index: 1 }];
      await act();
      expect(given('a')[1]).toMatchObject(expected);
      expect(given('a')[0]).toMatchObject({ muted: false, inverted: false });
    }
    sent = [];
    await editing.removeClips();
    expect(given('a')).toHaveLength(1);
    expect(editing.clips).toEqual([]);
  });
  it('that do not go on into each other are not joined', async () => {
    editing.clips = [
      { row: 'a', index: 0 },
      { row: 'a', index: 1 },
    ];
    await editing.join();
    expect(sent).toEqual([]);
  });
});

describe('takes, ruler, markers', () => {
  it('a stretch of a lane comes from its take; a click takes the clip', () => {
    const drag = dragLane(editing, row('a'), 1, 1_010, grid);
    drag.to(2_480);
    drag.drop();
    dragLane(editing, row('a'), 1, 4_000, grid).drop();
    dragLane(editing, row('a'), 0, 1_200, grid).drop(); // the take that is heard already
    expect(sent).toEqual([
      { type: 'useTakeFor', row: 'a', take: 't2', from: 1_000, to: 2_500 },
      { type: 'useTakeFor', row: 'a', take: 't2', from: 0, to: 9_000 },
    ]);
  });
  it('the ruler gives a place, or a loop whichever way it is drawn', () => {
    const got: unknown[] = [];
    const drag = dragRuler(4_000, grid, (loop, head) => got.push(loop, head));
    drag.to(1_960);
    drag.drop();
    dragRuler(777, grid, (loop, head) => got.push(loop, head)).drop();
    expect(got).toEqual([{ start: 2_000, end: 4_000 }, 4_000, undefined, 800]);
  });
  it('a marker goes where it is let go', () => {
    const drag = dragMarker(editing, SESSION.markers[0]!, grid);
    drag.to(1_777);
    drag.drop();
    dragMarker(editing, SESSION.markers[0]!, grid).drop();
    expect(sent).toEqual([{ type: 'setMarkers', markers: [{ frame: 1_800, name: 'Verse' }] }]);
  });
});

describe('rows', () => {
  it('a new bus takes the chosen rows in, a new return gets sends from them', async () => {
    editing.rows = ['a', 'b'];
    const id = await editing.addRow('bus');
    expect(id, 'one that no row ever had').toMatch(/^r[0-9a-f]{10}$/);
    expect(sent[0]).toMatchObject({
      type: 'together',
      edits: [
        { type: 'addRow', before: 'a', row: { type: 'bus', id } },
        { type: 'setOutputs', row: 'a', outputs: [id] },
        { type: 'setOutputs', row: 'b', outputs: [id] },
      ],
    });
    sent = [];
    editing.rows = ['a', 'bus'];
    await editing.addRow('return');
    expect((sent[0] as { edits: SessionEdit[] }).edits.map((edit) => edit.type)).toEqual(['addRow', 'setSends']);
  });
  it('several are one step; the mix is never removed', async () => {
    editing.rows = ['a', 'b', 'mix'];
    await editing.setRole('winds');
    await editing.removeRows();
    expect(sent.map((edit) => (edit as { edits: SessionEdit[] }).edits.length)).toEqual([3, 2]);
    expect(sent[0]).toMatchObject({ words: 'Change the role of 3 rows' });
  });
  it('a fader change keeps the rest of the strip', () => {
    expect(editing.setFader({ ...row('a'), strip: { ...strip, pan: -20, muted: true } }, { faderDb: -3 })).toEqual({
      type: 'setFader',
      row: 'a',
      faderDb: -3,
      pan: -20,
      muted: true,
      soloed: false,
    });
  });
});
