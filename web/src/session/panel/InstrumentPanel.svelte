<script lang="ts">
  import Button from '../../lib/controls/Button.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import Segments from '../../lib/Segments.svelte';
  import type { InstrumentRow } from '../../lib/api/types';
  import { instruments } from '../../lib/catalogue/instruments.svelte';
  import { count } from '../../lib/units';
  import type { Editing } from '../editing.svelte';

  let { editing, row }: { editing: Editing; row: InstrumentRow } = $props();
  const instrument = $derived(instruments.find(row.instrument));
  const set = (part: { instrument?: string; soundFrom?: InstrumentRow['soundFrom'] }) =>
    void editing.make('', [
      { type: 'setInstrument', row: row.id, instrument: row.instrument, soundFrom: null, ...part },
    ]);
  const apart = $derived(
    editing.session.rows.filter((each) => each.type === 'part' && each.instrument === row.id).length,
  );
</script>

<h3>Instrument</h3>
<Select
  class="w-full"
  aria-label="Instrument"
  value={row.instrument}
  onchange={(e) => set({ instrument: e.currentTarget.value })}
>
  {#each instruments.all as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
</Select>
<p class="cap">{instrument?.words ?? ''} {count(row.notes.length, 'note')}.</p>
<Segments
  label="What its sound is"
  options={[
    ['house', 'is the sound'],
    ['elsewhere', 'only stands in'],
  ]}
  value={row.soundFrom}
  onchoose={(soundFrom) => set({ soundFrom })}
/>
{#if row.soundFrom === 'elsewhere'}
  <p class="cap">
    {row.strip.brought.length
      ? 'What was rendered elsewhere is its sound.'
      : 'Heard here, and in no file: bring what it sounded like, or let the house instrument be the sound.'}
  </p>
{/if}
{#if instrument && instrument.parts.length > 1 && apart < instrument.parts.length}
  <Button size="small" onclick={() => void editing.make('', [{ type: 'splitParts', row: row.id }])}
    >Split {instrument.parts.length - apart} parts into rows</Button
  >
{/if}

<style>
  .cap {
    margin: 5px 0;
  }
</style>
