<script lang="ts">
  /** One ring for one channel, two that overlap for two. */
  let { channels }: { channels: number } = $props();
</script>

<svg width="16" height="12" viewBox="0 0 16 12" role="img" aria-label={channels === 1 ? 'mono' : 'stereo'}>
  <g fill="none" stroke="var(--ink2)" stroke-width="1.5">
    {#if channels === 1}<circle cx="8" cy="6" r="3.75" />{:else}<circle cx="5.6" cy="6" r="4" /><circle
        cx="10.4"
        cy="6"
        r="4"
      />{/if}
  </g>
</svg>
