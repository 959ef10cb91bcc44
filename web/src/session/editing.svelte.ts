import type { About, AudioRow, Clip, Insert, Row, Role, SessionEdit, Strip, Take } from '../lib/api/types';
import type { SvelteSet } from 'svelte/reactivity';
import { toasts } from '../lib/chrome/toasts.svelte';
import { foldsOf } from '../lib/signal/folds';
import { isFoldedAway, nesting, underTheirBuses } from '../lib/signal/tree';
import type { SessionStore } from '../lib/state/session.svelte';
import { count } from '../lib/units';
import { joined, moved, partMoved, split } from './clips/clipEdits';
import type { ClipPart } from './clips/hit';
import type { Snap } from './snap';

/** A clip of a row's active take, by its place in it. */
export interface ClipRef {
  row: string;
  index: number;
}

/** What is chosen in the session's view, and what can be done with it. Every act is one undoable step. */
export class Editing {
  rows = $state<string[]>([]);
  clips = $state<ClipRef[]>([]);
  /** Rows whose takes are folded out. */
  foldedOut = $state(new Set<string>());
  /** Buses whose rows are folded away. */
  readonly folds: SvelteSet<string>;
  snap = $state<Snap>('beat');
  /** Frame where Listen starts, and where clips are cut. */
  head = $state(0);
  /** What the arrow keys move of the chosen clips. */
  held = $state<ClipPart>('body');
  private readonly lengths = $derived.by(
    () =>
      new Map(
        this.store.session?.recordings.map((each) => [
          each.sha256,
          Math.ceil((each.frames * this.session.rate) / each.rate),
        ]),
      ),
  );

  /** All rows, those of a bus under it. */
  private readonly all = $derived.by(() => underTheirBuses(this.store.session?.rows ?? []));
  readonly nested = $derived.by(() => nesting(this.all));
  /** Rows as they are listed. */
  readonly shown = $derived.by(() => this.all.filter((row) => !isFoldedAway(row.id, this.nested, this.folds)));

  constructor(readonly store: SessionStore) {
    this.folds = foldsOf(store.id);
  }

  get session() {
    return this.store.session!;
  }

  get chosen(): Row[] {
    return this.session.rows.filter((row) => this.rows.includes(row.id));
  }

  get single(): Row | undefined {
    return this.chosen.length === 1 ? this.chosen[0] : undefined;
  }

  /** Chooses a row: alone, as well, or with all between it and the last one chosen. */
  choose(id: string, how: 'alone' | 'toggle' | 'range' = 'alone'): void {
    const order = this.shown.map((row) => row.id);
    const last = this.rows.at(-1);
    if (how === 'toggle')
      this.rows = this.rows.includes(id) ? this.rows.filter((row) => row !== id) : [...this.rows, id];
    else if (how === 'range' && last) {
      const [a, b] = [order.indexOf(last), order.indexOf(id)].sort((x, y) => x - y) as [number, number];
      this.rows = [...order.slice(a, b + 1).filter((row) => row !== last), last];
    } else this.rows = [id];
    if (how === 'alone') this.clips = [];
  }

  active(row: AudioRow): Take {
    return row.takes.find((take) => take.id === row.active) ?? row.takes[0]!;
  }

  isClipChosen(row: string, index: number): boolean {
    return this.clips.some((clip) => clip.row === row && clip.index === index);
  }

  clipOf(ref: ClipRef): Clip | undefined {
    const row = this.session.rows.find((each) => each.id === ref.row);
    return row?.type === 'audio' ? this.active(row).clips[ref.index] : undefined;
  }

  /** How long a clip's recording is, in frames of the session. */
  recordingFrames(clip: Clip): number {
    return this.lengths.get(clip.recording) ?? clip.offset + clip.frames;
  }

  /** Makes one step, worked out when its turn comes; what went wrong is said. True when it was made. */
  async make(words: string, edits: SessionEdit[] | (() => SessionEdit[])): Promise<boolean> {
    try {
      return await this.store.edit(() => {
        const list = typeof edits === 'function' ? edits() : edits;
        if (!list.length) return undefined;
        return list.length === 1 && list[0]!.type !== 'setTakes' ? list[0]! : { type: 'together', words, edits: list };
      });
    } catch (thrown) {
      toasts.wrong(thrown);
      return false;
    }
  }

  // -- clips

  /** The edit that gives an audio row's active take other clips. */
  withClips(row: AudioRow, clips: Clip[]): SessionEdit {
    return {
      type: 'setTakes',
      row: row.id,
      active: row.active,
      takes: row.takes.map((take) => (take.id === row.active ? { ...take, clips } : take)),
    };
  }

  /** Changes the chosen clips, row by row. */
  changeClips(
    words: string,
    change: (clips: Clip[], which: number[], row: AudioRow) => Clip[] | undefined,
  ): Promise<boolean> {
    const chosen = this.clips;
    return this.make(words, () =>
      this.session.rows.flatMap((row) => {
        const which = chosen.filter((clip) => clip.row === row.id).map((clip) => clip.index);
        const clips = row.type === 'audio' && which.length ? change(this.active(row).clips, which, row) : undefined;
        return clips ? [this.withClips(row as AudioRow, clips)] : [];
      }),
    );
  }

