<script lang="ts">
  import type { RunEntry } from '../lib/api/types';
  import { moment } from '../lib/units';

  let { sessionId, runs, shown, sessionRevision }: { sessionId: string; runs: RunEntry[]; shown: string; sessionRevision: number } = $props();
  const colour = { done: 'moss', failed: 'rust', cancelled: 'ochre', waiting: 'teal', printing: 'teal', proofing: 'teal' } as const;
</script>

<p class="cap">RUNS</p>
<h2>{runs.length === 1 ? 'The first run' : `${runs.length} runs`}</h2>
<ul>
  {#each runs as run (run.id)}
    <li class:shown={run.id === shown}>
      <a href="#/s/{sessionId}/print?run={run.id}">
        <b>Run {run.number}</b><span class="badge {colour[run.state]}">{run.state}</span>
        <span class="cap">{moment(run.createdAt)}</span>
        <span class="cap since">{run.sessionRevision === sessionRevision ? 'the session is as it was then' : `the session was edited ${sessionRevision - run.sessionRevision}× since`}</span>
      </a>
    </li>
  {/each}
</ul>

<style>
  li { border-bottom: 1px solid var(--rule2); margin: 0 -16px; padding: 0 16px; }
  li.shown { background: var(--teal-wash); }
  a { display: grid; grid-template-columns: auto auto 1fr; gap: 2px 8px; align-items: center; padding: 8px 0; }
  a > .cap:nth-of-type(2) { text-align: right; }
  .since { grid-column: 1 / -1; }
</style>
