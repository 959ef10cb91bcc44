import client, { answer, Refusal } from '../api/client';
import type { Looked } from '../api/types';
import { Served } from '../state/served.svelte';
import { bytes, count, minutes } from '../units';
import { arrive, forget, isPassing } from './arrive';
import { fingerprint } from './fingerprint';
import { UploadPace } from './uploadPace';

/** So many go at once: one alone waits for the disk between files. */
const AT_ONCE = 3;
const LOOK_MS = 400;
const GONE = 410;

export interface Arrival {
  name: string;
  size: number;
  /** 0 to 1 */
  share: number;
  state: 'arriving' | 'reading' | 'in' | 'refused';
  reason?: string | undefined;
}

/** What is made of files once all are here; the uploads are named in the order of the drop. */
export type Making<T> = (
  uploads: string[],
  watch: string,
  turnedAway: { file: string; reason: string }[],
) => Promise<T>;

/** One drop on its way to the server: every file's progress, then what became of it. */
export class Arrivals<T extends { refused: { file: string; reason: string }[] }> {
  files = $state<Arrival[]>([]);
  /** `broken`: the line stayed away; `send` goes on. */
  state = $state<'arriving' | 'reading' | 'done' | 'failed' | 'broken'>('arriving');
  made = $state.raw<T>();
  /** Why nothing came of it, or not yet. */
  failure = $state<string>();
  /** Refusals of files that lay inside zips. */
  fromZips = $state<{ file: string; reason: string }[]>([]);
  /** The line is away for a moment. */
  private waiting = $state(false);
  private perSecond = $state<number>();
  private secondsLeft = $state<number>();
  private readonly pace = new UploadPace();
  private readonly looked = new Served<Looked | null>();
  private readonly stopping = new AbortController();
  private ids: (string | undefined)[] = [];
  private twins: Set<number> | undefined;

  constructor(
    private readonly dropped: File[],
    private readonly make: Making<T>,
  ) {
    this.files = dropped.map((file) => ({ name: file.name, size: file.size, share: 0, state: 'arriving' }));
  }

  get total(): number {
    return this.files.reduce((sum, file) => sum + file.size, 0);
  }

  private get sent(): number {
    return this.files.reduce((sum, file) => sum + file.share * file.size, 0);
  }

  /** Of the bytes, or of the files once they are looked into; 0 to 1. */
  get share(): number {
    if (this.state !== 'reading') return this.total ? this.sent / this.total : 0;
    const { done, files } = this.looked.data ?? { done: 0, files: 0 };
    return files ? done / files : 0;
  }

  /** How it stands, in a line. */
  get words(): string {
    const refused = this.files.filter((file) => file.state === 'refused').length + this.fromZips.length;
    switch (this.state) {
      case 'arriving': {
        const pace =
          (this.perSecond === undefined ? '' : `, ${bytes(this.perSecond)} a second`) +
          (this.secondsLeft === undefined ? '' : `, ${minutes(Math.ceil(this.secondsLeft), 0)} left`);
        const what = `${count(this.files.length, 'file')} arriving, ${bytes(this.total)}`;
        return this.waiting ? `${what}. The line is away; it goes on from here when it is back.` : what + pace;
      }
      case 'reading': {
        const looked = this.looked.data;
        return looked?.files ? `All here. ${stageWords(looked)}: ${looked.file}` : 'All here. Looking into them…';
      }
      case 'done':
        return refused ? `${count(refused, 'file')} did not come in` : 'All came in';
      default:
        return this.failure ?? '';
    }
  }

  /** Sends what has not come yet, and has something made of it. What goes wrong is in the state. */
  async send(): Promise<void> {
    this.state = 'arriving';
    this.failure = undefined;
    try {
      this.twins ??= await twinsOf(this.dropped);
      const places = this.dropped.map((_, i) => i).filter((i) => this.files[i]!.state !== 'refused');
      const queue = places.filter((i) => this.ids[i] === undefined);
      // what goes wrong with one is told when the others are over: nothing goes on behind it
      const ended = await Promise.allSettled(Array.from({ length: AT_ONCE }, () => this.sendNext(queue)));
      const wrong = ended.find((each) => each.status === 'rejected');
      if (wrong) throw wrong.reason;
      const ids = places.flatMap((i) => this.ids[i] ?? []);
      if (!ids.length) return this.end('failed', nothingUsable(this.files));
      await this.turnIn(ids);
    } catch (thrown) {
      if (!this.stopping.signal.aborted) this.wentWrong(thrown);
    }
  }

