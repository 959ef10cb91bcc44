<script lang="ts">
  import Failure from './Failure.svelte';
</script>

<div class="view">
  <Failure
    words="This view could not be loaded. The server does not answer, or it is a newer one now."
    retry={() => location.reload()}
  />
</div>
