import { router } from 'svelte-spa-router';
import type { HandoffStore } from './handoff.svelte';
import { RunStore } from './run.svelte';

/** The run a view shows: the one its address names, else the newest, or the newest that is done. */
export class ShownRun {
  current = $state.raw<RunStore>();

  constructor(
    private readonly handoff: HandoffStore,
    private readonly which: 'newest' | 'newest done',
    private readonly whenOver: (run: RunStore) => void = () => {},
  ) {
    $effect(() => this.follow());
    $effect(() => () => this.current?.close());
  }

  /** True once it is known that there is no run to show. */
  get none(): boolean {
    return !!this.handoff.state && !this.wanted();
  }

  private wanted(): string | undefined {
    const named = new URLSearchParams(router.querystring ?? '').get('run');
    const entries = this.handoff.runs;
    return named ?? (this.which === 'newest' ? entries[0] : entries.find((entry) => entry.state === 'done'))?.id;
  }

  private follow(): void {
    const id = this.wanted();
    if (id === this.current?.id) return;
    this.current?.close();
    this.current = id ? this.open(id) : undefined;
  }

  private open(id: string): RunStore {
    const run: RunStore = new RunStore(id, () => {
      void this.handoff.loadRuns();
      this.whenOver(run);
    });
    return run;
  }
}
