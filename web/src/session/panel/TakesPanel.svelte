<script lang="ts">
  import Button from '../../lib/controls/Button.svelte';
  import Field from '../../lib/controls/Field.svelte';
  import type { AudioRow } from '../../lib/api/types';
  import { count } from '../../lib/units';
  import type { Editing } from '../editing.svelte';

  /** The takes of a row: which is heard; a new empty one; one less. */
  let { editing, row }: { editing: Editing; row: AudioRow } = $props();

  const choose = (active: string) =>
    void editing.make(`Choose a take of “${row.name}”`, [{ type: 'setTakes', row: row.id, takes: row.takes, active }]);

  function add() {
    const ids = row.takes.map((take) => take.id);
    let n = row.takes.length + 1;
    while (ids.includes(`t${n}`)) n++;
    void editing.make(`Add a take to “${row.name}”`, [
      {
        type: 'setTakes',
        row: row.id,
        takes: [...row.takes, { id: `t${n}`, name: `Take ${n}`, clips: [] }],
        active: `t${n}`,
      },
    ]);
  }

  function remove(id: string) {
    const takes = row.takes.filter((take) => take.id !== id);
    void editing.make(`Remove a take of “${row.name}”`, [
      { type: 'setTakes', row: row.id, takes, active: row.active === id ? takes[0]!.id : row.active },
    ]);
  }

  function rename(id: string, field: HTMLInputElement) {
    const name = field.value.trim();
    const before = row.takes.find((take) => take.id === id)!.name;
    if (name === before || !name) field.value = before;
    else
      void editing.make(`Rename a take of “${row.name}”`, [
        {
          type: 'setTakes',
          row: row.id,
          takes: row.takes.map((take) => (take.id === id ? { ...take, name } : take)),
          active: row.active,
        },
      ]);
  }
</script>

<h3>Takes</h3>
{#each row.takes as take (take.id)}
  <div class="take">
    <input
      type="radio"
      name="take"
      aria-label={take.name}
      checked={take.id === row.active}
      onchange={() => choose(take.id)}
    />
    <Field
      class="inline flex-1"
      value={take.name}
      aria-label="Name of {take.name}"
      onblur={(e) => rename(take.id, e.currentTarget)}
      onkeydown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
    <span class="cap">{count(take.clips.length, 'clip')}</span>
    {#if row.takes.length > 1}<Button kind="tool" aria-label="Remove {take.name}" onclick={() => remove(take.id)}
        >×</Button
      >{/if}
  </div>
{/each}
<Button size="small" onclick={add}>+ Take</Button>

<style>
  .take {
    display: flex;
    gap: 8px;
    align-items: center;
    padding: 2px 0;
  }
</style>
