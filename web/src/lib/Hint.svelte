<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A word or mark with an explanation: pointed at, touched, or reached by Tab. */
  let { words, class: look = '', children }: { words: string; class?: string; children: Snippet } = $props();
</script>

<button type="button" class="hint {look}" title={words}>{@render children()}</button>

<style>
  .hint {
    cursor: help;
    text-align: inherit;
  }
</style>
