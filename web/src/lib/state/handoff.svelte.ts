import client, { answer, Refusal } from '../api/client';
import type {
  Adjustment,
  Brief,
  Choice,
  Handoff,
  HandoffEntry,
  HandoffState,
  RowByHand,
  RunEntry,
  Settings,
  SinceLastRun,
} from '../api/types';
import { toasts } from '../chrome/toasts.svelte';
import { Served } from './served.svelte';
import { stamped } from './stamped';
import { Turns } from './turns';

/** The handoff of a session that is looked at (made when there is none yet), its plan, and the runs it has had. */
export class HandoffStore {
  private readonly list: Served<HandoffEntry[]>;
  private readonly planned = new Served<HandoffState>();
  private readonly printed = new Served<RunEntry[]>();
  private readonly changes = new Served<SinceLastRun>();
  private undone = $state.raw<Handoff[]>([]);
  private readonly turns = new Turns();
  private picked?: string;
  private opened = $state<string>();

  constructor(readonly sessionId: string) {
    this.picked = sessionStorage.getItem(this.key) ?? undefined;
    this.list = new Served({
      key: ['session', sessionId, 'handoffs'],
      ask: async (signal) => {
        const path = { sessionId };
        const all = await answer(client.GET('/api/sessions/{sessionId}/handoffs', { params: { path }, signal }));
        return all.length ? all : [entryOf(await this.makeFirst())];
      },
    });
    void this.load();
  }

  /** Where the tab remembers which handoff is looked at. */
  private get key(): string {
    return `handoff of ${this.sessionId}`;
  }

  private remembered(id: string | undefined): void {
    this.picked = id;
    if (id) sessionStorage.setItem(this.key, id);
    else sessionStorage.removeItem(this.key);
  }

  get id(): string | undefined {
    return this.opened;
  }

  get state(): HandoffState | undefined {
    return this.planned.data;
  }

  get handoff(): Handoff {
    return this.state!.handoff;
  }

  /** Every handoff of the session. */
  get all(): HandoffEntry[] {
    return this.list.data ?? [];
  }

  get runs(): RunEntry[] {
    return this.printed.data ?? [];
  }

  get runsKnown(): boolean {
    return this.printed.data !== undefined;
  }

  /** What changed since the last run; undefined while it is not known. */
  get since(): SinceLastRun | undefined {
    return this.changes.failure ? undefined : this.changes.data;
  }

  get failure(): string | undefined {
    return this.list.failure ?? this.planned.failure ?? this.printed.failure;
  }

  async load(): Promise<void> {
    await this.list.load();
    const entry = this.all.find((each) => each.id === this.picked) ?? this.all[0];
    if (!entry) return;
    // what was printed can be looked at even where nothing can be planned any more, as when a recording vanished
    await this.open(entry.id);
  }

  private async open(id: string): Promise<void> {
    this.opened = id;
    const params = { path: { id } };
    const of = { params: { path: { handoffId: id } } };
    this.changes.about({
      key: ['handoff', id, 'changes'],
      ask: (signal) => answer(client.GET('/api/handoffs/{handoffId}/changes', { ...of, signal })),
      onlyWhenLoaded: true,
    });
    await Promise.all([
      this.planned.look({
        key: ['handoff', id],
        ask: (signal) => answer(client.GET('/api/handoffs/{id}', { params, signal })),
      }),
      this.printed.look({
        key: ['handoff', id, 'runs'],
        ask: (signal) => answer(client.GET('/api/handoffs/{handoffId}/runs', { ...of, signal })),
      }),
    ]);
  }

  close(): void {
    for (const each of [this.list, this.planned, this.printed, this.changes]) each.close();
  }

  /** Looks at another handoff of the session. */
  async pick(id: string): Promise<void> {
    this.remembered(id);
    this.undone = [];
    await this.load();
  }

  /** The one that every session has; two windows that open it at once get the same. */
  private makeFirst(): Promise<HandoffState> {
    return answer(
      client.PUT('/api/sessions/{sessionId}/handoffs/first', {
        params: { path: { sessionId: this.sessionId } },
        body: { name: 'The mixer', brief: null },
      }),
    );
  }

  /** Makes a handoff and looks at it; without a brief it begins with the usual one. */
  async create(name: string, brief?: Brief): Promise<void> {
    const made = await answer(
      client.POST('/api/sessions/{sessionId}/handoffs', {
        params: { path: { sessionId: this.sessionId } },
        body: { name, brief: brief ?? null },
      }),
    );
    this.remembered(made.id);
    this.undone = [];
    this.list.set([...this.all.filter((each) => each.id !== made.id), entryOf(made)]);
    const opening = this.open(made.id);
    this.planned.set(made);
    await opening;
  }

  /** Removes the handoff with what it printed. */
  async remove(): Promise<void> {
    await answer(client.DELETE('/api/handoffs/{id}', { params: { path: { id: this.id! } } }));
    this.remembered(undefined);
    this.undone = [];
    await this.load();
  }

  loadRuns(): Promise<void> {
    return this.printed.load();
  }

  /** Asks what would be printed again as all stands now. */
  loadSince(): Promise<void> {
    return this.changes.load();
  }

  isChosen(choice: Choice): boolean {
    return this.chosen().some((each) => each.row === choice.row && each.station === choice.station);
  }

  chosen(): Choice[] {
    const plan = this.state?.plan;
    const choices: Choice[] = [
      ...(plan?.prints.map(({ row, station }) => ({ row, station })) ?? []),
      ...(plan?.edits.rows.map(({ row }) => ({ row, station: 'raw' as const })) ?? []),
    ];
    return choices.filter(
      (choice, i) => i === choices.findIndex((c) => c.row === choice.row && c.station === choice.station),
    );
  }

