<script lang="ts">
  import type { Session } from '../lib/api/types';

  /** The way of a signal: stops along a line, which ends with a bar where it goes nowhere. */
  let { session, route }: { session: Session; route: string[] } = $props();
  const stops = $derived(
    route.map((id) => session.rows.find((row) => row.id === id)).filter((row) => row !== undefined),
  );
  const arrives = $derived(stops.at(-1)?.type === 'mix');
</script>

<ol aria-label="The way of the signal">
  {#each stops as stop, i (i)}
    <li class:mix={stop.type === 'mix'} class:muted={stop.strip.muted}>
      <span class="dot"></span><b>{stop.name}</b>{#if stop.strip.muted}<span class="cap">muted</span>{/if}
    </li>
  {/each}
  {#if !arrives}<li class="end"><span class="bar"></span><span class="cap">does not reach the mix</span></li>{/if}
</ol>

<style>
  ol {
    display: flex;
    align-items: center;
    flex-wrap: wrap;
    padding: 22px 16px;
    border: 1px solid var(--rule);
    background: var(--sheet);
    row-gap: 14px;
  }
  li {
    display: flex;
    align-items: center;
    gap: 8px;
    padding-right: 44px;
    position: relative;
  }
  li:not(:last-child)::after {
    content: '';
    position: absolute;
    right: 6px;
    width: 32px;
    height: 3px;
    background: var(--teal);
  }
  .dot {
    width: 14px;
    height: 14px;
    border-radius: 50%;
    border: 2px solid var(--teal);
    background: var(--sheet);
  }
  .mix .dot {
    border-color: var(--rust);
  }
  .muted b {
    text-decoration: line-through;
    color: var(--ink2);
  }
  .bar {
    width: 4px;
    height: 22px;
    background: var(--rust);
  }
  .end {
    color: var(--rust-ink);
  }
</style>
