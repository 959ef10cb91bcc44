<script lang="ts">
  import { VolumeMuteOutline, VolumeUpSolid } from 'flowbite-svelte-icons';
  import { theme } from '../lib/chrome/theme.svelte';
  import type { RunStore } from '../lib/state/run.svelte';
  import type { Tempo } from '../lib/time/tempo';
  import { colours, prepare } from '../lib/waveform/draw';
  import { drawLanes, LANE_HEIGHT, RULER_HEIGHT } from './drawLanes';

  let {
    run,
    tempo,
    section,
    heard,
    head,
    selected = $bindable(0),
    onhear,
    onplace,
  }: {
    run: RunStore;
    tempo?: Tempo;
    /** Which stretch of the song is shown. */
    section: number;
    /** Places in the run of the files that are heard. */
    heard: ReadonlySet<number>;
    head?: number;
    selected: number;
    onhear: (file: number, how: 'toggle' | 'alone') => void;
    onplace: (seconds: number) => void;
  } = $props();
  const NAMES = 214;
  let scroller: HTMLDivElement;
  let canvas: HTMLCanvasElement;
  let list: HTMLUListElement;
  let width = $state(0);
  let height = $state(0);
  let scrollY = $state(0);
  const view = $derived(run.view!);
  /** Files of the section, with their places in the run. */
  const shown = $derived(view.files.map((file, i) => ({ file, i })).filter((each) => each.file.section === section));
  const seconds = $derived(view.sections[section]!.frames / view.rate);

  $effect(() => {
    void [run.picturesCome, theme.night];
    const lanes = Math.max(0, width - NAMES);
    const { ink, scale } = prepare(canvas, lanes, height);
    drawLanes(ink, scale, colours(canvas), {
      files: shown.map((each) => each.file),
      picture: (i) => run.picture(shown[i]!.i),
      tempo,
      seconds,
      selected: shown.findIndex((each) => each.i === selected),
      width: lanes,
      height,
      scrollY,
      head,
      quiet: (i) => !heard.has(shown[i]!.i),
    });
  });

  function onkeydown(event: KeyboardEvent) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    const at = Math.min(shown.length - 1, Math.max(0, shown.findIndex((each) => each.i === selected) + step));
    selected = shown[at]!.i;
    list.querySelectorAll<HTMLElement>('button.file')[at]?.focus();
  }

  function onclick(event: MouseEvent) {
    const box = canvas.getBoundingClientRect();
    onplace(Math.max(0, Math.min(seconds, ((event.clientX - box.left - 14) / (box.width - 28)) * seconds)));
    const lane = Math.floor((event.clientY - box.top - RULER_HEIGHT + scrollY) / LANE_HEIGHT);
    if (event.clientY - box.top > RULER_HEIGHT && shown[lane]) selected = shown[lane]!.i;
  }

  const stem = (name: string) => name.replace(/\.(wav|aif|flac)$/, '');
</script>

<div
  class="scroller"
  bind:this={scroller}
  bind:clientWidth={width}
  bind:clientHeight={height}
  onscroll={() => (scrollY = scroller.scrollTop)}
>
  <div class="content" style="height:{RULER_HEIGHT + shown.length * LANE_HEIGHT + 12}px">
    <canvas
      bind:this={canvas}
      style="width:{Math.max(0, width - NAMES)}px;height:{height}px;margin-left:{NAMES}px"
      aria-hidden="true"
      {onclick}
    ></canvas>
    <div class="names" style="width:{NAMES}px">
      <div class="corner cap" style="height:{RULER_HEIGHT}px">{tempo ? 'bars' : 'time'}</div>
      <ul bind:this={list} aria-label="Printed files">
        {#each shown as { file, i } (i)}
          <li style="height:{LANE_HEIGHT}px" class:selected={i === selected}>
            <button
              class="hear"
              class:on={heard.has(i)}
              aria-pressed={heard.has(i)}
              aria-label="Hear {file.name}"
              title="Heard, or not; with Alt alone"
              onclick={(e) => onhear(i, e.altKey ? 'alone' : 'toggle')}
              >{#if heard.has(i)}<VolumeUpSolid class="h-4 w-4" />{:else}<VolumeMuteOutline
                  class="h-4 w-4"
                />{/if}</button
            >
            <button
              class="file mono"
              title={file.name}
              aria-pressed={i === selected}
              tabindex={i === selected ? 0 : -1}
              onclick={() => (selected = i)}
              {onkeydown}>{stem(file.name)}</button
            >
            {#if file.trouble}<span class="badge rust">not read</span>{:else if file.silent}<span class="badge ochre"
                >silent</span
              >{:else if file.nearlySilent}<span class="badge ochre">nearly</span>{/if}
            {#if (file.fullScaleSamples ?? 0) > 0}<span class="badge rust">full</span>{/if}
            {#if file.sameAs}<span class="badge ochre">same</span>{/if}
          </li>
        {/each}
      </ul>
    </div>
  </div>
</div>

<style>
  .scroller {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
  }
  .content {
    display: grid;
    min-height: 100%;
  }
  canvas {
    grid-area: 1 / 1;
    position: sticky;
    top: 0;
    align-self: start;
  }
  .names {
    grid-area: 1 / 1;
    z-index: 1;
    background: var(--sheet);
    height: fit-content;
  }
  .corner {
    position: sticky;
    top: 0;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
    text-align: right;
    padding: 9px 8px 0;
    z-index: 2;
  }
  li {
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 0 6px 0 10px;
    border-bottom: 1px solid var(--rule2);
  }
  li.selected {
    background: var(--teal-wash);
  }
  .hear {
    color: var(--ink3);
    cursor: pointer;
    flex: none;
  }
  .hear.on {
    color: var(--teal);
  }
  .file {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    text-align: left;
    height: 100%;
    cursor: pointer;
  }
</style>
