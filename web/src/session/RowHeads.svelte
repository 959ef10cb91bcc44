<script lang="ts">
  import { tick } from 'svelte';
  import type { Row } from '../lib/api/types';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { depths, isSum } from '../lib/signal/tree';
  import { ROW_HEIGHT } from './drawTimeline';

  let { store, selected = $bindable() }: { store: SessionStore; selected?: string } = $props();
  let renaming = $state<string>();
  let typed = $state('');
  let list: HTMLUListElement;

  const rows = $derived(store.session!.rows);
  const depth = $derived(depths(rows));

  async function begin(row: Row) {
    selected = row.id;
    typed = row.name;
    renaming = row.id;
    await tick();
    const field = list.querySelector('input');
    field?.focus();
    field?.select();
  }

  async function finish(row: Row) {
    if (renaming !== row.id) return;
    const name = typed.trim();
    if (name === row.name) {
      renaming = undefined;
      return;
    }
    try {
      await store.edit({ type: 'renameRow', row: row.id, name });
      renaming = undefined;
    } catch (thrown) {
      toasts.wrong(thrown);
      list.querySelector('input')?.focus();
    }
  }

  function focusHead(index: number) {
    const row = rows[Math.min(rows.length - 1, Math.max(0, index))]!;
    selected = row.id;
    list.querySelector<HTMLElement>(`button[data-row="${CSS.escape(row.id)}"]`)?.focus();
  }

  function onkeydown(event: KeyboardEvent, row: Row, index: number) {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      focusHead(index + (event.key === 'ArrowDown' ? 1 : -1));
    } else if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      void begin(row);
    }
  }

  async function onfieldkey(event: KeyboardEvent, row: Row, index: number) {
    event.stopPropagation();
    if (event.key === 'Escape') {
      renaming = undefined;
      await tick();
      focusHead(index);
    } else if (event.key === 'Enter') {
      await finish(row);
      await tick();
      if (renaming === undefined) focusHead(index); // a refused name stays in its field
    }
  }
</script>

<ul bind:this={list} aria-label="Rows">
  {#each rows as row, i (row.id)}
    <li class:selected={row.id === selected} class:sum={isSum(row)} style="height:{ROW_HEIGHT}px;padding-left:{14 + 14 * (depth.get(row.id) ?? 0)}px">
      <span class="mono number">{row.type === 'mix' ? '' : String(i + 1).padStart(2, '0')}</span>
      {#if renaming === row.id}
        <input bind:value={typed} maxlength="400" aria-label="Name of row {i + 1}" onblur={() => finish(row)} onkeydown={(e) => onfieldkey(e, row, i)} />
      {:else}
        <button
          data-row={row.id} title="{row.name} — double-click or Enter to rename" onclick={() => (selected = row.id)} ondblclick={() => begin(row)}
          onkeydown={(e) => onkeydown(e, row, i)} aria-pressed={row.id === selected} tabindex={row.id === selected || (!selected && i === 0) ? 0 : -1}
        >{row.name}</button>
      {/if}
    </li>
  {/each}
</ul>

<style>
  li { display: flex; align-items: center; gap: 8px; padding: 0 8px 0 14px; border-bottom: 1px solid var(--rule2); }
  li.selected { background: var(--teal-wash); }
  li.sum { background: var(--band); font-weight: 680; }
  .number { color: var(--ink3); width: 22px; flex: none; font-size: 11.5px; }
  button { flex: 1; min-width: 0; text-align: left; height: 100%; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; cursor: pointer; }
  input { flex: 1; min-width: 0; height: 27px; padding: 0 6px; border: 1px solid var(--teal); border-radius: 4px; background: var(--sheet); color: var(--ink); font: inherit; }
</style>
