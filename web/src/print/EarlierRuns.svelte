<script lang="ts">
  import type { RunEntry, RunView } from '../lib/api/types';
  import { count, moment } from '../lib/units';

  let {
    sessionId,
    runs,
    view,
    onretry,
  }: { sessionId: string; runs: RunEntry[]; view: RunView; onretry: (run: string) => void } = $props();
  const colour = {
    done: 'moss',
    failed: 'rust',
    cancelled: 'ochre',
    waiting: 'teal',
    printing: 'teal',
    proofing: 'teal',
  } as const;
  const takenOver = $derived(view.files.filter((file) => file.takenOver).length);
  const changes = $derived(view.changes);
  const what = $derived(
    view.state === 'done'
      ? `${count(view.files.length - takenOver, 'file')} printed, ${takenOver} taken over as they were.`
      : view.everything
        ? `All ${count(view.files.length, 'file')} are printed again, as asked.`
        : `${count(changes?.fresh.length ?? 0, 'file')} to print, ${changes?.same} to take over.`,
  );
</script>

{#if changes?.number}
  <h3>Since run {changes.number}</h3>
  <ul class="words">
    {#each changes.words as words, i (i)}<li>{words}</li>{:else}<li>Nothing was changed.</li>{/each}
  </ul>
  <p class="cap">{what}</p>
{/if}
<p class="cap runs">RUNS</p>
<h2>{runs.length === 1 ? 'The first run' : `${runs.length} runs`}</h2>
<ul>
  {#each runs as run (run.id)}
    <li class:shown={run.id === view.id}>
      <a href="#/s/{sessionId}/print?run={run.id}">
        <b>Run {run.number}{run.version ? `, ${run.version}` : ''}</b><span class="badge {colour[run.state]}"
          >{run.state}</span
        >
        <span class="cap">{moment(run.createdAt)}</span>
      </a>
      {#if run.state === 'failed' || run.state === 'cancelled'}<button class="plain" onclick={() => onretry(run.id)}
          >Try again</button
        >{/if}
    </li>
  {/each}
</ul>

<style>
  li {
    border-bottom: 1px solid var(--rule2);
    margin: 0 -16px;
    padding: 0 16px;
    display: flex;
    align-items: center;
    gap: 8px;
  }
  li.shown {
    background: var(--teal-wash);
  }
  a {
    display: grid;
    grid-template-columns: auto auto 1fr;
    gap: 2px 8px;
    align-items: center;
    padding: 8px 0;
    flex: 1;
  }
  a > .cap {
    text-align: right;
  }
  .words {
    margin-bottom: 6px;
  }
  .words li {
    padding-block: 4px;
  }
  .plain {
    padding: 3px 9px;
  }
  .runs {
    margin-top: 18px;
  }
</style>
