<script lang="ts">
  import Check from '../lib/controls/Check.svelte';
  import type { IntakeFile } from '../lib/api/types';
  import { dbfs, minutes } from '../lib/units';
  import type { IntakeStore } from './intake.svelte';
  import { formatWords, placeWords } from './layout';

  let {
    store,
    file,
    isTake,
    flat,
    chosen,
    onchoose,
    ontoggle,
  }: {
    store: IntakeStore;
    file: IntakeFile;
    /** Whether its row holds others as well. */
    isTake: boolean;
    /** Whether all are equally high, in a list too long to be drawn whole. */
    flat: boolean;
    chosen: boolean;
    onchoose: (event: MouseEvent) => void;
    ontoggle: () => void;
  } = $props();
  const KIND_WORDS = {
    recording: '',
    notes: 'notes',
    timeline: 'timeline',
    clipList: 'clip list',
    trackList: 'list of tracks',
    table: 'table',
    session: 'session',
    paper: 'paper',
  };
  const intake = $derived(store.intake!);
  const seat = $derived(file.seat);
  const marks = $derived(
    [
      seat.side === 'left' ? 'L' : seat.side === 'right' ? 'R' : '',
      isTake ? `take ${seat.take}` : '',
      seat.place.inverted ? 'turned' : '',
    ].filter(Boolean),
  );
  const odd = $derived((file.heard?.oddities ?? []).map((oddity) => oddity.words));
</script>

<tr class:chosen class:flat class:out={seat.use === 'leftOut'} onclick={onchoose}>
  <td class="check"
    ><!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions --><span
      onclick={(e) => e.stopPropagation()}
      ><Check aria-label="Choose {file.name}" checked={chosen} onchange={ontoggle} /></span
    ></td
  >
  <td class="row">
    {#if file.kind !== 'recording'}<span class="badge teal">{KIND_WORDS[file.kind]}</span>
    {:else if seat.use === 'leftOut'}<span class="badge">left out</span>
    {:else if seat.use === 'inPlace'}
      <span class="name">{file.name}</span>
      <span class="under">in the place of what the session has</span>
    {:else}
      <span class="name" class:reference={seat.use === 'reference'}>{seat.row}</span>
      {#if file.station}<span class="badge" class:teal={seat.use === 'beside'}>{file.station}</span>{/if}
      {#each marks as mark (mark)}<span class="badge">{mark}</span>{/each}
      {#if seat.use === 'reference'}<span class="badge rust">reference</span>{/if}
      <span class="under"
        >{[seat.use === 'beside' ? 'beside the row' : seat.role === 'other' ? '' : seat.role, seat.group]
          .filter(Boolean)
          .join(' · ')}</span
      >
    {/if}
  </td>
  <td class="file">
    <span class="mono"
      >{#if file.folder}<span class="folder">{file.folder}/</span>{/if}{file.name}</span
    >
    {#if odd.length}<span class="under odd">{odd.join(' ')}</span>{/if}
  </td>
  {#if file.recording && file.heard}
    <td class="right mono"
      >{#if seat.use !== 'inPlace'}{minutes(seat.place.frame / intake.rate, 3)}<span class="under"
          >{seat.use === 'leftOut' ? '' : placeWords(file, intake)}</span
        >{/if}</td
    >
    <td class="right mono">{minutes(file.recording.frames / file.recording.rate, 3)}</td>
    <td class="mono sound">{formatWords(file)}</td>
    <td class="right mono">{file.heard.peak ? dbfs(20 * Math.log10(file.heard.peak)) : 'silent'}</td>
  {:else}<td colspan="4"></td>{/if}
</tr>

<style>
  tr {
    border-bottom: 1px solid var(--rule2);
    cursor: default;
  }
  .flat {
    height: var(--line);
  }
  .flat .file {
    overflow: hidden;
  }
  .flat .under,
  .flat .mono {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  tr:hover {
    background: var(--side);
  }
  tr.chosen {
    background: var(--teal-wash);
  }
  td {
    padding: 5px 8px;
    vertical-align: top;
  }
  .check {
    padding-left: 14px;
  }
  .right {
    text-align: right;
    white-space: nowrap;
  }
  .row {
    min-width: 150px;
  }
  .name {
    font-weight: 600;
  }
  .reference {
    color: var(--rust-ink);
  }
  .under {
    display: block;
    font-size: 12px;
    color: var(--ink2);
    font-family: var(--font-sans);
  }
  .odd {
    color: var(--ochre-ink);
    white-space: normal;
  }
  .file {
    overflow-wrap: anywhere;
    max-width: 300px;
  }
  .folder {
    color: var(--ink3);
  }
  .sound {
    white-space: nowrap;
    font-size: 12px;
  }
  .out {
    opacity: 0.62;
  }
  .badge {
    margin-left: 4px;
  }
</style>
