<script lang="ts">
  /** A file's name that a narrow place breaks after its parts, not inside a word. */
  let { name }: { name: string } = $props();
</script>

{#each name.split('_') as part, i (i)}{#if i}_<wbr />{/if}{part}{/each}
