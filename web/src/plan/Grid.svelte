<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { tick } from 'svelte';
  import { CheckOutline } from 'flowbite-svelte-icons';
  import type { Choice, PlanRow, Station } from '../lib/api/types';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { Levels } from '../lib/state/levels.svelte';
  import Hint from '../lib/Hint.svelte';
  import { InSight } from '../lib/inSight.svelte';
  import { foldsOf } from '../lib/signal/folds';
  import Rings from '../lib/signal/Rings.svelte';
  import { isFoldedAway, membersOf, type Nested } from '../lib/signal/tree';
  import PeakBar from './PeakBar.svelte';
  import { type Extra, extras } from './extras';
  import { namesAt } from './names';
  import { rowMoved, matches } from './rows';
  import { STATIONS } from '../lib/signal/stations';
  import { column, Stamping } from './stamping.svelte';

  let {
    store,
    levels,
    nested,
    roles,
    selected = $bindable(),
  }: {
    store: HandoffStore;
    levels: Levels;
    nested: Map<string, Nested>;
    roles: Map<string, string>;
    selected?: string;
  } = $props();
  const LINE_HEIGHT = 28;
  const stamping = new Stamping();
  const plan = $derived(store.state!.plan);
  let filter = $state('');
  const folds = $derived(foldsOf(store.sessionId));
  const members = $derived(membersOf(nested));
  const depth = (row: PlanRow) => (filter ? 0 : (nested.get(row.row)?.depth ?? 0));
  const rows = $derived(
    plan.rows.filter((row) =>
      filter ? matches(row, filter, roles.get(row.row), printed(row)) : !isFoldedAway(row.row, nested, folds),
    ),
  );
  const lines = new InSight(() => rows, LINE_HEIGHT);
  const doubled = $derived(new Map(store.state!.doubled.map((each) => [each.at, each.words])));
  const more = $derived(filter ? { first: [], last: [] } : extras(plan));
  let dragged = $state<string>();
  let over = $state<string>();
  let focused = $state<Choice>();
  /** What the mouse is over, or else what has the focus. */
  let hovered = $state<Choice>();
  let grid: HTMLDivElement;

  const shows = (choice: Choice) => stamping.shows(choice, store.isChosen(choice));
  const isSum = (row: PlanRow) => row.kind === 'bus' || row.kind === 'return' || row.kind === 'mix';
  const KINDS: Record<PlanRow['kind'], string> = {
    audio: '',
    instrument: 'notes',
    part: 'part',
    bus: 'bus',
    return: 'return',
    mix: 'mix',
  };
  const isChosen = (row: PlanRow, station: Station) =>
    row.stations.includes(station) && shows({ row: row.row, station });
  /** The way between a row's first and last file is drawn solid. */
  function inked(row: PlanRow): string {
    const taken = STATIONS.flatMap(({ station }, i) => (isChosen(row, station) ? [i] : []));
    return taken.length < 2 ? 'left:0;right:100%' : `left:${centre(taken[0]!)}%;right:${100 - centre(taken.at(-1)!)}%`;
  }
  /** From the first stop there is to the last. */
  function line(row: PlanRow): string {
    const there = STATIONS.flatMap(({ station }, i) => (row.stations.includes(station) ? [i] : []));
    return there.length < 2 ? 'left:0;right:100%' : `left:${centre(there[0]!)}%;right:${100 - centre(there.at(-1)!)}%`;
  }
  const centre = (i: number) => ((i + 0.5) / STATIONS.length) * 100;
  const printed = (row: PlanRow) => row.stations.some((station) => shows({ row: row.row, station }));

  function stampColumn(station: Station) {
    const { changed, adding } = column(rows, station, store.chosen());
    void store.stamp(changed, adding);
  }

  const toggle = (choice: Choice) => void store.stamp([choice], !store.isChosen(choice));

  /** Puts a row elsewhere in the receiver's order. */
  function move(row: string, before: string | undefined) {
    const order = rowMoved(plan.rows, row, before);
    if (order) void store.change((handoff) => ({ ...handoff, order }));
  }

  function begin(event: PointerEvent, choice: Choice) {
    if (event.button !== 0) return;
    (event.currentTarget as HTMLElement).releasePointerCapture(event.pointerId);
    selected = choice.row;
    stamping.begin(choice, store.isChosen(choice));
  }

  function end() {
    if (!stamping.active) return;
    const { changed, adding } = stamping.end();
    void store.stamp(changed, adding);
  }

  /** Walks to the next row that has a station there, or to the row's other stations. */
  function onkeydown(event: KeyboardEvent, choice: Choice) {
    const rowAt = rows.findIndex((row) => row.row === choice.row);
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step && event.altKey) {
      event.preventDefault();
      move(choice.row, step < 0 ? rows[rowAt - 1]?.row : rows[rowAt + 2]?.row);
    } else if (step) {
      event.preventDefault();
      for (let i = rowAt + step; i >= 0 && i < rows.length; i += step) {
        const next = rows[i]!;
        if (next.stations.length)
          return void focus({
            row: next.row,
            station: next.stations.includes(choice.station) ? choice.station : next.stations[0]!,
          });
      }
    } else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
      const stations = rows[rowAt]!.stations;
      const next = stations[stations.indexOf(choice.station) + (event.key === 'ArrowRight' ? 1 : -1)];
      if (next) void focus({ row: choice.row, station: next });
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      toggle(choice);
    }
  }

  async function focus(choice: Choice) {
    focused = choice;
    selected = choice.row;
    lines.show(rows.findIndex((row) => row.row === choice.row));
    await tick();
    grid.querySelector<HTMLElement>(`[data-cell="${CSS.escape(choice.row)}/${choice.station}"]`)?.focus();
  }

  const pointed = $derived.by(() => {
    const at = hovered ?? focused;
    return at && { files: namesAt(plan.prints, at) };
  });

  const isStop = (row: PlanRow, station: Station, rowAt: number) =>
    focused && rows.some((each) => each.row === focused!.row)
      ? focused.row === row.row && focused.station === station
      : rowAt === 0 && station === row.stations[0];
