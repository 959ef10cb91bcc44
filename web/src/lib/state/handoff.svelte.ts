import client, { answer, Refusal } from '../api/client';
import type { Adjustment, Choice, Handoff, HandoffChange, HandoffState, RunEntry } from '../api/types';
import { toasts } from '../chrome/toasts.svelte';

type Change = Partial<Omit<HandoffChange, 'revision'>>;

/** The session's handoff (made when there is none yet), its plan, and the runs it has had. */
export class HandoffStore {
  state = $state.raw<HandoffState>();
  runs = $state.raw<RunEntry[]>([]);
  runsKnown = $state(false);
  failure = $state<string>();
  private undone = $state.raw<Handoff[]>([]);
  private last = Promise.resolve();

  constructor(readonly sessionId: string) {
    void this.load();
  }

  get id(): string | undefined {
    return this.state?.id;
  }

  async load(): Promise<void> {
    try {
      const path = { sessionId: this.sessionId };
      const all = await answer(client.GET('/api/sessions/{sessionId}/handoffs', { params: { path } }));
      this.state = all[0]
        ? await answer(client.GET('/api/handoffs/{id}', { params: { path: { id: all[0].id } } }))
        : await answer(client.POST('/api/sessions/{sessionId}/handoffs', { params: { path }, body: { name: 'The mixer' } }));
      await this.loadRuns();
      this.failure = undefined;
    } catch (thrown) {
      this.failure = (thrown as Error).message;
    }
  }

  async loadRuns(): Promise<void> {
    this.runs = await answer(
      client.GET('/api/handoffs/{handoffId}/runs', { params: { path: { handoffId: this.id! } } }),
    );
    this.runsKnown = true;
  }

  isChosen(choice: Choice): boolean {
    return !!this.state?.plan.prints.some((p) => p.row === choice.row && p.station === choice.station);
  }

  chosen(): Choice[] {
    const choices = this.state?.plan.prints.map(({ row, station }) => ({ row, station })) ?? [];
    return choices.filter((choice, i) => i === choices.findIndex((c) => c.row === choice.row && c.station === choice.station));
  }

  /** Changes what is printed, starting from what is chosen when its turn comes. */
  choose(make: (chosen: Choice[]) => Choice[]): Promise<void> {
    return this.change(() => {
      this.remember();
      return { chosen: make(this.chosen()) };
    });
  }

  get canUndo(): boolean {
    return this.undone.length > 0;
  }

  undoChoice(): Promise<void> {
    return this.change(() => {
      const before = this.undone.at(-1) ?? this.state!.handoff;
      this.undone = this.undone.slice(0, -1);
      return before;
    });
  }

  /** Takes an adjustment that a finding offered. */
  async adjust(adjustment: Adjustment): Promise<void> {
    this.remember();
    const now = this.state!;
    try {
      this.state = await answer(client.POST('/api/handoffs/{id}/adjustments', { params: { path: { id: now.id } }, body: { revision: now.revision, adjustment } }));
    } catch (thrown) {
      this.undone = this.undone.slice(0, -1);
      if (thrown instanceof Refusal && thrown.problem.current) this.state = thrown.problem.current as HandoffState;
      throw thrown;
    }
  }

  /** Keeps the handoff as it stands, with what it prints named, for undo. */
  private remember(): void {
    this.undone = [...this.undone, { ...this.state!.handoff, chosen: this.chosen() }];
  }

  /** Changes anything but what is chosen. */
  set(change: Omit<Change, 'chosen'>): Promise<void> {
    return this.change(() => {
      this.remember();
      return change;
    });
  }

  /** One change after the other, each made from what the one before left. */
  private change(make: () => Change): Promise<void> {
    this.last = this.last.then(() => this.send(make()));
    return this.last;
  }

  private async send(part: Change): Promise<void> {
    const now = this.state!;
    try {
      this.state = await answer(
        client.PUT('/api/handoffs/{id}', {
          params: { path: { id: now.id } },
          body: { revision: now.revision, ...now.handoff, ...part },
        }),
      );
    } catch (thrown) {
      if (thrown instanceof Refusal && thrown.problem.current) this.state = thrown.problem.current as HandoffState;
      toasts.wrong(thrown);
    }
  }

  /** Starts a run and returns its id; undefined when it was refused. */
  async print(): Promise<string | undefined> {
    try {
      const path = { handoffId: this.id! };
      const { id } = await answer(client.POST('/api/handoffs/{handoffId}/runs', { params: { path } }));
      await this.loadRuns();
      return id;
    } catch (thrown) {
      toasts.wrong(thrown);
      return undefined;
    }
  }
}
