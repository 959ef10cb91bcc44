<script lang="ts">
  import { CheckOutline } from 'flowbite-svelte-icons';
  import type { Choice, PlanRow, Station } from '../lib/api/types';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import Rings from '../lib/signal/Rings.svelte';
  import PeakBar from './PeakBar.svelte';
  import { column, Stamping, STATIONS, withChoices } from './stamping.svelte';

  let { store, selected = $bindable() }: { store: HandoffStore; selected?: string } = $props();
  const stamping = new Stamping();
  const plan = $derived(store.state!.plan);
  let focused = $state<Choice>();
  let grid: HTMLDivElement;

  const shows = (choice: Choice) => stamping.shows(choice, store.isChosen(choice));
  /** The file's name without its ending and number; of a row that is not printed, the row's. */
  const named = (row: PlanRow) =>
    plan.prints.find((print) => print.row === row.row)?.file.replace(/\.wav$/, '').replace(/^\d+_/, '') ?? row.name;
  const printed = (row: PlanRow) => row.stations.some((station) => shows({ row: row.row, station }));

  function stampColumn(station: Station) {
    void store.choose((chosen) => {
      const { changed, adding } = column(plan.rows, station, chosen);
      return withChoices(chosen, changed, adding);
    });
  }

  function toggle(choice: Choice) {
    const adding = !store.isChosen(choice);
    void store.choose((chosen) => withChoices(chosen, [choice], adding));
  }

  function begin(event: PointerEvent, choice: Choice) {
    if (event.button !== 0) return;
    (event.currentTarget as HTMLElement).releasePointerCapture(event.pointerId);
    selected = choice.row;
    stamping.begin(choice, store.isChosen(choice));
  }

  function end() {
    if (stamping.active) void store.choose(stamping.end());
  }

  /** Walks to the next row that has a station there, or to the row's other stations. */
  function onkeydown(event: KeyboardEvent, choice: Choice) {
    const rowAt = plan.rows.findIndex((row) => row.row === choice.row);
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      for (let i = rowAt + step; i >= 0 && i < plan.rows.length; i += step) {
        const next = plan.rows[i]!;
        if (next.stations.length) return focus({ row: next.row, station: next.stations.includes(choice.station) ? choice.station : next.stations[0]! });
      }
    } else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
      const stations = plan.rows[rowAt]!.stations;
      const next = stations[stations.indexOf(choice.station) + (event.key === 'ArrowRight' ? 1 : -1)];
      if (next) focus({ row: choice.row, station: next });
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      toggle(choice);
    }
  }

  function focus(choice: Choice) {
    focused = choice;
    selected = choice.row;
    grid.querySelector<HTMLElement>(`[data-cell="${CSS.escape(choice.row)}/${choice.station}"]`)?.focus();
  }

  const isStop = (row: PlanRow, station: Station, rowAt: number) =>
    focused ? focused.row === row.row && focused.station === station : rowAt === 0 && station === row.stations[0];
</script>

