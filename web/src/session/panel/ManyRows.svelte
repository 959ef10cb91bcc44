<script lang="ts">
  import { rules } from '../../lib/catalogue/rules.svelte';
  import Button from '../../lib/controls/Button.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import type { Role, SessionEdit } from '../../lib/api/types';
  import { effects } from '../../lib/catalogue/effects.svelte';
  import { count } from '../../lib/units';
  import type { Editing } from '../editing.svelte';
  import NumberField from '../../lib/NumberField.svelte';

  /** What can be done with several rows at once. */
  let { editing }: { editing: Editing } = $props();
  const what = $derived(count(editing.rows.length, 'row'));
  const targets = $derived(
    editing.session.rows.filter((row) => (row.type === 'bus' || row.type === 'mix') && !editing.rows.includes(row.id)),
  );
  effects.find('');

  function role(select: HTMLSelectElement) {
    if (select.value) void editing.setRole(select.value as Role);
    select.value = '';
  }

  async function route(select: HTMLSelectElement) {
    const to = select.value;
    select.value = '';
    if (to === 'new') await editing.addRow('bus');
    else if (to)
      void editing.eachRow(`Route ${what}`, (row): SessionEdit | undefined =>
        row.type === 'mix' ? undefined : { type: 'setOutputs', row: row.id, outputs: to === 'none' ? [] : [to] },
      );
  }

  function insert(select: HTMLSelectElement) {
    const effect = select.value;
    select.value = '';
    if (effect)
      void editing.eachRow(`Add an insert to ${what}`, (row) => ({
        type: 'setInserts',
        row: row.id,
        inserts: [...row.strip.inserts, { effect, settings: {}, key: null, kept: false, on: true, said: '' }],
      }));
  }
</script>

<p class="cap">{what.toUpperCase()} CHOSEN</p>
<h2>
  {editing.chosen
    .slice(0, 3)
    .map((row) => row.name)
    .join(', ')}{editing.rows.length > 3 ? '…' : ''}
</h2>
<div class="acts">
  <Select aria-label="Role of all" value="" onchange={(e) => role(e.currentTarget)}
    ><option value="">Role of all…</option>{#each rules.roles as each (each)}<option value={each}>{each}</option
      >{/each}</Select
  >
  <Select aria-label="Route all" value="" onchange={(e) => route(e.currentTarget)}
    ><option value="">Feed all into…</option><option value="new">a new bus</option
    >{#each targets as row (row.id)}<option value={row.id}>{row.name}</option>{/each}<option value="none"
      >nothing</option
    ></Select
  >
  <Select aria-label="Add an insert to all" value="" onchange={(e) => insert(e.currentTarget)}
    ><option value="">+ Insert on all…</option>{#each effects.all as effect (effect.id)}<option value={effect.id}
        >{effect.name}</option
      >{/each}</Select
  >
  <NumberField
    label="Fader of all"
    value={editing.chosen[0]?.strip.faderDb ?? 0}
    unit="dB"
    {...rules.bounds('levelDb')}
    digits={1}
    onset={(faderDb) => editing.eachRow(`Set ${what}’ faders`, (row) => editing.setFader(row, { faderDb }))}
  />
  <Button onclick={() => editing.addRow('return')}>Send all to a new return</Button>
  <Button onclick={() => editing.eachRow(`Mute ${what}`, (row) => editing.setFader(row, { muted: true }))}>Mute</Button>
  <Button onclick={() => editing.duplicateRows()}>Duplicate</Button>
  <Button onclick={() => editing.removeRows()}>Remove</Button>
</div>

<style>
  .acts {
    display: grid;
    gap: 7px;
  }
</style>