  eachClip(words: string, change: (clip: Clip) => Clip): Promise<boolean> {
    return this.changeClips(words, (clips, which) => clips.map((clip, i) => (which.includes(i) ? change(clip) : clip)));
  }

  /** The frame at which the first of the chosen clips begins. */
  get firstChosen(): number {
    return Math.min(...this.clips.map((ref) => this.clipOf(ref)?.position ?? Infinity));
  }

  nudge = (frames: number) =>
    this.changeClips(`Move ${count(this.clips.length, 'clip')}`, (clips, which) => moved(clips, which, frames));

  wordsFor(part: ClipPart): string {
    const what = this.clips.length === 1 ? 'a clip' : count(this.clips.length, 'clip');
    return `${part === 'body' ? 'Move' : part.startsWith('fade') ? 'Fade' : 'Trim'} ${what}`;
  }

  /** Moves what is held of the chosen clips: all of them, or an edge or fade of each. */
  moveHeld(frames: number): Promise<boolean> {
    const { held } = this;
    if (held === 'body') return this.nudge(frames);
    return this.eachClip(this.wordsFor(held), (clip) => partMoved(clip, held, frames, this.recordingFrames(clip)));
  }

  /** Chooses the next clip of the chosen row, or the one before: after what is chosen, or else after the mark. */
  chooseClip(way: 1 | -1): void {
    const row = this.session.rows.find((each) => each.id === (this.clips[0]?.row ?? this.rows.at(-1)));
    if (row?.type !== 'audio') return;
    const { clips } = this.active(row);
    const order = clips.map((_, i) => i).sort((a, b) => clips[a]!.position - clips[b]!.position);
    const now = this.clips.length ? order.indexOf(this.clips[way > 0 ? this.clips.length - 1 : 0]!.index) : undefined;
    const after = order.findIndex((i) => clips[i]!.position + clips[i]!.frames > this.head);
    const from = after < 0 ? order.length : after;
    const next = order[now === undefined ? from - (way < 0 ? 1 : 0) : now + way];
    if (next !== undefined) this.clips = [{ row: row.id, index: next }];
  }

  async splitAtHead(): Promise<void> {
    if (!this.clips.length) this.chooseClipsAt(this.head);
    await this.changeClips(`Split ${count(this.clips.length, 'clip')}`, (clips, which) =>
      split(clips, which, this.head),
    );
    this.clips = [];
  }

  private chooseClipsAt(frame: number): void {
    this.clips = this.chosen.flatMap((row) =>
      row.type !== 'audio'
        ? []
        : this.active(row).clips.flatMap((clip, index) =>
            frame > clip.position && frame < clip.position + clip.frames ? [{ row: row.id, index }] : [],
          ),
    );
  }

  async join(): Promise<void> {
    let apart = false;
    const done = await this.changeClips('Join clips', (clips, which) => {
      const one = joined(clips, which);
      apart ||= !one;
      return one;
    });
    if (apart) toasts.say('Clips can be joined when one goes on where the other ends, in the same recording.', 'wrong');
    if (done) this.clips = [];
  }

  async removeClips(): Promise<void> {
    if (
      await this.changeClips(`Remove ${count(this.clips.length, 'clip')}`, (clips, which) =>
        clips.filter((_, i) => !which.includes(i)),
      )
    )
      this.clips = [];
  }

  muteClips(): Promise<boolean> {
    const off = this.clips.some((ref) => !this.clipOf(ref)?.muted);
    return this.eachClip(`${off ? 'Mute' : 'Unmute'} ${count(this.clips.length, 'clip')}`, (clip) => ({
      ...clip,
      muted: off,
    }));
  }

  turnClips(): Promise<boolean> {
    return this.eachClip(`Reverse the polarity of ${count(this.clips.length, 'clip')}`, (clip) => ({
      ...clip,
      inverted: !clip.inverted,
    }));
  }

  // -- rows

  /** An edit for each chosen row, as one step. */
  eachRow(words: string, edit: (row: Row) => SessionEdit | undefined): Promise<boolean> {
    return this.make(
      words,
      this.chosen.map(edit).filter((each) => each !== undefined),
    );
  }

  setAbout(row: Row, change: Partial<About>): SessionEdit {
    return { type: 'setAbout', row: row.id, role: change.role ?? row.about.role, note: change.note ?? row.about.note };
  }

  setRole = (role: Role) =>
    this.eachRow(`Change the role of ${count(this.rows.length, 'row')}`, (row) => this.setAbout(row, { role }));

  setFader(row: Row, change: Partial<Pick<Strip, 'faderDb' | 'pan' | 'muted' | 'soloed'>>): SessionEdit {
    const { faderDb, pan, muted, soloed } = { ...row.strip, ...change };
    return { type: 'setFader', row: row.id, faderDb, pan, muted, soloed };
  }

