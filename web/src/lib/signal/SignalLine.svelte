<script lang="ts">
  /** The signal path drawn down the page: a ring for every stop, filled square where a file is taken. */
  let { stops }: { stops: { name: string; words: string; printed?: boolean }[] } = $props();
</script>

<ol>
  {#each stops as stop (stop.name)}
    <li>
      <span class="dot" class:printed={stop.printed} aria-hidden="true"></span>
      <b>{stop.name}</b>
      <span class="words">{stop.words}</span>
    </li>
  {/each}
</ol>

<style>
  ol { position: relative; margin: 4px 0 0; }
  li { display: flex; align-items: baseline; gap: 10px; padding: 6px 0; position: relative; }
  li:not(:last-child)::before { content: ''; position: absolute; left: 6.5px; top: 16px; bottom: -10px; width: 3px; background: var(--teal); }
  .dot { width: 14px; height: 14px; border-radius: 50%; border: 2px solid var(--teal); background: var(--side); flex: none; position: relative; top: 2px; z-index: 1; }
  .dot.printed { background: var(--teal); border-radius: 3px; }
  b { font-weight: 600; }
  .words { margin-left: auto; color: var(--ink2); text-align: right; }
</style>
