<script lang="ts">
  import Check from '../lib/controls/Check.svelte';
  import type { Print } from '../lib/api/types';
  import FileName from '../lib/FileName.svelte';
  import Rings from '../lib/signal/Rings.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { Levels } from '../lib/state/levels.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { bytes, count } from '../lib/units';
  import { extras } from './extras';
  import FileNameEditor from './FileNameEditor.svelte';
  import { byFolder } from './names';
  import PeakBar from './PeakBar.svelte';
  import { STATIONS } from '../lib/signal/stations';

  /** The plan's other face: the files as they will arrive, folder by folder. */
  let {
    store,
    levels,
    session,
    selected = $bindable(),
  }: { store: HandoffStore; levels: Levels; session: SessionStore; selected?: string } = $props();
  const plan = $derived(store.state!.plan);
  const folders = $derived(byFolder(plan.prints));
  const besides = $derived(
    extras(plan).last.filter((each) => !plan.prints.some(({ file }) => each.files.includes(file))),
  );
  let editing = $state<number>();
  let list: HTMLElement;

  const stationName = (print: Print) => STATIONS.find((each) => each.station === print.station)?.name ?? '';
  const isByHand = (print: Print) =>
    plan.rows.some((row) => row.row === print.row && !row.asked.includes(print.station));
  const what = (print: Print) =>
    print.source === print.row || print.row === 'mix' ? stationName(print) : `${stationName(print)}, another take`;

  /** Arrows walk from name to name; Enter renames, Delete leaves the file out. */
  function onkeydown(event: KeyboardEvent, print: Print, index: number) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      const names = [...list.querySelectorAll<HTMLElement>('[data-file]')];
      names[names.indexOf(event.currentTarget as HTMLElement) + step]?.focus();
    } else if (event.key === 'F2') {
      event.preventDefault();
      edit(print, index);
    } else if (event.key === 'Delete') leaveOut(print);
  }

  /** A click has no name to be given. */
  const isNamed = (print: Print) => plan.rows.some((row) => row.row === print.row);

  function edit(print: Print, index: number) {
    if (isNamed(print)) editing = index;
  }

  function leaveOut(print: Print) {
    if (isNamed(print)) void store.stamp([{ row: print.row, station: print.station }], false);
  }

  function done(index: number) {
    editing = undefined;
    requestAnimationFrame(() => list.querySelector<HTMLElement>(`[data-file="${index}"]`)?.focus());
  }
</script>

<div class="files" bind:this={list}>
  {#each folders as { folder, files } (folder)}
    <h3 class="cap">{folder || 'In no folder'} <span>{count(files.length, 'file')}</span></h3>
    <ul aria-label={folder || 'In no folder'}>
      {#each files as { print, index } (folder + print.file)}
        {@const level = levels.of(index)}
        <li class:selected={print.row === selected}>
          {#if isNamed(print)}<Check
              checked
              aria-label="Print {print.file}"
              title="Leave it out"
              onchange={() => leaveOut(print)}
            />{:else}<span></span>{/if}
          {#if editing === index}
            <FileNameEditor {store} {session} {print} ondone={() => done(index)} />
          {:else}
            <button
              class="name mono"
              data-file={index}
              title={isNamed(print)
                ? `${isByHand(print) ? 'Set by hand. ' : ''}Double-click, Enter or F2: name the row, or the word for this station`
                : undefined}
              onfocus={() => (selected = isNamed(print) ? print.row : selected)}
              ondblclick={() => edit(print, index)}
              onclick={(e) => {
                if (e.detail === 0) edit(print, index);
              }}
              onkeydown={(e) => onkeydown(e, print, index)}
              ><FileName name={print.file} />{#if isByHand(print)}<i class="hand"></i><span class="sr-only"
                  >, set by hand</span
                >{/if}</button
            >
          {/if}
          <span class="cap what">{what(print)}</span>
          <Rings channels={print.channels} />
          <span class="mono size">{bytes(print.bytes)}</span>
          <PeakBar peakDbfs={level?.peakDbfs ?? null} known={!!level} waiting={levels.pending > 0} />
        </li>
      {/each}
    </ul>
  {/each}
  {#if besides.length}
    <h3 class="cap">Besides</h3>
    <ul aria-label="Besides">
      {#each besides as each (each.name)}
        <li>
          <span></span><span class="mono">{each.files.join(', ') || each.name}</span>
          <span class="cap what">{each.words}</span>
        </li>
      {/each}
    </ul>
  {/if}
</div>

<style>
  .files {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
  }
  h3 {
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--band);
    padding: 7px 16px 5px;
    border-bottom: 1px solid var(--rule);
    color: var(--ink);
    font-weight: 680;
  }
  h3 span {
    margin-left: 8px;
    color: var(--ink2);
    font-weight: 400;
  }
  li {
    display: grid;
    grid-template-columns: 18px minmax(200px, 1fr) 130px 24px 70px 126px;
    align-items: center;
    gap: 0 12px;
    min-height: 28px;
    padding: 0 16px;
    border-bottom: 1px solid var(--rule2);
    content-visibility: auto; /* of a thousand only those in sight are laid out */
    contain-intrinsic-size: auto 28px;
  }
  li.selected {
    background: var(--teal-wash);
  }
  .name {
    text-align: left;
    padding: 4px 0;
    overflow-wrap: anywhere;
    cursor: text;
  }
  .hand {
    display: inline-block;
    width: 6px;
    height: 6px;
    border-radius: 50%;
    background: var(--ochre);
    margin-left: 7px;
    vertical-align: 2px;
  }
  .what {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .size {
    text-align: right;
    color: var(--ink2);
  }
</style>
