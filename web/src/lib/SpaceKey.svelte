<script lang="ts">
  /** Calls back for the space bar where nothing in focus wants it. */
  let { onpress }: { onpress: () => void } = $props();

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== ' ' || (event.target as HTMLElement).closest('button, input, select, textarea, a, dialog'))
      return;
    event.preventDefault();
    onpress();
  }
</script>

<svelte:window {onkeydown} />
