<script lang="ts">
  import { rules } from '../../lib/catalogue/rules.svelte';
  import Button from '../../lib/controls/Button.svelte';
  import Field from '../../lib/controls/Field.svelte';
  import type { SessionEdit } from '../../lib/api/types';
  import { barAt, quarterAt } from '../../lib/time/tempo';
  import type { Editing } from '../editing.svelte';
  import NumberField from '../../lib/NumberField.svelte';

  /** Tempo and meter changes and markers, added at the mark on the ruler. */
  let { editing }: { editing: Editing } = $props();
  const session = $derived(editing.session);
  const song = $derived(session.song);
  const tempo = $derived(editing.store.tempo);
  const markers = $derived([...session.markers].sort((a, b) => a.frame - b.frame));
  const quarter = $derived(tempo ? Math.round(quarterAt(tempo, editing.head / session.rate) * 1000) / 1000 : 0);
  const bar = $derived(tempo ? barAt(tempo, quarter + 1e-6).bar : 1);

  const map = (change: Partial<Extract<SessionEdit, { type: 'setTempoMap' }>>) =>
    void editing.make('', [
      { type: 'setTempoMap', tempoChanges: song.tempoChanges, meterChanges: song.meterChanges, ...change },
    ]);

  function addTempo() {
    const rest = song.tempoChanges.filter((change) => change.quarter !== quarter);
    map({
      tempoChanges: [...rest, { quarter, quartersPerMinute: song.tempo ?? 120, way: 'jump' as const }].sort(
        (a, b) => a.quarter - b.quarter,
      ),
    });
  }

  function addMeter() {
    const rest = song.meterChanges.filter((change) => change.bar !== bar);
    map({ meterChanges: [...rest, { bar, meter: song.meter ?? '4/4' }].sort((a, b) => a.bar - b.bar) });
  }

  const setMarkers = (list: typeof markers) => void editing.make('', [{ type: 'setMarkers', markers: list }]);
  const addMarker = () =>
    setMarkers([...session.markers, { frame: editing.head, name: `Mark ${session.markers.length + 1}` }]);
</script>

<p class="cap">TEMPO, METER AND MARKERS</p>
{#each song.tempoChanges as change, i (change.quarter)}
  <div class="line">
    <NumberField
      label="Bar {tempo ? barAt(tempo, change.quarter + 1e-6).bar : '?'}"
      value={change.quartersPerMinute}
      unit="♩/min"
      {...rules.bounds('tempo')}
      digits={2}
      onset={(quartersPerMinute) =>
        map({ tempoChanges: song.tempoChanges.map((each, k) => (k === i ? { ...each, quartersPerMinute } : each)) })}
    />
    <Button
      kind="tool"
      title="Whether the tempo jumps there or glides from the change before"
      onclick={() =>
        map({
          tempoChanges: song.tempoChanges.map((each, k) =>
            k === i ? { ...each, way: each.way === 'jump' ? 'glide' : 'jump' } : each,
          ),
        })}>{change.way === 'jump' ? 'jumps' : 'glides'}</Button
    >
    <Button
      kind="tool"
      aria-label="Remove the tempo change"
      onclick={() => map({ tempoChanges: song.tempoChanges.filter((_, k) => k !== i) })}>×</Button
    >
  </div>
{/each}
{#each song.meterChanges as change, i (change.bar)}
  <div class="line">
    <label class="text"
      >Meter from bar {change.bar}<Field
        class="w-16!"
        value={change.meter}
        onchange={(e) =>
          map({
            meterChanges: song.meterChanges.map((each, k) =>
              k === i ? { ...each, meter: e.currentTarget.value.trim() } : each,
            ),
          })}
      /></label
    >
    <Button
      kind="tool"
      aria-label="Remove the meter change"
      onclick={() => map({ meterChanges: song.meterChanges.filter((_, k) => k !== i) })}>×</Button
    >
  </div>
{/each}
{#each markers as marker, i (i)}
  <div class="line">
    <label class="text"
      >{tempo
        ? `Bar ${barAt(tempo, quarterAt(tempo, marker.frame / session.rate) + 1e-6).bar}`
        : `${(marker.frame / session.rate).toFixed(2)} s`}<Field
        class="w-36!"
        aria-label="Name of marker {i + 1}"
        value={marker.name}
        onchange={(e) =>
          setMarkers(markers.map((each, k) => (k === i ? { ...each, name: e.currentTarget.value } : each)))}
      /></label
    >
    <Button
      kind="tool"
      aria-label="Move marker {marker.name} to the mark"
      title="To the mark on the ruler"
      disabled={marker.frame === editing.head}
      onclick={() => setMarkers(markers.map((each, k) => (k === i ? { ...each, frame: editing.head } : each)))}
      >here</Button
    >
    <Button
      kind="tool"
      aria-label="Remove marker {marker.name}"
      onclick={() => setMarkers(markers.filter((_, k) => k !== i))}>×</Button
    >
  </div>
{/each}
<p class="cap at">At the mark on the ruler{tempo ? `, bar ${bar}` : ''}:</p>
<div class="do">
  <Button size="small" onclick={addMarker}>+ Marker</Button>
  <Button size="small" disabled={!song.tempo || quarter <= 0} onclick={addTempo}>+ Tempo</Button>
  <Button size="small" disabled={!song.tempo || bar <= 1} onclick={addMeter}>+ Meter</Button>
</div>

<style>
  .line {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 4px;
    align-items: center;
    padding: 2px 0;
  }
  .text {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
  }
  .at {
    margin-top: 8px;
  }
  .do {
    display: flex;
    gap: 6px;
    margin-top: 4px;
  }
</style>
