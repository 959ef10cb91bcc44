<script lang="ts">
  import { rules } from '../lib/catalogue/rules.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { tick } from 'svelte';
  import type { Row } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { isSum, membersOf } from '../lib/signal/tree';
  import { count } from '../lib/units';
  import type { Editing } from './editing.svelte';
  import { LANE_HEIGHT, ROW_HEIGHT, type Place } from './layout';

  let {
    editing,
    places,
    seen,
    onreveal,
  }: {
    editing: Editing;
    places: Place[];
    /** Those that are drawn. */
    seen: Place[];
    /** Brings a row into sight. */
    onreveal: (row: string) => Promise<void>;
  } = $props();
  let renaming = $state<string>();
  let typed = $state<string>('');
  let over = $state<string>();
  let list: HTMLUListElement;

  const numbers = $derived(new Map(editing.session.rows.map((row, i) => [row.id, i + 1])));
  const members = $derived(membersOf(editing.nested));
  const above = $derived(seen[0]?.top ?? 0);
  const below = $derived(heightOf(places) - heightOf(seen));

  function heightOf(list: Place[]): number {
    const last = list.at(-1);
    return last ? last.top + last.height : 0;
  }

  async function begin(row: Row) {
    editing.choose(row.id);
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
      await editing.store.edit({ type: 'renameRow', row: row.id, name, named: 'hand' });
      renaming = undefined;
    } catch (thrown) {
      toasts.wrong(thrown);
      list.querySelector('input')?.focus();
    }
  }

  async function focusHead(index: number, how: 'alone' | 'range' = 'alone') {
    const { row } = places[Math.min(places.length - 1, Math.max(0, index))]!;
    editing.choose(row.id, how);
    await onreveal(row.id);
    await tick();
    list.querySelector<HTMLElement>(`button[data-row="${CSS.escape(row.id)}"]`)?.focus();
  }

  function onkeydown(event: KeyboardEvent, row: Row, index: number) {
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (by && event.altKey) {
      event.preventDefault();
      if (row.type !== 'mix') void editing.moveRowsBy(by);
    } else if (by) {
      event.preventDefault();
      void focusHead(index + by, event.shiftKey ? 'range' : 'alone');
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
      void focusHead(index);
    } else if (event.key === 'Enter') {
      await finish(row);
      await tick();
      if (renaming === undefined) void focusHead(index); // a refused name stays in its field
    }
  }

  function onclick(event: MouseEvent, row: Row) {
    editing.choose(row.id, event.ctrlKey || event.metaKey ? 'toggle' : event.shiftKey ? 'range' : 'alone');
  }

  function foldTakes(row: Row) {
    const folded = new Set(editing.foldedOut);
    if (!folded.delete(row.id)) folded.add(row.id);
    editing.foldedOut = folded;
  }

  function flip(row: Row, what: 'muted' | 'soloed') {
    const rows = editing.rows.includes(row.id) ? editing.chosen : [row];
    const on = !row.strip[what];
    const words = what === 'muted' ? (on ? 'Mute' : 'Unmute') : on ? 'Hear alone' : 'Hear with the rest';
    void editing.make(
      `${words} ${rows.length === 1 ? `“${row.name}”` : `${rows.length} rows`}`,
      rows.map((each) => editing.setFader(each, { [what]: on })),
    );
  }

  function drop(event: DragEvent, row: Row) {
    event.preventDefault();
    over = undefined;
    if (event.dataTransfer?.types.includes('application/x-rows'))
      void editing.moveRows(row.type === 'mix' ? null : row.id);
  }

  function start(event: DragEvent, row: Row) {
    // what changes under the mouse before the drag has begun would end it
    if (!editing.rows.includes(row.id)) setTimeout(() => editing.choose(row.id));
    event.dataTransfer?.setData('application/x-rows', row.id);
  }
</script>

