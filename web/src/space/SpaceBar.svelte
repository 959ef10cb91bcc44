<script lang="ts">
  import { bytes } from '../lib/units';

  /** How much of something each part takes, as stretches of one bar. */
  let {
    parts,
    whole,
    tall = false,
  }: {
    parts: { words: string; size: number; kind: 'recordings' | 'waiting' | 'printed' | 'binned' }[];
    whole: number;
    tall?: boolean;
  } = $props();
  const words = $derived(parts.map((part) => `${part.words} ${bytes(part.size)}`).join(', '));
</script>

<div class="bar" class:tall role="img" aria-label={words} title={words}>
  {#each parts as part (part.kind)}
    {#if part.size > 0}<i class={part.kind} style="width: {Math.max(0.3, (100 * part.size) / whole)}%"></i>{/if}
  {/each}
</div>

<style>
  .bar {
    display: flex;
    height: 12px;
    background: var(--band);
    border: 1px solid var(--rule);
  }
  .tall {
    height: 26px;
  }
  i {
    display: block;
    flex: none;
  }
  .recordings {
    background: var(--teal);
  }
  .waiting {
    background: repeating-linear-gradient(90deg, var(--teal) 0 3px, var(--sheet) 3px 6px);
  }
  .printed {
    background: var(--ink);
  }
  .binned {
    background: repeating-linear-gradient(45deg, var(--ink) 0 2px, var(--sheet) 2px 6px);
  }
</style>
