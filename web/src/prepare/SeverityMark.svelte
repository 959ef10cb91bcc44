<script lang="ts">
  import type { Finding } from '../lib/api/types';

  let { severity }: { severity: Finding['severity'] } = $props();
  const words = { stops: 'Stops the print', look: 'To look at', know: 'To know' };
</script>

<svg width="18" height="18" viewBox="0 0 18 18" role="img" aria-label={words[severity]}>
  {#if severity === 'stops'}
    <path d="M9 1.5 17 16H1Z" fill="var(--rust)" /><path
      d="M9 6.5v5M9 13v1.4"
      stroke="var(--sheet)"
      stroke-width="1.8"
    />
  {:else if severity === 'look'}
    <circle cx="9" cy="9" r="7.5" fill="var(--ochre)" /><path
      d="M9 4.6v5.6M9 12v1.6"
      stroke="var(--sheet)"
      stroke-width="1.8"
    />
  {:else}
    <rect x="2" y="2" width="14" height="14" rx="3" fill="none" stroke="var(--ink2)" stroke-width="1.6" /><path
      d="M9 8v5M9 5v1.6"
      stroke="var(--ink2)"
      stroke-width="1.6"
    />
  {/if}
</svg>

<style>
  svg {
    flex: none;
  }
</style>