  private async sendNext(queue: number[]): Promise<void> {
    for (let i = queue.shift(); i !== undefined; i = queue.shift()) {
      const file = this.files[i]!;
      const way = {
        twin: this.twins!.has(i),
        sent: (sent: number) => {
          file.share = file.size ? sent / file.size : 1;
          this.waiting = false;
          this.measure();
        },
        broke: () => (this.waiting = true),
      };
      try {
        this.ids[i] = await arrive(this.dropped[i]!, way, this.stopping.signal);
        file.share = 1;
        file.state = 'reading';
      } catch (thrown) {
        if (!(thrown instanceof Refusal) || thrown.problem.status !== 422) throw thrown;
        file.state = 'refused';
        file.reason = thrown.message;
      }
    }
  }

  private measure(): void {
    this.pace.told(this.sent, performance.now());
    this.perSecond = this.pace.perSecond;
    this.secondsLeft = this.pace.secondsLeft(this.total);
  }

  private async turnIn(ids: string[]): Promise<void> {
    this.state = 'reading';
    const watch = [...crypto.getRandomValues(new Uint32Array(4))].join('-');
    this.looked.about({
      key: ['drop', watch],
      ask: (signal) =>
        answer(client.GET('/api/arrivals/looked/{watch}', { params: { path: { watch } }, signal })).catch(() => null),
      again: () => LOOK_MS,
    });
    try {
      const turnedAway = this.files
        .filter((file) => file.state === 'refused')
        .map((file) => ({ file: file.name, reason: file.reason ?? 'It was not taken.' }));
      this.made = await this.make(ids, watch, turnedAway);
    } finally {
      this.looked.about(undefined);
    }
    this.settle(this.made.refused);
    this.end('done');
    void forget(this.dropped, ids, true);
  }

  private wentWrong(thrown: unknown): void {
    const problem = thrown instanceof Refusal ? thrown.problem : { status: 0, detail: (thrown as Error).message };
    if (isPassing(problem.status)) {
      this.end('broken', `${problem.detail} What has come is kept for a day.`);
      return;
    }
    if (problem.status === GONE) {
      // another window made something of them, or a day went by
      this.ids = [];
      void forget(this.dropped, [], true);
      this.end('broken', 'What had come is not there any more; it can be sent once more.');
      return;
    }
    this.settle(problem.refused ?? []);
    this.end('failed', problem.detail);
    this.forgetAll();
  }

  private settle(refused: { file: string; reason: string }[]): void {
    const open = [...refused];
    this.files
      .filter((file) => file.state !== 'refused')
      .forEach((file) => {
        const at = open.findIndex(
          (refusal) => refusal.file === file.name || refusal.file === file.name.normalize('NFC'),
        );
        const refusal = at < 0 ? undefined : open.splice(at, 1)[0];
        file.state = refusal || !this.made ? 'refused' : 'in';
        file.reason = refusal?.reason;
      });
    this.fromZips = open;
  }

  private end(state: 'done' | 'failed' | 'broken', failure?: string): void {
    this.state = state;
    this.failure = failure;
    this.waiting = false;
    if (state !== 'broken') this.looked.close();
  }

  /** Gives the drop up; nothing of it stays. */
  stop(): void {
    this.stopping.abort();
    this.looked.close();
    if (this.state !== 'done') this.forgetAll();
  }

  private forgetAll(): void {
    void forget(
      this.dropped,
      this.ids.flatMap((id) => id ?? []),
      false,
    ).catch(() => undefined);
  }
}

function stageWords({ stage, done, files }: Looked): string {
  switch (stage) {
    case 'reading':
      return `Read ${done} of ${count(files, 'file')}`;
    case 'hearing':
      return `Heard ${done} of ${count(files, 'recording')}`;
    default:
      return `Looked for ${done} of ${count(files, 'recording')} in the mix`;
  }
}

function nothingUsable([first, ...more]: Arrival[]): string {
  return more.length
    ? `None of the ${more.length + 1} files can be used.`
    : `“${first?.name}” cannot be used. ${first?.reason ?? ''}`;
}

/** Places of files that the drop holds more than once. */
async function twinsOf(files: File[]): Promise<Set<number>> {
  const prints = await Promise.all(files.map(fingerprint));
  return new Set(prints.flatMap((print, i) => (prints.indexOf(print) !== prints.lastIndexOf(print) ? [i] : [])));
}
