<script lang="ts">
  import { Input, Select } from 'flowbite-svelte';
  import type { Depth, Handoff, HandoffChange } from '../lib/api/types';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import { DEPTH_WORDS } from '../lib/units';
  import { rangeText, toStretch } from './range';

  /** Everything that holds for all files: for whom, format, range, lead-in, tail, returns, dynamics. */
  let { store }: { store: HandoffStore } = $props();
  const handoff = $derived(store.state!.handoff);
  const plan = $derived(store.state!.plan);
  const DEPTHS: Depth[] = ['int16', 'int24', 'int32', 'float32'];
  const box = 'py-1! h-8! bg-(--sheet) dark:bg-(--paper) border-(--rule) dark:border-(--rule) text-(--ink) dark:text-(--ink)';
  let wrongRange = $state(false);

  const depths = $derived(DEPTHS.map((depth) => ({ value: depth, name: DEPTH_WORDS[depth] + (depth === plan.ownDepth ? ', as recorded' : '') })));
  const FORMATS = [{ value: 'wav', name: 'WAV' }, { value: 'aiff', name: 'AIFF' }, { value: 'flac', name: 'FLAC' }];
  const RATES = [44_100, 48_000, 88_200, 96_000];
  const rates = $derived([...new Set([...RATES, plan.rate])].sort((a, b) => a - b).map((hertz) => ({ value: String(hertz), name: `${hertz / 1000} kHz` })));
  const RETURNS = [{ value: 'ownFiles', name: 'as files of their own' }, { value: 'sharedOut', name: 'shared out to rows' }, { value: 'leftOut', name: 'left out' }];
  const RETURN_WORDS: Record<Handoff['returns'] & string, string> = {
    ownFiles: 'Each return is a file; rows come without it. Together they add up to the mix.',
    sharedOut: 'Every row carries its own share of reverbs and echoes. Rows alone add up to the mix.',
    leftOut: 'Reverbs and echoes on returns are only in the reference mix.',
  };
  const DYNAMICS = [{ value: 'inPlace', name: 'in place' }, { value: 'alone', name: 'alone' }];
  const DYNAMICS_WORDS: Record<Handoff['dynamics'] & string, string> = {
    inPlace: 'Compressors on buses and mix do to each row what they did to the whole: the files add up.',
    alone: 'Each row goes through buses and mix as in solo: the files do not add up.',
  };

  const value = (event: Event) => (event.currentTarget as HTMLSelectElement).value;
  const set = (change: Omit<HandoffChange, 'revision' | 'chosen' | 'name'>) => void store.set(change);

  function rename(field: HTMLInputElement) {
    if (field.value.trim() && field.value !== handoff.name) void store.set({ name: field.value });
    else field.value = handoff.name;
  }

  function range(field: HTMLInputElement) {
    const read = toStretch(field.value);
    wrongRange = read === undefined;
    if (read !== undefined) set({ range: read });
  }

  function number(field: HTMLInputElement): number | null {
    const text = field.value.trim().replace(',', '.');
    return text === '' || !Number.isFinite(Number(text)) ? null : Number(text);
  }
</script>

<div class="bar">
  <label class="cap" for="for">For</label>
  <span style="width:96px"><Input id="for" size="sm" value={handoff.name} maxlength={120} onchange={(e) => rename(e.currentTarget as HTMLInputElement)} class={box} /></span>
  <label class="cap" for="format">Files</label>
  <span style="width:78px"><Select id="format" size="sm" items={FORMATS} value={plan.format} placeholder="" onchange={(e) => set({ format: value(e) as 'wav' })} classes={{ select: box }} /></span>
  <span style="width:140px"><Select aria-label="Sample format" id="depth" size="sm" items={depths} value={plan.depth} placeholder="" onchange={(e) => set({ depth: value(e) as Depth })} classes={{ select: box }} /></span>
  <span style="width:98px"><Select aria-label="Sample rate" id="rate" size="sm" items={rates} value={String(plan.rate)} placeholder="" onchange={(e) => set({ rate: Number(value(e)) })} classes={{ select: box }} /></span>
  <label class="cap" for="range">Range</label>
  <span style="width:106px"><Input id="range" size="sm" value={rangeText(handoff.range)} placeholder="whole session" aria-invalid={wrongRange} title="Bars, like 5-21, or times, like 0:30-1:10; empty for the whole session" onchange={(e) => range(e.currentTarget as HTMLInputElement)} class={box} /></span>
  <label class="cap" for="lead">Lead-in</label>
  <span class="unit"><Input id="lead" size="sm" value={String(handoff.leadInBars ?? 0)} title="Bars of silence before the range" onchange={(e) => set({ leadInBars: number(e.currentTarget as HTMLInputElement) })} class={box} /></span><span class="cap">bars</span>
  <label class="cap" for="tail">Tail</label>
  <span style="width:82px"><Input id="tail" size="sm" value={handoff.tailSeconds === null ? '' : String(handoff.tailSeconds)} placeholder="until quiet" title="Seconds after the range; empty: until every file has been quiet for a second" onchange={(e) => set({ tailSeconds: number(e.currentTarget as HTMLInputElement) })} class={box} /></span>
</div>
<div class="bar low">
  <label class="cap" for="returns">Returns</label>
  <span style="width:166px"><Select id="returns" size="sm" items={RETURNS} value={plan.sharing.returns} placeholder="" onchange={(e) => set({ returns: value(e) as 'ownFiles' })} classes={{ select: box }} /></span>
  <span class="cap words">{RETURN_WORDS[plan.sharing.returns]}</span>
  <label class="cap" for="dynamics">Dynamics</label>
  <span style="width:90px"><Select id="dynamics" size="sm" items={DYNAMICS} value={plan.sharing.dynamics} placeholder="" onchange={(e) => set({ dynamics: value(e) as 'alone' })} classes={{ select: box }} /></span>
  <span class="cap words">{DYNAMICS_WORDS[plan.sharing.dynamics]}</span>
</div>
{#if wrongRange}<p class="wrong" role="alert">A range is written as bars, like 5-21, or as times, like 0:30-1:10.</p>{/if}

<style>
  .bar { flex: none; display: flex; align-items: center; gap: 6px; padding: 7px 16px; border-bottom: 1px solid var(--rule); white-space: nowrap; }
  .bar span { flex: none; }
  .bar.low .words { flex: 1 1 0; min-width: 0; white-space: normal; line-height: 1.2; }
  .unit { width: 44px; }
  .wrong { color: var(--rust-ink); padding: 4px 16px; }
</style>