<svelte:window onpointerup={end} onpointercancel={end} />
<div class="grid" bind:this={grid} role="grid" aria-label="What is printed" aria-rowcount={plan.rows.length}>
  <div class="row head" role="row">
    <span class="cap number" role="columnheader">#</span>
    <span class="cap" role="columnheader">Name as printed</span>
    <span role="columnheader"><span class="sr-only">Channels</span></span>
    <div class="stations" role="presentation">
      {#each STATIONS as { station, name, words } (station)}
        <button class="station" role="columnheader" onclick={() => stampColumn(station)} title="Print every row at {name}, or none">
          <b>{name}</b><span class="cap">{words}</span><i aria-hidden="true"></i>
        </button>
      {/each}
    </div>
    <span class="cap peak" role="columnheader">Peak before printing</span>
  </div>
  <div class="body">
    {#each plan.rows as row, i (row.row)}
      <div
        class="row" role="row" tabindex="-1" class:selected={row.row === selected} class:out={!printed(row)} class:mix={row.image === null}
        onclick={() => (selected = row.row)} onkeydown={() => {}}
      >
        <span class="mono number" role="gridcell">{String(row.number).padStart(2, '0')}</span>
        <span class="name" role="gridcell" title={plan.prints.find((print) => print.row === row.row)?.file ?? row.name}>{named(row)}{#if row.image === null}<span class="cap kind">mix</span>{/if}</span>
        <span role="gridcell"><Rings channels={row.channels} /></span>
        <div class="stations" role="presentation">
          {#each STATIONS as { station, name } (station)}
            {@const choice = { row: row.row, station }}
            {@const on = shows(choice)}
            <span class="stop" role="gridcell">
              {#if row.stations.includes(station)}
                <button
                  class="cell" class:on class:rust={row.image === null} data-cell="{row.row}/{station}" tabindex={isStop(row, station, i) ? 0 : -1}
                  role="checkbox" aria-checked={on} aria-label="{row.name} at {name}"
                  onpointerdown={(e) => begin(e, choice)} onpointerenter={() => stamping.pass(choice)}
                  onkeydown={(e) => onkeydown(e, choice)} onfocus={() => (focused = choice)}
                >{#if on}<CheckOutline class="h-4 w-4" strokeWidth="3" />{/if}</button>
              {/if}
            </span>
          {/each}
        </div>
        <span class="peak" role="gridcell"><PeakBar peakDbfs={row.peakDbfs} known={row.image !== null} /></span>
      </div>
    {/each}
  </div>
</div>

<style>
  .grid { flex: 1; min-height: 0; display: flex; flex-direction: column; user-select: none; }
  .body { overflow-y: auto; flex: 1; }
  .row { display: grid; grid-template-columns: 26px minmax(120px, 260px) 30px minmax(230px, 1fr) 170px; align-items: center; gap: 0 12px; padding: 0 16px; height: 28px; border-bottom: 1px solid var(--rule2); }
  .row.head { height: 62px; align-items: end; padding-bottom: 8px; border-bottom: 1px solid var(--rule); }
  .row.selected { background: var(--teal-wash); }
  .row.mix { background: var(--band); }
  .row.mix .name { font-weight: 680; }
  .row.selected.mix { background: var(--teal-wash); }
  .row.out .name { color: var(--ink3); }
  .number { color: var(--ink3); font-size: 11.5px; }
  .name { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; font-size: 13.5px; }
  .kind { margin-left: 10px; }
  .stations { display: grid; grid-template-columns: repeat(2, 1fr); position: relative; align-self: stretch; align-items: center; }
  .row:not(.head) .stations::before { content: ''; position: absolute; left: 25%; right: 25%; top: 50%; height: 2px; margin-top: -1px; background: var(--rule2); }
  .row.selected .stations::before { background: var(--rule); }
  .row.mix .stations::before { display: none; }
  .head .stations::before { content: ''; position: absolute; left: 12%; right: 12%; bottom: 3px; height: 3px; background: var(--ink); }
  .station { display: flex; flex-direction: column; align-items: center; cursor: pointer; position: relative; padding-bottom: 16px; }
  .station b { font-weight: 680; }
  .station i { position: absolute; bottom: -2px; width: 13px; height: 13px; border-radius: 50%; border: 2.5px solid var(--ink); background: var(--sheet); }
  .station:hover i { background: var(--teal); }
  .stop { display: grid; place-items: center; height: 100%; }
  .cell { position: relative; width: 100%; height: 100%; display: grid; place-items: center; cursor: pointer; color: var(--on-teal); }
  .cell::before { content: ''; position: absolute; width: 10px; height: 10px; border-radius: 50%; border: 2px solid var(--ink3); background: var(--sheet); left: 50%; top: 50%; translate: -50% -50%; }
  .cell:hover::before { border-color: var(--teal); }
  .cell.on::before { width: 16px; height: 16px; border-radius: 3.5px; border: 0; background: var(--teal); }
  .cell.on.rust::before { background: var(--rust); }
  .cell :global(svg) { position: relative; }
  .peak { text-align: right; }
</style>
