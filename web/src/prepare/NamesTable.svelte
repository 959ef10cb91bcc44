<script lang="ts">
  import { rules } from '../lib/catalogue/rules.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Check from '../lib/controls/Check.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { tick } from 'svelte';
  import type { Proposed, Row, SessionEdit } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import type { FindingsStore } from '../lib/state/findings.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { InSight } from '../lib/inSight.svelte';
  import { count } from '../lib/units';
  import { letterDiff } from './letterDiff';
  import NameDiff from './NameDiff.svelte';
  import { replaced } from './replaced';

  /** Names now and as proposed; each can be accepted, typed over, or changed with many others by find and replace. */
  let {
    store,
    session: sessions,
    handoff,
    onparts,
    parts,
  }: {
    store: FindingsStore;
    session: SessionStore;
    handoff: HandoffStore;
    onparts: () => void;
    parts: string;
  } = $props();
  const LINE_HEIGHT = 31;
  let all = $state(false);
  let searching = $state(false);
  let find = $state('');
  let put = $state('');
  let chosen = $state<Record<string, boolean>>({});
  let table: HTMLTableElement;

  const rows = $derived(sessions.session!.rows.filter((row) => row.type !== 'mix'));
  const proposals = $derived(new Map(store.names.map((each) => [each.proposal.row, each])));
  const shown = $derived(all || searching ? rows : rows.filter((row) => proposals.has(row.id)));
  const lines = new InSight(() => shown, LINE_HEIGHT);
  const picked = $derived(store.names.filter((each) => chosen[each.proposal.row]));
  const changes = $derived(searching ? replaced(rows, find, put) : []);
  const number = (row: Row) => String(sessions.session!.rows.indexOf(row) + 1).padStart(2, '0');

  async function make(words: string, edits: SessionEdit[]) {
    try {
      await sessions.edit(edits.length === 1 ? edits[0]! : { type: 'together', words, edits });
      chosen = {};
      await handoff.load();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  const accept = (list: Proposed[]) =>
    make(
      `Clean up ${count(list.length, 'name')}`,
      list.flatMap((each) => each.edits),
    );

  async function replace() {
    await make(
      `Replace “${find.slice(0, 40)}” in ${count(changes.length, 'name')}`,
      changes.map(({ row, name }) => ({ type: 'renameRow', row, name, named: 'hand' })),
    );
    searching = false;
  }

  /** What was typed into a row's field becomes its name; Tab goes on to the next row by itself. */
  async function typed(field: HTMLInputElement, row: Row) {
    const name = field.value.trim();
    if (name === row.name) return;
    try {
      await sessions.edit({ type: 'renameRow', row: row.id, name, named: 'hand' });
      await handoff.load();
    } catch (thrown) {
      toasts.wrong(thrown);
      field.value = row.name;
    }
  }

  async function onkey(event: KeyboardEvent, row: Row) {
    const field = event.currentTarget as HTMLInputElement;
    if (event.key === 'Escape') field.value = row.name;
    if (event.key !== 'Enter' && event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    event.preventDefault();
    const fields = [...table.querySelectorAll<HTMLInputElement>('input.name')];
    const next = fields[fields.indexOf(field) + (event.key === 'ArrowUp' ? -1 : 1)];
    field.blur();
    await tick();
    next?.focus();
    next?.select();
  }
</script>

<section aria-label="Names">
  <div class="head">
    <h2>Names</h2>
    <span class="cap">{proposals.size ? `${proposals.size} of ${rows.length} proposed` : 'all clear'}</span>
    <label class="cap"><Check bind:checked={all} /> all rows</label>
    <span class="tools">
      <Button size="small" aria-pressed={searching} onclick={() => (searching = !searching)}>Find and replace</Button>
      <Button size="small" onclick={onparts}>File names: {parts}</Button>
      {#if picked.length && picked.length < proposals.size}<Button size="small" onclick={() => accept(picked)}
          >Accept {picked.length}</Button
        >{/if}
      <Button size="small" class="go" disabled={!proposals.size} onclick={() => accept(store.names)}
        >Accept all{proposals.size ? ` ${proposals.size}` : ''}</Button
      >
    </span>
  </div>
  {#if searching}
    <form
      class="search"
      onsubmit={(e) => {
        e.preventDefault();
        if (changes.length) void replace();
      }}
    >
      <label class="cap" for="find">Find</label><Field class="w-32!" id="find" bind:value={find} autocomplete="off" />
      <label class="cap" for="put">Replace with</label><Field
        class="w-32!"
        id="put"
        bind:value={put}
        autocomplete="off"
      />
      <Button type="submit" size="small" disabled={!changes.length}>Replace in {count(changes.length, 'name')}</Button>
      {#if changes[0]}<span class="mono">{changes[0].name}</span>{/if}
    </form>
  {/if}
  <div class="scroll" {@attach lines.scrolling}>
    <table bind:this={table}>
      <thead
        ><tr class="cap"><th></th><th>#</th><th>Now</th><th>Proposed</th><th>Moved to the note</th><th></th></tr></thead
      >
      <tbody>
        {#if lines.before}<tr style="height:{lines.before}px"></tr>{/if}
        {#each lines.items as { item: row } (row.id)}
          {@const proposed = proposals.get(row.id)}
          {@const diff = proposed && letterDiff(row.name, proposed.proposal.proposed)}
          <tr>
            <td
              >{#if proposed}<Check aria-label="Choose {row.name}" bind:checked={chosen[row.id]} />{/if}</td
            >
            <td class="mono num">{number(row)}</td>
            <td class="now">
              <Field
                class="name inline"
                value={row.name}
                maxlength={rules.longestName}
                aria-label="Name of row {number(row)}"
                onblur={(e) => typed(e.currentTarget, row)}
                onkeydown={(e) => onkey(e, row)}
              />
              {#if diff}<span class="over" aria-hidden="true"><NameDiff pieces={diff.now} kind="gone" /></span>{/if}
            </td>
            <td
              >{#if diff}<NameDiff pieces={diff.proposed} kind="come" />{/if}</td
            >
            <td class="mono">{proposed?.proposal.note || (proposed ? '–' : '')}</td>
            <td class="do"
              >{#if proposed}<Button
                  size="small"
                  onclick={() => accept([proposed])}
                  aria-label="Accept {proposed.proposal.proposed}">Accept</Button
                >{/if}</td
            >
          </tr>
        {:else}
          <tr><td colspan="6" class="none">Every name can be read by a stranger. Tick “all rows” to change one.</td></tr
          >
        {/each}
        {#if lines.after}<tr style="height:{lines.after}px"></tr>{/if}
      </tbody>
    </table>
  </div>
</section>

<style>
  section {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
  }
  .head {
    height: 46px;
    flex: none;
    display: flex;
    align-items: center;
    gap: 12px;
    padding: 0 16px;
    border-bottom: 1px solid var(--rule);
  }
  h2 {
    font-size: 13.5px;
    font-weight: 680;
  }
  .head label {
    display: flex;
    gap: 5px;
    align-items: center;
  }
  .tools {
    margin-left: auto;
    display: flex;
    gap: 8px;
  }
  .search {
    display: flex;
    gap: 8px;
    align-items: center;
    padding: 7px 16px;
    border-bottom: 1px solid var(--rule2);
    background: var(--band);
  }
  .search .mono {
    color: var(--ink2);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .scroll {
    flex: 1;
    overflow: auto;
    min-height: 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    table-layout: fixed;
  }
  th {
    position: sticky;
    top: 0;
    background: var(--sheet);
    text-align: left;
    padding: 6px 8px;
    border-bottom: 1px solid var(--rule);
    z-index: 1;
  }
  th:nth-child(1) {
    width: 34px;
  }
  th:nth-child(2) {
    width: 34px;
  }
  th:nth-child(6) {
    width: 92px;
  }
  th:nth-child(3),
  th:nth-child(4) {
    width: 29%;
  }
  th:nth-child(3) {
    padding-left: 13px;
  }
  td {
    padding: 2px 8px;
    border-bottom: 1px solid var(--rule2);
    height: 31px;
  }
  td:first-child {
    padding-left: 16px;
  }
  .num {
    color: var(--ink3);
  }
  .now {
    position: relative;
  }
  .over {
    position: absolute;
    inset: 2px 8px;
    padding: 5px 5px 0;
    pointer-events: none;
    background: var(--sheet);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .do {
    text-align: right;
  }
  .none {
    color: var(--ink2);
    padding: 16px;
  }
</style>
