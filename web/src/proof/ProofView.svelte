<script lang="ts">
  import type { RunView } from '../lib/api/types';
  import RunFrame from '../lib/RunFrame.svelte';
  import FilePanel from './FilePanel.svelte';
  import Lanes from './Lanes.svelte';

  let { params }: { params: { id: string } } = $props();
  let selected = $state(0);
  const words = { good: 'proved', look: 'to look at', wrong: 'wrong' } as const;

  function lookAt(view: RunView, files: string[]) {
    const at = view.files.findIndex((file) => file.name === files[0]);
    if (at >= 0) selected = at;
  }
</script>

<RunFrame
  sessionId={params.id} tab="proof" which="newest done" title="Proof" keys={[['↑ ↓', 'File above, file below'], ['Tab', 'From the verdicts to the files']]}
  none={{ heading: 'Nothing to prove yet', words: 'When a run is printed, every file is read back from the disk, and what was found stands here.' }}
>
  {#snippet children({ run, view, session })}
    {@const file = view.files[Math.min(selected, view.files.length - 1)]}
    <div class="main">
      <ul class="verdicts" aria-label="Verdicts">
        {#each view.verdicts as verdict (verdict.headline)}
          <li class={verdict.grade}>
            {#if verdict.files.length}
              <button onclick={() => lookAt(view, verdict.files)} title={verdict.files.join('\n')}><b>{verdict.headline}</b></button>
            {:else}<b>{verdict.headline}</b>{/if}
            <span class="cap"><span class="sr-only">{words[verdict.grade]}: </span>{verdict.detail}</span>
          </li>
        {/each}
      </ul>
      <Lanes {run} tempo={view.startsAtBarOne ? session.tempo : undefined} bind:selected />
    </div>
    <aside class="side" aria-label="Selected file">{#if file}<FilePanel run={view} {file} sessionId={params.id} />{/if}</aside>
  {/snippet}
</RunFrame>

<style>
  .verdicts { flex: none; display: flex; gap: 8px 28px; padding: 12px 18px 11px; border-bottom: 1px solid var(--rule); flex-wrap: wrap; }
  li { display: flex; flex-direction: column; max-width: 250px; }
  b { font-size: 19px; font-weight: 720; font-stretch: 96%; }
  button { text-align: left; cursor: pointer; }
  button:hover { text-decoration: underline; }
  .good b { color: var(--moss-ink); }
  .look b { color: var(--ochre-ink); }
  .wrong b { color: var(--rust-ink); }
</style>
