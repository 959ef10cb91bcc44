<script lang="ts">
  import type { InstrumentRow } from '../../lib/api/types';
  import { instruments } from '../../lib/catalogue/instruments.svelte';
  import { count } from '../../lib/units';
  import type { Editing } from '../editing.svelte';

  let { editing, row }: { editing: Editing; row: InstrumentRow } = $props();
  const instrument = $derived(instruments.find(row.instrument));
  const apart = $derived(
    editing.session.rows.filter((each) => each.type === 'part' && each.instrument === row.id).length,
  );
</script>

<h3>Instrument</h3>
<select
  aria-label="Instrument"
  value={row.instrument}
  onchange={(e) => void editing.make('', [{ type: 'setInstrument', row: row.id, instrument: e.currentTarget.value }])}
>
  {#each instruments.all as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
</select>
<p class="cap">{instrument?.words ?? ''} {count(row.notes.length, 'note')}.</p>
{#if instrument && instrument.parts.length > 1 && apart < instrument.parts.length}
  <button class="plain" onclick={() => void editing.make('', [{ type: 'splitParts', row: row.id }])}
    >Split {instrument.parts.length - apart} parts into rows</button
  >
{/if}

<style>
  select {
    height: 28px;
    width: 100%;
    padding: 0 24px 0 7px;
    border: 1px solid var(--rule);
    border-radius: 4px;
    background-color: var(--sheet);
    color: var(--ink);
    font: inherit;
  }
  .cap {
    margin: 5px 0;
  }
  .plain {
    padding: 4px 10px;
    font-size: 12px;
  }
</style>