  setInserts = (row: Row, inserts: Insert[]) =>
    this.make(`Change the inserts of “${row.name}”`, [{ type: 'setInserts', row: row.id, inserts }]);

  async removeRows(): Promise<void> {
    const gone = this.chosen.filter((row) => row.type !== 'mix');
    const inside = new Set(gone.filter((row) => row.type === 'instrument').map((row) => row.id));
    const edits = gone
      .filter((row) => row.type !== 'part' || !inside.has(row.instrument))
      .map((row): SessionEdit => ({ type: 'removeRow', row: row.id }));
    if (await this.make(`Remove ${count(gone.length, 'row')}`, edits)) this.rows = [];
  }

  duplicateRows = () =>
    this.eachRow(`Duplicate ${count(this.rows.length, 'row')}`, (row) => ({ type: 'duplicateRow', row: row.id }));

  /** Folds the rows of a bus away, or shows them again. */
  fold(bus: string): void {
    if (!this.folds.delete(bus)) this.folds.add(bus);
  }

  /** Shows a row that is folded away. */
  unfold(row: string): void {
    for (let bus = this.nested.get(row)?.under; bus !== undefined; bus = this.nested.get(bus)?.under)
      this.folds.delete(bus);
  }

  /** Moves the chosen rows past the one before or after them that stands under the same bus. */
  async moveRowsBy(way: 1 | -1): Promise<void> {
    const chosen = this.all.filter((row) => this.rows.includes(row.id) && row.type !== 'mix');
    const edge = way < 0 ? chosen[0] : chosen.at(-1);
    if (!edge) return;
    const bus = this.nested.get(edge.id)?.under;
    const beside = this.all.filter(
      (row) => row.type !== 'mix' && this.nested.get(row.id)?.under === bus && (row === edge || !chosen.includes(row)),
    );
    const next = beside[beside.indexOf(edge) + way];
    if (!next) return;
    const { rows } = this.session;
    const before = way < 0 ? next : rows.slice(rows.indexOf(next) + 1).find((row) => !chosen.includes(row));
    await this.moveRows(!before || before.type === 'mix' ? null : before.id);
  }

  moveRows = (before: string | null) => this.make('Move rows', [{ type: 'moveRows', rows: this.rows, before }]);

  /** An id that no row ever had: what a handoff says of one that was removed must not come to another. */
  freeId(): string {
    return `r${[...crypto.getRandomValues(new Uint8Array(5))].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`;
  }

  private freeName(stem: string): string {
    const names = new Set(this.session.rows.map((row) => row.name));
    for (let n = 1; ; n++) if (!names.has(n === 1 ? stem : `${stem} ${n}`)) return n === 1 ? stem : `${stem} ${n}`;
  }

  /** Adds a row; a bus or return takes in the rows that are chosen. */
  async addRow(kind: 'audio' | 'instrument' | 'bus' | 'return', name?: string): Promise<string | undefined> {
    const id = this.freeId();
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
    const about: About = { role: 'other', note: '', named: name ? 'hand' : 'import' };
    const base = { id, strip, about };
    const rows = {
      audio: {
        ...base,
        type: 'audio' as const,
        name: this.freeName(name ?? 'New row'),
        takes: [{ id: 't1', name: 'Take 1', clips: [] }],
        active: 't1',
      },
      instrument: {
        ...base,
        type: 'instrument' as const,
        soundFrom: 'house' as const,
        messages: [],
        name: this.freeName(name ?? 'New notes'),
        instrument: 'pluckedString',
        notes: [],
      },
      bus: { ...base, type: 'bus' as const, name: this.freeName(name ?? 'New bus') },
      return: {
        ...base,
        type: 'return' as const,
        name: this.freeName(name ?? 'New return'),
        strip: {
          ...strip,
          inserts: [
            { effect: 'hallReverb', settings: { mixPercent: 100 }, key: null, kept: false, on: true, said: '' },
          ],
        },
      },
    };
    const members = this.chosen.filter((row) => row.type !== 'mix');
    const sources = members.filter((row) => (row.type !== 'return' && row.type !== 'bus') || kind === 'bus');
    const first = kind === 'bus' ? members[0]?.id : undefined;
    const edits: SessionEdit[] = [{ type: 'addRow', row: rows[kind], before: first ?? null }];
    if (kind === 'bus')
      edits.push(...sources.map((row): SessionEdit => ({ type: 'setOutputs', row: row.id, outputs: [id] })));
    if (kind === 'return')
      edits.push(
        ...sources.map((row): SessionEdit => ({
          type: 'setSends',
          row: row.id,
          sends: [...row.strip.sends, { to: id, levelDb: -12, from: 'afterFader' }],
        })),
      );
    if (!(await this.make(`Add “${rows[kind].name}”`, edits))) return undefined;
    this.choose(id);
    return id;
  }
}
