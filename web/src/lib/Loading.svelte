<script lang="ts">
  import { Spinner } from 'flowbite-svelte';
  let { words }: { words: string } = $props();
</script>

<div class="empty" role="status">
  <Spinner size="6" color="primary" />
  <p style="margin-top:10px">{words}</p>
</div>
