<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import ConfirmDialog from '../lib/ConfirmDialog.svelte';
  import type { RunEntry, RunView } from '../lib/api/types';
  import { count, moment } from '../lib/units';

  let {
    sessionId,
    runs,
    view,
    onretry,
    onremove,
  }: {
    sessionId: string;
    runs: RunEntry[];
    view: RunView;
    onretry: (run: string) => void;
    onremove: (run: string) => Promise<void>;
  } = $props();
  let leaving = $state<RunEntry>();
  let asking = $state(false);
  /** Of the run that is shown, what is known of it right now: the list was asked for a while ago. */
  const stateOf = (run: RunEntry) => (run.id === view.id ? view.state : run.state);
  const isOver = (run: RunEntry) => ['done', 'failed', 'cancelled'].includes(stateOf(run));
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
        <b>Run {run.number}{run.version ? `, ${run.version}` : ''}</b><span class="badge {colour[stateOf(run)]}"
          >{stateOf(run)}</span
        >
        <span class="cap">{moment(run.createdAt)}</span>
      </a>
      {#if isOver(run) && stateOf(run) !== 'done'}<Button size="small" onclick={() => onretry(run.id)}>Try again</Button
        >{/if}
      {#if isOver(run)}<Button
          kind="tool"
          aria-label="Remove run {run.number}"
          title="Remove run {run.number}"
          onclick={() => {
            leaving = run;
            asking = true;
          }}>✕</Button
        >{/if}
    </li>
  {/each}
</ul>
{#if leaving}
  <ConfirmDialog
    bind:open={asking}
    title="Remove run {leaving.number}?"
    verb="Remove the run"
    onconfirm={() => onremove(leaving!.id)}
  >
    <p>
      {leaving.state === 'done'
        ? 'It lies in the bin for a month, and its pickup links open nothing meanwhile. What is printed later cannot take files over from it.'
        : 'It left no files; only this line goes.'}
      The plan stays.
    </p>
  </ConfirmDialog>
{/if}

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
