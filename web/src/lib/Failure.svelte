<script lang="ts">
  import Button from './controls/Button.svelte';
  let { words, retry }: { words: string; retry?: () => void } = $props();
</script>

<div class="empty" role="alert">
  <h2>This did not work</h2>
  <p>{words}</p>
  {#if retry}<Button onclick={retry}>Try again</Button>{/if}
  <Button href="#/">All sessions</Button>
</div>