<ul bind:this={list} aria-label="Rows">
  {#if above}<li style="height:{above}px" role="presentation"></li>{/if}
  {#each seen as { row, height, lanes } (row.id)}
    {@const i = places.findIndex((place) => place.row === row)}
    <li
      class:selected={editing.rows.includes(row.id)}
      class:sum={isSum(row)}
      class:over={over === row.id}
      style="height:{height}px"
      ondragover={(e) => {
        if (e.dataTransfer?.types.includes('application/x-rows')) {
          e.preventDefault();
          over = row.id;
        }
      }}
      ondragleave={() => (over = undefined)}
      ondrop={(e) => drop(e, row)}
    >
      <div
        class="head"
        style="height:{ROW_HEIGHT - 1}px;padding-left:{12 + 12 * (editing.nested.get(row.id)?.depth ?? 0)}px"
      >
        <span class="mono number">{row.type === 'mix' ? '' : String(numbers.get(row.id)).padStart(2, '0')}</span>
        {#if renaming === row.id}
          <Field
            class="flex-1"
            bind:value={typed}
            maxlength={rules.longestName}
            aria-label="Name of row {numbers.get(row.id)}"
            onblur={() => finish(row)}
            onkeydown={(e) => onfieldkey(e, row, i)}
          />
        {:else}
          <button
            class="name"
            data-row={row.id}
            title="{row.name} – double-click or Enter to rename"
            onclick={(e) => onclick(e, row)}
            ondblclick={() => begin(row)}
            draggable={row.type !== 'mix'}
            ondragstart={(e) => start(e, row)}
            onkeydown={(e) => onkeydown(e, row, i)}
            aria-pressed={editing.rows.includes(row.id)}
            tabindex={editing.rows.includes(row.id) || (!editing.rows.length && i === 0) ? 0 : -1}>{row.name}</button
          >
          {#if members.has(row.id)}
            <button
              class="small"
              aria-expanded={!editing.folds.has(row.id)}
              aria-label="Fold {row.name}"
              title="{count(members.get(row.id)!, 'row')} under it: fold {editing.folds.has(row.id) ? 'out' : 'away'}"
              onclick={() => editing.fold(row.id)}>{editing.folds.has(row.id) ? '▸' : '▾'}{members.get(row.id)}</button
            >
          {/if}
          {#if row.type === 'audio' && row.takes.length > 1}
            <button
              class="small"
              aria-expanded={lanes > 0}
              aria-label="Takes of {row.name}"
              title="{row.takes.length} takes: fold out"
              onclick={() => foldTakes(row)}>{lanes ? '▾' : '▸'}{row.takes.length}</button
            >
          {/if}
          {#if row.type !== 'mix'}
            <button
              class="small"
              class:on={row.strip.muted}
              aria-pressed={row.strip.muted}
              aria-label="Mute {row.name}"
              title="Mute"
              onclick={() => flip(row, 'muted')}>mute</button
            >
            <button
              class="small alone"
              class:on={row.strip.soloed}
              aria-pressed={row.strip.soloed}
              aria-label="Hear {row.name} alone"
              title="Hear it alone"
              onclick={() => flip(row, 'soloed')}>alone</button
            >
          {/if}
        {/if}
      </div>
      {#if lanes && row.type === 'audio'}
        {#each row.takes as take (take.id)}
          <div
            class="lane cap"
            class:active={take.id === row.active}
            style="height:{LANE_HEIGHT}px"
            title="Drag across the take to use that stretch; click to use the clip"
          >
            {take.name}
          </div>
        {/each}
      {/if}
    </li>
  {/each}
  {#if below > 0}<li style="height:{below}px" role="presentation"></li>{/if}
</ul>

<style>
  li {
    border-bottom: 1px solid var(--rule2);
    overflow: hidden;
  }
  .head {
    display: flex;
    align-items: center;
    gap: 5px;
    padding-right: 6px;
  }
  li.selected .head {
    background: var(--teal-wash);
  }
  li.sum {
    background: var(--band);
    font-weight: 680;
  }
  li.over {
    box-shadow: inset 0 3px 0 var(--teal);
  }
  .number {
    color: var(--ink3);
    width: 20px;
    flex: none;
    font-size: 12px;
  }
  .name {
    flex: 1;
    min-width: 0;
    text-align: left;
    height: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    cursor: pointer;
  }
  .small {
    flex: none;
    display: none;
    font-size: 12px;
    line-height: 15px;
    padding: 0 3px;
    border: 1px solid transparent;
    border-radius: 3px;
    color: var(--ink3);
    cursor: pointer;
    font-weight: 560;
    font-stretch: 66%; /* as narrow as can be read: they come when a name is pointed at, and must not push it away */
  }
  li:hover .small,
  li.selected .small,
  li:focus-within .small,
  .small.on,
  .small[aria-expanded] {
    display: block;
    border-color: var(--rule);
  }
  .small.on {
    background: var(--ochre-wash);
    color: var(--ochre-ink);
    border-color: var(--ochre);
  }
  .small.alone.on {
    background: var(--teal);
    color: var(--on-teal);
    border-color: var(--teal);
  }
  .lane {
    padding: 4px 8px 0 44px;
    background: var(--side);
    border-top: 1px solid var(--rule2);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .lane.active {
    color: var(--teal);
    font-weight: 680;
  }
</style>
