import client, { answer } from '../api/client';
import type { FileLevel, LevelsView, PlanRow } from '../api/types';
import type { HandoffStore } from './handoff.svelte';
import { Served } from './served.svelte';

const FIRST_MS = 400;
const AGAIN_MS = 1_500;
/** Levels where nothing is printed are nobody's hurry. */
const OTHERS_AGAIN_MS = 4_000;

/** Levels of a plan's files, as they become known. Those of another state of the plan are not shown. */
export class Levels {
  private readonly view = new Served<LevelsView>();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly handoff: HandoffStore) {}

  /** Those of the plan as it stands. */
  private get now(): LevelsView | undefined {
    const state = this.handoff.state;
    const view = this.view.data;
    const fits = view && state && view.revision === state.revision && view.sessionRevision === state.sessionRevision;
    return fits ? view : undefined;
  }

  private readonly known = $derived(new Map(this.now?.levels.map((each) => [each.print, each])));

  /** How long and how large the files will be; null while one of them is not known. */
  get exact(): LevelsView['exact'] {
    return this.now?.exact ?? null;
  }

  /** Places in the plan of files that hold nothing at all. */
  get silent(): number[] {
    return [...this.known.values()].filter(({ level }) => level.peakDbfs === null).map(({ print }) => print);
  }

  /** What a row would hold where it is not printed, in the order of the signal; without what is not known. */
  elsewhere(row: string): LevelsView['others'] {
    return this.now?.others.filter((each) => each.row === row) ?? [];
  }

  /** The frame of the session where a file is loudest; null while it is not known. */
  placeOf(print: number): number | null {
    return this.known.get(print)?.at ?? null;
  }

  get failure(): string | null {
    return this.now?.failure ?? null;
  }

  /** How many are still looked for. */
  get pending(): number {
    return this.now ? this.now.pending : (this.handoff.state?.plan.prints.length ?? 0);
  }

  /** The level of a file, by its place in the plan; null while it is not known. */
  of(print: number): FileLevel | null {
    return this.known.get(print)?.level ?? null;
  }

  /** Places in the plan of each row's files: with a thousand rows nobody searches for them row by row. */
  private readonly places = $derived.by(() => {
    const places = new Map<string, number[]>();
    this.handoff.state?.plan.prints.forEach(({ row }, i) => places.set(row, [...(places.get(row) ?? []), i]));
    return places;
  });

  /** Whether a row is printed at all. */
  hasFiles(row: PlanRow): boolean {
    return this.places.has(row.row);
  }

  /** The loudest of a row's files; undefined while any of them is not known, or there are none. */
  loudest(row: PlanRow): number | null | undefined {
    const levels = (this.places.get(row.row) ?? []).map((print) => this.of(print));
    if (!levels.length || levels.some((level) => level === null)) return undefined;
    const peaks = levels.flatMap((level) => (level!.peakDbfs === null ? [] : [level!.peakDbfs]));
    return peaks.length ? Math.max(...peaks) : null;
  }

  /** How far the loudest file passes full scale of a format that ends there, in dB; and how many do. */
  get over(): { count: number; db: number } {
    const plan = this.handoff.state?.plan;
    if (!plan || plan.depth === 'float32') return { count: 0, db: 0 };
    const peaks = plan.prints.flatMap((_, i) => this.of(i)?.peakDbfs ?? []).filter((peak) => peak > 0);
    return { count: peaks.length, db: peaks.length ? Math.max(...peaks) : 0 };
  }

  /** Asks for those of the plan as it stands, until all are known. */
  follow(): void {
    this.stop();
    this.timer = setTimeout(() => this.ask(), FIRST_MS);
  }

  stop(): void {
    clearTimeout(this.timer);
    this.view.about(undefined);
  }

  close(): void {
    this.stop();
    this.view.close();
  }

  /** What goes wrong is not told here: the plan says itself why it cannot be had, and the next change asks again. */
  private ask(): void {
    const id = this.handoff.id;
    if (!id) return;
    this.view.about({
      key: ['handoff', id, 'levels'],
      ask: (signal) => answer(client.GET('/api/handoffs/{id}/levels', { params: { path: { id } }, signal })),
      again: ({ pending, othersPending }) => (pending ? AGAIN_MS : othersPending ? OTHERS_AGAIN_MS : undefined),
    });
  }
}
