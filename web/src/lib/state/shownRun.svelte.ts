import { router } from 'svelte-spa-router';
import type { HandoffStore } from './handoff.svelte';
import { openRun } from './open';
import type { RunStore } from './run.svelte';

/** The run a view shows: the one its address names, else the newest, or the newest that is done. */
export class ShownRun {
  current = $state.raw<RunStore>();

  constructor(
    private readonly handoff: HandoffStore,
    private readonly which: 'newest' | 'newest done',
  ) {
    $effect(() => {
      const id = this.wanted();
      if (id !== this.current?.id) this.current = id ? openRun(id, handoff) : undefined;
    });
  }

  /** True once it is known that there is no run to show. */
  get none(): boolean {
    return this.handoff.runsKnown && !this.wanted();
  }

  private wanted(): string | undefined {
    const named = new URLSearchParams(router.querystring ?? '').get('run');
    const entries = this.handoff.runs;
    return named ?? (this.which === 'newest' ? entries[0] : entries.find((entry) => entry.state === 'done'))?.id;
  }
}
