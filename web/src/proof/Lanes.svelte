<script lang="ts">
  import { theme } from '../lib/chrome/theme.svelte';
  import type { RunStore } from '../lib/state/run.svelte';
  import type { Tempo } from '../lib/time/tempo';
  import { colours, prepare } from '../lib/waveform/draw';
  import { drawLanes, LANE_HEIGHT, RULER_HEIGHT } from './drawLanes';

  let { run, tempo, selected = $bindable(0) }: { run: RunStore; tempo?: Tempo; selected: number } = $props();
  const NAMES = 214;
  let scroller: HTMLDivElement;
  let canvas: HTMLCanvasElement;
  let list: HTMLUListElement;
  let width = $state(0);
  let height = $state(0);
  let scrollY = $state(0);
  const view = $derived(run.view!);

  $effect(() => {
    void run.picturesCome, theme.night;
    const lanes = Math.max(0, width - NAMES);
    const { ink, scale } = prepare(canvas, lanes, height);
    drawLanes(ink, scale, colours(canvas), {
      files: view.files, picture: (i) => run.picture(i), tempo, seconds: view.frames / view.rate, selected, width: lanes, height, scrollY,
    });
  });

  function onkeydown(event: KeyboardEvent) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    selected = Math.min(view.files.length - 1, Math.max(0, selected + step));
    list.querySelectorAll('button')[selected]?.focus();
  }

  function onclick(event: MouseEvent) {
    const lane = Math.floor((event.clientY - canvas.getBoundingClientRect().top - RULER_HEIGHT + scrollY) / LANE_HEIGHT);
    if (lane >= 0 && lane < view.files.length) selected = lane;
  }

  const stem = (name: string) => name.replace(/\.(wav|aif|flac)$/, '');
</script>

<div class="scroller" bind:this={scroller} bind:clientWidth={width} bind:clientHeight={height} onscroll={() => (scrollY = scroller.scrollTop)}>
  <div class="content" style="height:{RULER_HEIGHT + view.files.length * LANE_HEIGHT + 12}px">
    <!-- svelte-ignore a11y_click_events_have_key_events -->
    <canvas bind:this={canvas} style="width:{Math.max(0, width - NAMES)}px;height:{height}px;margin-left:{NAMES}px" aria-hidden="true" {onclick}></canvas>
    <div class="names" style="width:{NAMES}px">
      <div class="corner cap" style="height:{RULER_HEIGHT}px">{tempo ? 'bars' : 'time'}</div>
      <ul bind:this={list} aria-label="Printed files">
        {#each view.files as file, i (file.name)}
          <li style="height:{LANE_HEIGHT}px" class:selected={i === selected}>
            <button class="mono" title={file.name} aria-pressed={i === selected} tabindex={i === selected ? 0 : -1} onclick={() => (selected = i)} {onkeydown}>{stem(file.name)}</button>
            {#if file.silent}<span class="badge ochre">silent</span>{:else if file.nearlySilent}<span class="badge ochre">nearly</span>{/if}
            {#if (file.fullScaleSamples ?? 0) > 0}<span class="badge rust">full</span>{/if}
            {#if file.sameAs}<span class="badge ochre">same</span>{/if}
          </li>
        {/each}
      </ul>
    </div>
  </div>
</div>

<style>
  .scroller { flex: 1; min-height: 0; overflow-y: auto; }
  .content { display: grid; min-height: 100%; }
  canvas { grid-area: 1 / 1; position: sticky; top: 0; align-self: start; }
  .names { grid-area: 1 / 1; z-index: 1; background: var(--sheet); height: fit-content; }
  .corner { position: sticky; top: 0; background: var(--sheet); border-bottom: 1px solid var(--rule); text-align: right; padding: 9px 8px 0; z-index: 2; }
  li { display: flex; align-items: center; gap: 5px; padding: 0 6px 0 14px; border-bottom: 1px solid var(--rule2); }
  li.selected { background: var(--teal-wash); }
  button { flex: 1; min-width: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; text-align: left; height: 100%; cursor: pointer; }
</style>
