<script lang="ts">
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
    <input
      class="name"
      value={take.name}
      aria-label="Name of {take.name}"
      onblur={(e) => rename(take.id, e.currentTarget)}
      onkeydown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
    />
    <span class="cap">{count(take.clips.length, 'clip')}</span>
    {#if row.takes.length > 1}<button class="tool" aria-label="Remove {take.name}" onclick={() => remove(take.id)}
        >×</button
      >{/if}
  </div>
{/each}
<button class="plain" onclick={add}>+ Take</button>

<style>
  .take {
    display: flex;
    gap: 8px;
    align-items: center;
    padding: 2px 0;
  }
  .name {
    flex: 1;
    min-width: 0;
    border: 1px solid transparent;
    border-radius: 4px;
    padding: 2px 5px;
    background: transparent;
    font: inherit;
    color: var(--ink);
    height: 24px;
  }
  .name:hover,
  .name:focus {
    border-color: var(--rule);
    background: var(--sheet);
  }
  .tool {
    padding: 1px 6px;
    cursor: pointer;
    color: var(--ink2);
  }
  .plain {
    padding: 3px 9px;
    font-size: 12px;
    margin-top: 3px;
  }
</style>
