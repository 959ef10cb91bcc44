<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { Modal } from 'flowbite-svelte';
  import type { Point, Section } from '../lib/api/types';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';
  import { barAt, quarterAt, quarterOfBar, type Tempo } from '../lib/time/tempo';
  import { fromMarkers, pointText, toPoint } from './range';

  /** Which stretches of the song are printed: all of it, one, or several with a name and a folder each. */
  let { store, session, open = $bindable() }: { store: HandoffStore; session: SessionStore; open: boolean } = $props();

  interface Line {
    name: string;
    from: string;
    to: string;
  }
  let lines = $state<Line[]>([]);
  let filled = false;
  const markers = $derived(session.session!.markers);
  const names = $derived(markers.map((marker) => marker.name));
  const lastBar = $derived(
    session.tempo ? String(barAfter(session.tempo, session.frames / session.session!.rate)) : '',
  );

  /** The first bar that begins at the end of the session or later. */
  function barAfter(tempo: Tempo, seconds: number): number {
    const end = quarterAt(tempo, seconds);
    const { bar } = barAt(tempo, end);
    return Math.max(2, quarterOfBar(tempo, bar) >= end ? bar : bar + 1);
  }

  $effect(() => {
    if (open && !filled) {
      lines = store.handoff.sections.map((section) => ({
        name: section.name ?? '',
        from: section.stretch ? pointText(section.stretch.from) : '',
        to: section.stretch ? pointText(section.stretch.to) : '',
      }));
      filled = true;
    }
    if (!open) filled = false;
  });

  const wrong = (text: string) => toPoint(text, names) === undefined;
  const problem = $derived.by(() => {
    if (lines.some((line) => wrong(line.from) || wrong(line.to)))
      return 'From and to are bars, like 5, times, like 0:30, or the names of markers.';
    if (lines.length > 1 && lines.some((line) => !line.name.trim()))
      return 'Each of several sections needs a name: it names its folder.';
    return '';
  });

  const add = () =>
    (lines = [
      ...lines,
      { name: lines.length ? `Section ${lines.length + 1}` : '', from: lines.at(-1)?.to ?? '1', to: lastBar || '0:30' },
    ]);
  const everyMarker = () => {
    lines = fromMarkers(markers, session.frames, session.session!.rate).map((section) => ({
      name: section.name!,
      from: pointText(section.stretch!.from),
      to: pointText(section.stretch!.to),
    }));
  };

  async function take() {
    const sections: Section[] = lines.map((line) => ({
      name: line.name.trim(),
      stretch: { from: toPoint(line.from, names) as Point, to: toPoint(line.to, names) as Point },
    }));
    await store.change((handoff) => ({ ...handoff, sections }));
    open = false;
  }
</script>

<Modal bind:open title="Range" size="md" class="range-dialog">
  {#if lines.length === 0}
    <p>The whole session, from its start to the end of the last sound.</p>
  {:else}
    <div class="line cap" aria-hidden="true">
      <span>{lines.length > 1 ? 'Name, and folder' : 'Name'}</span><span>From</span><span>To</span>
    </div>
    {#each lines as line, i (i)}
      <div class="line">
        <Field
          aria-label="Name of section {i + 1}"
          bind:value={line.name}
          maxlength="60"
          placeholder={lines.length > 1 ? 'needed' : 'none needed'}
        />
        <Field
          aria-label="From, section {i + 1}"
          class="mono"
          list="places"
          bind:value={line.from}
          aria-invalid={wrong(line.from)}
        />
        <Field
          aria-label="To, section {i + 1}"
          class="mono"
          list="places"
          bind:value={line.to}
          aria-invalid={wrong(line.to)}
        />
        <Button aria-label="Remove section {i + 1}" onclick={() => (lines = lines.filter((_, at) => at !== i))}
          >×</Button
        >
      </div>
    {/each}
    <datalist id="places"
      >{#each names as name (name)}<option value={name}></option>{/each}</datalist
    >
  {/if}
  {#if problem}<p class="wrong" role="alert">{problem}</p>{/if}
  <div class="acts">
    <Button onclick={add}>{lines.length ? 'Another section' : 'A part of it'}</Button>
    {#if markers.length}<Button onclick={everyMarker}>A section for every marker</Button>{/if}
    {#if lines.length}<Button onclick={() => (lines = [])}>Whole session</Button>{/if}
    <Button kind="main" onclick={take} disabled={!!problem}>Set the range</Button>
  </div>
</Modal>

<style>
  p {
    color: var(--ink2);
  }
  .line {
    display: grid;
    grid-template-columns: 1fr 120px 120px 34px;
    gap: 8px;
    align-items: center;
    margin-bottom: 6px;
  }
  .wrong {
    color: var(--rust-ink);
  }
  .acts {
    display: flex;
    gap: 8px;
    margin-top: 14px;
  }
</style>
