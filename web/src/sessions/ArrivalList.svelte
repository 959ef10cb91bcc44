<script module lang="ts">
  /** What became of a drop that was examined. */
  export interface Examined {
    id: string;
    refused: { file: string; reason: string }[];
  }
</script>

<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import ArrivalHead from '../lib/arrivals/ArrivalHead.svelte';
  import type { Arrivals } from '../lib/arrivals/arrivals.svelte';
  import { bytes } from '../lib/units';

  /** Files on their way to be examined, and what became of each. */
  let { arrivals, onclose }: { arrivals: Arrivals<Examined>; onclose: () => void } = $props();
</script>

<section aria-label="Arriving files" aria-live="polite">
  <ArrivalHead {arrivals} {onclose}>
    <Button kind="main" href="#/intake/{arrivals.made!.id}">See what came</Button>
  </ArrivalHead>
  <ul>
    {#each [...arrivals.files.filter((f) => f.state === 'refused'), ...arrivals.files.filter((f) => f.state !== 'refused')] as file, i (i)}
      <li class={file.state}>
        <span class="name mono">{file.name}</span>
        {#if file.state === 'refused'}
          <span class="reason">{file.reason ?? 'Not taken.'}</span><span class="badge rust">refused</span>
        {:else}
          <span class="bar"><span style="width:{file.share * 100}%"></span></span>
          <span class="cap size">{bytes(file.size)}</span>
          <span class="badge {file.state === 'in' ? 'moss' : 'teal'}"
            >{file.state === 'in'
              ? 'in'
              : file.state === 'reading'
                ? 'reading'
                : `${Math.round(file.share * 100)} %`}</span
          >
        {/if}
      </li>
    {/each}
    {#each arrivals.fromZips as refusal, i (i)}
      <li class="refused">
        <span class="name mono">{refusal.file}</span><span class="reason">{refusal.reason}</span><span
          class="badge rust">refused</span
        >
      </li>
    {/each}
  </ul>
</section>

<style>
  section {
    border: 1px solid var(--rule);
    border-radius: 8px;
    margin-top: 14px;
    background: var(--sheet);
    padding: 12px 16px;
  }
  ul {
    max-height: 300px;
    overflow: auto;
    margin-top: 8px;
  }
  li {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 5px 0;
    border-top: 1px solid var(--rule2);
  }
  .name {
    flex: 0 1 300px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .reason {
    flex: 1;
    color: var(--rust-ink);
  }
  .bar {
    flex: 1;
    height: 5px;
    background: var(--rule2);
    border-radius: 3px;
    overflow: hidden;
  }
  .bar span {
    display: block;
    height: 100%;
    background: var(--teal);
  }
  .size {
    width: 62px;
    text-align: right;
  }
  .badge {
    min-width: 52px;
    text-align: center;
  }
</style>
