<script lang="ts">
  import Select from '../lib/controls/Select.svelte';

  /**
   * How many of the last runs are kept.
   *
   * @prop none  what no rule of one's own means
   * @prop every whether all can be kept though the house keeps fewer
   */
  let {
    runs,
    none,
    every = false,
    label,
    onchange,
  }: {
    runs: number | null;
    none: string;
    every?: boolean;
    label: string;
    onchange: (runs: number | null) => void;
  } = $props();
  const OFFERED = [1, 2, 3, 5, 10, 20];
  const offered = $derived([...new Set([...OFFERED, ...(runs ? [runs] : [])])].sort((a, b) => a - b));
</script>

<Select
  aria-label={label}
  value={String(runs ?? 'none')}
  onchange={(e) => onchange(e.currentTarget.value === 'none' ? null : Number(e.currentTarget.value))}
>
  <option value="none">{none}</option>
  {#if every}<option value="0">all runs</option>{/if}
  {#each offered as each (each)}<option value={String(each)}>the last {each === 1 ? 'one' : each}</option>{/each}
</Select>
