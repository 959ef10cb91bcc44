<script lang="ts">
  let { words, retry }: { words: string; retry?: () => void } = $props();
</script>

<div class="empty" role="alert">
  <h2>This did not work</h2>
  <p>{words}</p>
  {#if retry}<button class="plain" onclick={retry}>Try again</button>{/if}
  <a class="plain" href="#/">All sessions</a>
</div>
