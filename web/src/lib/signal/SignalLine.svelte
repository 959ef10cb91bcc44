<script lang="ts">
  import Hint from '../Hint.svelte';
  import type { Stop } from './stops';

  /** The signal path drawn down the page: a ring for every stop, filled for what is kept; switches where it can be set. */
  let { stops }: { stops: Stop[] } = $props();
</script>

<ol>
  {#each stops as stop, i (i)}
    <li class:faint={stop.faint}>
      <span class="dot" class:kept={stop.kept?.on} aria-hidden="true"></span>
      <b
        >{#if stop.title}<Hint words={stop.title}>{stop.name}</Hint>{:else}{stop.name}{/if}</b
      >
      <span class="words" title={stop.words}>{stop.words}</span>
      {#if stop.kept}
        <button
          class="keep"
          class:on={stop.kept.on}
          aria-pressed={stop.kept.on}
          onclick={stop.kept.toggle}
          title={stop.kept.on
            ? 'Part of the sound: in Shaped. Click to take it out'
            : 'Not in Shaped. Click to make it part of the sound'}>{stop.kept.on ? 'kept' : 'keep'}</button
        >
      {/if}
    </li>
  {/each}
</ol>

<style>
  ol {
    position: relative;
    margin: 4px 0 0;
  }
  li {
    display: flex;
    align-items: baseline;
    gap: 10px;
    padding: 6px 0;
    position: relative;
  }
  li:not(:last-child)::before {
    content: '';
    position: absolute;
    left: 6.5px;
    top: 16px;
    bottom: -10px;
    width: 3px;
    background: var(--teal);
  }
  .dot {
    width: 14px;
    height: 14px;
    border-radius: 50%;
    border: 2px solid var(--teal);
    background: var(--side);
    flex: none;
    position: relative;
    top: 2px;
    z-index: 1;
  }
  .dot.kept {
    background: var(--teal);
    border-radius: 3px;
  }
  .faint {
    opacity: 0.62;
  }
  b {
    font-weight: 600;
    white-space: nowrap;
  }
  .words {
    margin-left: auto;
    color: var(--ink2);
    text-align: right;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .keep {
    flex: none;
    font-size: 12px;
    padding: 0 7px;
    border-radius: 9px;
    border: 1px solid var(--rule);
    color: var(--ink2);
    cursor: pointer;
    line-height: 16px;
  }
  .keep.on {
    background: var(--teal);
    border-color: var(--teal);
    color: var(--on-teal);
  }
</style>
