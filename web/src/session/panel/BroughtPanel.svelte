<script lang="ts">
  import Button from '../../lib/controls/Button.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import type { Row, Station } from '../../lib/api/types';
  import { files } from '../../lib/signal/stops';
  import { stationName } from '../../lib/signal/stations';
  import type { Editing } from '../editing.svelte';

  /** What was rendered elsewhere for stations of a row, and taking another row as such. */
  let { editing, row }: { editing: Editing; row: Row } = $props();
  const session = $derived(editing.session);
  const brought = $derived(row.strip.brought);
  const others = $derived(session.rows.filter((each) => each.type === 'audio' && each.id !== row.id));
  const stations = $derived<Station[]>([
    ...(row.type === 'audio' ? [] : (['raw'] as const)),
    'shaped',
    'inserts',
    'fader',
    'bus',
  ]);
  let station = $state<Station>('inserts');
  // svelte-ignore state_referenced_locally
  if (row.type !== 'audio') station = 'raw';

  function take(select: HTMLSelectElement) {
    const wet = select.value;
    select.value = '';
    if (wet) void editing.make('', [{ type: 'joinAsBrought', row: row.id, wet, station }]);
  }
</script>

{#if brought.length || others.length}
  <h3>Rendered elsewhere</h3>
  {#each brought as each (each.station)}
    <div class="brought">
      <p><b>{stationName(each.station)}</b> <span class="mono file">{files(session, each.clips)}</span></p>
      <Button
        size="small"
        onclick={() => void editing.make('', [{ type: 'putBroughtApart', row: row.id, station: each.station }])}
        >Put on a row of its own</Button
      >
    </div>
  {:else}
    <p class="cap">
      A file that was made with what is not here can stand for a station: what comes after is made of it.
    </p>
  {/each}
  {#if others.length}
    <div class="take">
      <Select aria-label="Station" value={station} onchange={(e) => (station = e.currentTarget.value as Station)}
        >{#each stations as each (each)}<option value={each}>{stationName(each)}</option>{/each}</Select
      >
      <Select
        class="flex-1"
        aria-label="Take a row as {stationName(station)}"
        value=""
        onchange={(e) => take(e.currentTarget)}
        ><option value="">is what lies on…</option>{#each others as other (other.id)}<option value={other.id}
            >{other.name}</option
          >{/each}</Select
      >
    </div>
  {/if}
{/if}

<style>
  .brought {
    display: flex;
    gap: 8px;
    align-items: center;
    justify-content: space-between;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule2);
  }
  .file {
    overflow-wrap: anywhere;
  }
  .take {
    display: flex;
    gap: 6px;
    margin-top: 6px;
  }
</style>