</script>

<svelte:window onpointerup={end} onpointercancel={end} />
<div class="grid" bind:this={grid} role="grid" aria-label="What is printed" aria-rowcount={rows.length}>
  <div class="row head" role="row">
    <span class="cap number" role="columnheader">#</span>
    <span role="columnheader"
      ><Field
        class="h-6"
        aria-label="Filter rows"
        placeholder="Row"
        title="Part of a name, a kind like bus, a role like voices, “printed” or “left out”"
        bind:value={filter}
      /></span
    >
    <span role="columnheader"><span class="sr-only">Channels</span></span>
    <div class="stations" role="presentation">
      {#each STATIONS as { station, name, words } (station)}
        <button
          class="station"
          role="columnheader"
          onclick={() => stampColumn(station)}
          title={filter ? `Print the rows shown at ${name}, or none of them` : `Print every row at ${name}, or none`}
        >
          <b>{name}</b><span class="cap">{words}</span><i aria-hidden="true"></i>
        </button>
      {/each}
    </div>
    <span class="cap peak" role="columnheader"
      ><Hint
        words="Of the loudest file of the row, where it is taken; faint, of rows without files and until it is measured, at Raw"
        >Peak</Hint
      ></span
    >
  </div>
  <div class="body" role="rowgroup" {@attach lines.scrolling}>
    {#each more.first as each (each.name)}{@render extra(each)}{/each}
    <div style="height:{lines.before}px" role="presentation"></div>
    {#each lines.items as { item: row, index: i } (row.row)}
      <div
        class="row"
        role="row"
        tabindex="-1"
        class:selected={row.row === selected}
        class:out={!printed(row) || levels.loudest(row) === null}
        class:sum={isSum(row)}
        class:over={over === row.row}
        ondragover={(e) => {
          if (dragged) {
            e.preventDefault();
            over = row.row;
          }
        }}
        ondrop={() => {
          if (dragged) move(dragged, row.row);
          dragged = over = undefined;
        }}
        onclick={() => (selected = row.row)}
        onkeydown={() => {}}
      >
        <span class="mono number" role="gridcell"
          ><span
            role="presentation"
            draggable={row.kind !== 'mix' && !filter}
            title={row.kind === 'mix' ? '' : 'Drag to another place in the receiver’s order'}
            ondragstart={() => (dragged = row.row)}
            ondragend={() => (dragged = over = undefined)}>{String(row.number).padStart(2, '0')}</span
          ></span
        >
        <span class="name" role="gridcell" style="padding-left:{20 * depth(row)}px" title={row.name}
          >{#if depth(row)}<i class="branch" style="left:{20 * depth(row) - 14}px" aria-hidden="true"
            ></i>{/if}{row.name}{#if members.has(row.row) && !filter}<button
              class="fold"
              aria-expanded={!folds.has(row.row)}
              aria-label="Fold {row.name}"
              onclick={() => (folds.delete(row.row) ? undefined : folds.add(row.row))}
              >{folds.has(row.row) ? '▸' : '▾'}{members.get(row.row)}</button
            >{/if}{#if KINDS[row.kind]}<span class="cap kind">{KINDS[row.kind]}</span
            >{/if}{#if doubled.has(row.row)}<span class="twice" title={doubled.get(row.row)}
              ><span aria-hidden="true">×2</span><span class="sr-only">would sound doubled</span></span
            >{/if}</span
        >
        <span role="gridcell"><Rings channels={row.channels} /></span>
        <div class="stations" class:rust={row.kind === 'mix'} role="presentation">
          <i class="line" style={line(row)} aria-hidden="true"></i><i
            class="line ink"
            style={inked(row)}
            aria-hidden="true"
          ></i>
          {#each STATIONS as { station, name } (station)}
            {@const choice = { row: row.row, station }}
            {@const on = shows(choice)}
            <span class="stop" role="gridcell">
              {#if row.stations.includes(station)}
                <button
                  class="cell"
                  class:on
                  class:hand={on !== row.asked.includes(station)}
                  class:rust={row.kind === 'mix'}
                  data-cell="{row.row}/{station}"
                  tabindex={isStop(row, station, i) ? 0 : -1}
                  role="checkbox"
                  aria-checked={on}
                  aria-label="{row.name} at {name}"
                  onpointerdown={(e) => begin(e, choice)}
                  onpointerenter={() => {
                    stamping.pass(choice);
                    hovered = choice;
                  }}
                  onpointerleave={() => (hovered = undefined)}
                  onkeydown={(e) => onkeydown(e, choice)}
                  onfocus={() => (focused = choice)}
                  >{#if on}<CheckOutline class="h-4 w-4" strokeWidth="3" />{/if}</button
                >
              {/if}
            </span>
          {/each}
        </div>
        <span class="peak" role="gridcell">{@render peak(row)}</span>
      </div>
    {:else}
      <p class="none">
        No row matches “{filter}”. <Button onclick={() => (filter = '')}>Show all rows</Button>
      </p>
    {/each}
    <div style="height:{lines.after}px" role="presentation"></div>
    {#each more.last as each (each.name)}{@render extra(each)}{/each}
  </div>
</div>
<p class="pointed" aria-live="polite">
  {#if pointed}<span class="cap"
      >{pointed.files.length ? (pointed.files.length > 1 ? 'Files' : 'File') : 'Not printed'}</span
    >
    <span class="mono">{pointed.files.join('  ')}</span>{:else}<span class="cap"
      >Point at a stop to see the name of its file</span
    >{/if}
</p>

{#snippet peak(row: PlanRow)}
  {@const loudest = levels.loudest(row)}
  {#if levels.hasFiles(row) && (loudest !== undefined || row.image === null)}
    <PeakBar peakDbfs={loudest ?? null} known={loudest !== undefined} waiting={levels.pending > 0} />
  {:else}
    <PeakBar peakDbfs={row.peakDbfs} known={row.image !== null} faint />
  {/if}
{/snippet}

{#snippet extra(each: Extra)}
  <div class="row extra" role="row">
    <span class="number" role="gridcell">+</span>
    <span class="name" role="gridcell">{each.name}</span>
    <span class="words cap" role="gridcell">{each.words}</span>
    <span class="files mono" role="gridcell"
      >{#if each.files.length > 1}<Hint words={each.files.join('\n')}>{each.files.length} files</Hint>{:else}{each
          .files[0] ?? ''}{/if}</span
    >
  </div>
{/snippet}

<style>
  .fold {
    margin-left: 6px;
    padding: 0 4px;
    font-size: 12px;
    color: var(--ink2);
    border: 1px solid var(--rule);
    border-radius: 3px;
    cursor: pointer;
  }
  .grid {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
    user-select: none;
  }
  .body {
    overflow-y: auto;
    flex: 1;
  }
  .row {
    display: grid;
    grid-template-columns: 24px minmax(110px, 200px) 24px minmax(400px, 1fr) 126px;
    align-items: center;
    gap: 0 12px;
    padding: 0 16px;
    height: 28px;
    border-bottom: 1px solid var(--rule2);
  }
  .row.head {
    height: 62px;
    align-items: end;
    padding-bottom: 8px;
    border-bottom: 1px solid var(--rule);
  }
  .row.extra {
    grid-template-columns: 24px minmax(110px, 200px) 1fr auto;
    color: var(--ink2);
  }
  .extra .files {
    font-size: 12px;
  }
  .pointed {
    flex: none;
    height: 26px;
    padding: 4px 16px 0;
    border-top: 1px solid var(--rule2);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: pre;
  }
  .pointed .mono {
    margin-left: 8px;
    user-select: text;
  }
  .row.over {
    box-shadow: inset 0 2px 0 var(--teal);
  }
  .row.selected {
    background: var(--teal-wash);
  }
  .row.sum {
    background: var(--band);
  }
  .row.sum .name {
    font-weight: 680;
  }
  .row.selected.sum {
    background: var(--teal-wash);
  }
  .row.out .name {
    color: var(--ink3);
  }
  .number [draggable='true'] {
    cursor: grab;
  }
  .twice {
    margin-left: 8px;
    font-size: 12px;
    font-weight: 620;
    color: var(--ochre-ink);
    background: var(--ochre-wash);
    border-radius: 8px;
    padding: 0 6px;
  }
  .cell.hand::after {
    content: '';
    position: absolute;
    width: 5px;
    height: 5px;
    border-radius: 50%;
    background: var(--ochre);
    left: calc(50% + 9px);
    top: calc(50% - 11px);
  }
  .none {
    padding: 22px 16px;
    color: var(--ink2);
  }
  .number {
    color: var(--ink3);
    font-size: 12px;
  }
  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: 13.5px;
    position: relative;
  }
  .branch {
    position: absolute;
    top: -6px;
    height: 15px;
    width: 8px;
    border-left: 1px solid var(--rule);
    border-bottom: 1px solid var(--rule);
  }
  .kind {
    margin-left: 10px;
  }
  .stations {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    position: relative;
    align-self: stretch;
    align-items: center;
  }
  .line {
    position: absolute;
    top: 50%;
    height: 2px;
    margin-top: -1px;
    background: var(--rule);
  }
  .line.ink {
    background: var(--teal);
    height: 3px;
    margin-top: -1.5px;
  }
  .rust .line.ink {
    background: var(--rust);
  }
  .head .stations::before {
    content: '';
    position: absolute;
    left: 4%;
    right: 4%;
    bottom: 3px;
    height: 3px;
    background: var(--ink);
  }
  .station {
    display: flex;
    flex-direction: column;
    align-items: center;
    cursor: pointer;
    position: relative;
    padding-bottom: 16px;
  }
  .station b {
    font-weight: 680;
  }
  .station i {
    position: absolute;
    bottom: -2px;
    width: 13px;
    height: 13px;
    border-radius: 50%;
    border: 2.5px solid var(--ink);
    background: var(--sheet);
  }
  .station:hover i {
    background: var(--teal);
  }
  .stop {
    display: grid;
    place-items: center;
    height: 100%;
  }
  .cell {
    position: relative;
    width: 100%;
    height: 100%;
    display: grid;
    place-items: center;
    cursor: pointer;
    color: var(--on-teal);
  }
  .cell::before {
    content: '';
    position: absolute;
    width: 10px;
    height: 10px;
    border-radius: 50%;
    border: 2px solid var(--ink3);
    background: var(--sheet);
    left: 50%;
    top: 50%;
    translate: -50% -50%;
  }
  .cell:hover::before {
    border-color: var(--teal);
  }
  .cell.on::before {
    width: 16px;
    height: 16px;
    border-radius: 3.5px;
    border: 0;
    background: var(--teal);
  }
  .cell.on.rust::before {
    background: var(--rust);
  }
  .cell :global(svg) {
    position: relative;
  }
  .peak {
    text-align: right;
  }
</style>
