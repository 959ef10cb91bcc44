<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import { onDestroy } from 'svelte';
  import client, { answer } from '../lib/api/client';
  import type { Queued } from '../lib/api/types';
  import { Served } from '../lib/state/served.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';

  /** The runs of all handoffs that print or wait: one after the other, in an order that can be changed. */
  let { shown }: { shown: string } = $props();
  const served = new Served<Queued[]>({
    key: ['queue'],
    ask: (signal) => answer(client.GET('/api/queue', { signal })),
    again: () => 1_000,
  });
  onDestroy(() => served.close());
  const queue = $derived(served.data ?? []);
  const waiting = $derived(queue.filter((run) => run.state === 'waiting'));

  async function move(run: Queued, by: -1 | 1) {
    const at = waiting.indexOf(run);
    const before = by < 0 ? waiting[at - 1]?.id : waiting[at + 2]?.id;
    try {
      served.set(
        await answer(
          client.POST('/api/queue/{runId}/place', {
            params: { path: { runId: run.id } },
            body: { before: before ?? null },
          }),
        ),
      );
    } catch (thrown) {
      toasts.wrong(thrown);
      void served.load();
    }
  }

  async function cancel(run: Queued) {
    try {
      await answer(client.POST('/api/runs/{id}/cancel', { params: { path: { id: run.id } } }));
    } catch (thrown) {
      toasts.wrong(thrown);
    }
    void served.load();
  }
</script>

{#if queue.length}
  <p class="cap">QUEUE</p>
  <ol aria-label="Queue">
    {#each queue as run (run.id)}
      <li class:shown={run.id === shown}>
        <a href="#/s/{run.sessionId}/print?run={run.id}"
          ><b>{run.title}</b> <span class="cap">{run.brief}, for {run.receiver}, {run.version}</span></a
        >
        {#if run.state === 'waiting'}
          <Button
            size="small"
            aria-label="Earlier: {run.title} run {run.number}"
            disabled={run === waiting[0]}
            onclick={() => move(run, -1)}>↑</Button
          >
          <Button
            size="small"
            aria-label="Later: {run.title} run {run.number}"
            disabled={run === waiting.at(-1)}
            onclick={() => move(run, 1)}>↓</Button
          >
        {:else}<span class="mono">{Math.floor(run.progress.fraction * 100)} %</span>{/if}
        <Button size="small" aria-label="Cancel {run.title} run {run.number}" onclick={() => cancel(run)}>×</Button>
      </li>
    {/each}
  </ol>
{/if}

<style>
  ol {
    margin: 4px -16px 16px;
    border-bottom: 2px solid var(--ink);
  }
  li {
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 6px 16px;
    border-bottom: 1px solid var(--rule2);
  }
  li.shown {
    background: var(--teal-wash);
  }
  a {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
</style>