  /** Prints these files, or does not. */
  stamp(choices: Choice[], adding: boolean): Promise<void> {
    return this.change((handoff) => stamped(handoff, this.state!.plan.rows, choices, adding));
  }

  get canUndo(): boolean {
    return this.undone.length > 0;
  }

  undo(): Promise<void> {
    return this.turns.take(async () => {
      const before = this.undone.at(-1);
      if (!before) return;
      this.undone = this.undone.slice(0, -1);
      await this.send(before);
    });
  }

  /** Changes settings that hold for all files; null gives one back to the brief. */
  set(settings: Partial<Settings>): Promise<void> {
    return this.change((handoff) => ({ ...handoff, settings: { ...handoff.settings, ...settings } }));
  }

  /** Changes what is set for one row. */
  setRow(row: string, change: Partial<RowByHand>): Promise<void> {
    return this.change((handoff) => ({
      ...handoff,
      byRow: { ...handoff.byRow, [row]: { ...handoff.byRow[row], ...change } },
    }));
  }

  /** Asks for something else; what was set by hand stays. */
  async setBrief(brief: Brief): Promise<void> {
    await this.change((handoff) => ({ ...handoff, brief }));
    if (this.handoff.brief.name !== brief.name) return; // refused, and said so
    const kept = this.state!.byHand;
    toasts.say(`Planned again: ${brief.name}.${kept.length ? ` Kept as you set it: ${kept.join(', ')}.` : ''}`, 'good');
  }

  /** Gives everything that was set by hand back to the brief. */
  letGo(): Promise<void> {
    return this.change((handoff) => ({
      ...handoff,
      settings: {},
      added: [],
      leftOut: [],
      sections: [],
      byRow: {},
      order: [],
    }));
  }

  /** Takes an adjustment that a finding offered. */
  adjust(adjustment: Adjustment): Promise<void> {
    return this.replaced((id, revision) =>
      client.POST('/api/handoffs/{id}/adjustments', { params: { path: { id } }, body: { revision, adjustment } }),
    );
  }

  /** Keeps an insert in the sound of a row's files, or leaves it to the mix. */
  keep(row: string, insert: number, keep: boolean): Promise<void> {
    return this.replaced((id, revision) =>
      client.POST('/api/handoffs/{id}/keep', { params: { path: { id } }, body: { revision, row, insert, keep } }),
    );
  }

  /** Prints a take of a row at Raw, or does not. */
  include(row: string, take: string, include: boolean): Promise<void> {
    return this.replaced((id, revision) =>
      client.POST('/api/handoffs/{id}/include', { params: { path: { id } }, body: { revision, row, take, include } }),
    );
  }

  /** Turns all files up or down by so many dB, the balance between them kept. */
  turn(db: number): Promise<void> {
    return this.replaced((id, revision) =>
      client.POST('/api/handoffs/{id}/turn', { params: { path: { id } }, body: { revision, db } }),
    );
  }

  /** A change that the server works out. */
  private replaced(ask: (id: string, revision: number) => Parameters<typeof answer<HandoffState>>[0]): Promise<void> {
    return this.turns.take(async () => {
      this.remember();
      const now = this.state!;
      try {
        this.planned.set(await answer(ask(now.id, now.revision)));
      } catch (thrown) {
        this.undone = this.undone.slice(0, -1);
        this.refused(thrown);
      }
    });
  }

  private remember(): void {
    this.undone = [...this.undone.slice(-99), this.handoff];
  }

  /** One change after the other, each made from what the one before left. */
  change(make: (handoff: Handoff) => Handoff): Promise<void> {
    return this.turns.take(async () => {
      this.remember();
      if (!(await this.send(make(this.handoff)))) this.undone = this.undone.slice(0, -1);
    });
  }

  /** True when it was taken. */
  private async send(handoff: Handoff): Promise<boolean> {
    const now = this.state!;
    try {
      const taken = await answer(
        client.PUT('/api/handoffs/{id}', {
          params: { path: { id: now.id } },
          body: { revision: now.revision, handoff },
        }),
      );
      this.planned.set(taken);
      this.list.set(this.all.map((each) => (each.id === taken.id ? entryOf(taken) : each)));
      return true;
    } catch (thrown) {
      this.refused(thrown);
      return false;
    }
  }

  /** Somebody was faster, or it cannot be done: said, and what there is now is shown. */
  private refused(thrown: unknown): void {
    if (thrown instanceof Refusal && thrown.problem.current) this.planned.set(thrown.problem.current as HandoffState);
    toasts.wrong(thrown);
  }

  /** Starts a run and returns its id; undefined when it was refused. */
  async print(how: { version?: string; everything?: boolean } = {}): Promise<string | undefined> {
    await this.turns.over(); // a change that was made just before is in it
    try {
      const path = { handoffId: this.id! };
      const everything = how.everything ?? false;
      // as long as the page shows the same, a second click is the same press
      const press = `${this.state?.revision}.${this.state?.sessionRevision}.${everything ? 'all' : 'new'}.${this.runs[0]?.id ?? ''}`;
      const body = { version: how.version ?? null, everything, press };
      const { id } = await answer(client.POST('/api/handoffs/{handoffId}/runs', { params: { path }, body }));
      await this.loadRuns();
      return id;
    } catch (thrown) {
      toasts.wrong(thrown);
      return undefined;
    }
  }
}

function entryOf({ id, handoff }: HandoffState): HandoffEntry {
  return { id, name: handoff.name, brief: handoff.brief.name };
}
