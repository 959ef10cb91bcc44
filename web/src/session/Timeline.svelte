<script lang="ts">
  import type { SessionStore } from '../lib/state/session.svelte';
  import { theme } from '../lib/chrome/theme.svelte';
  import { colours, prepare } from '../lib/waveform/draw';
  import { tiles } from '../lib/waveform/tiles';
  import { drawTimeline, ROW_HEIGHT, RULER_HEIGHT } from './drawTimeline';
  import RowHeads from './RowHeads.svelte';
  import { clampZoom, fitting, scrollKeeping } from './scale';

  let { store, selected = $bindable(), zoom = $bindable(0), fit = $bindable(1), pointed = $bindable() }: {
    store: SessionStore;
    selected?: string;
    /** Pixels a second; 0 until the first layout. */
    zoom: number;
    fit: number;
    /** Seconds under the pointer. */
    pointed?: number;
  } = $props();

  const HEADS = 190;
  let scroller: HTMLDivElement;
  let canvas: HTMLCanvasElement;
  let width = $state(0);
  let height = $state(0);
  let scrollX = $state(0);
  let scrollY = $state(0);
  let arrived = $state(0);
  let frame = 0;

  const session = $derived(store.session!);
  const seconds = $derived(store.frames / session.rate);
  const timelineWidth = $derived(Math.max(0, width - HEADS));

  $effect(() => {
    fit = fitting(timelineWidth, seconds);
    if (zoom < fit) zoom = fit;
  });

  $effect(() => tiles.onArrival(() => arrived++));

  $effect(() => {
    void arrived, theme.night;
    const state = { session, tempo: store.tempo, selected, pixelsPerSecond: zoom, scrollX, scrollY, width: timelineWidth, height };
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(() => {
      const { ink, scale } = prepare(canvas, state.width, state.height);
      drawTimeline(ink, scale, colours(canvas), state);
    });
  });

  /** Changes the zoom around a place of the timeline, in pixels from its left edge. */
  export function zoomTo(wanted: number, around = timelineWidth / 2) {
    const after = clampZoom(wanted, fit);
    const scroll = scrollKeeping(around, scrollX, zoom, after);
    zoom = after;
    requestAnimationFrame(() => (scroller.scrollLeft = scroll));
  }

  function onwheel(event: WheelEvent) {
    if (!event.ctrlKey && !event.metaKey) return;
    event.preventDefault();
    zoomTo(zoom * Math.exp(-event.deltaY / 240), event.clientX - canvas.getBoundingClientRect().left);
  }

  function place(event: PointerEvent) {
    const box = canvas.getBoundingClientRect();
    return { x: event.clientX - box.left + scrollX, y: event.clientY - box.top };
  }

  function onpointermove(event: PointerEvent) {
    pointed = Math.min(seconds, place(event).x / zoom);
  }

  function onclick(event: MouseEvent) {
    const y = place(event as PointerEvent).y;
    if (y < RULER_HEIGHT) return;
    selected = session.rows[Math.floor((y - RULER_HEIGHT + scrollY) / ROW_HEIGHT)]?.id ?? selected;
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="scroller" bind:this={scroller} bind:clientWidth={width} bind:clientHeight={height}
  onscroll={() => { scrollX = scroller.scrollLeft; scrollY = scroller.scrollTop; }} {onwheel}
  role="region" aria-label="Timeline" tabindex="0"
>
  <div class="content" style="width:{HEADS + seconds * zoom + (zoom > fit ? 40 : 0)}px;height:{RULER_HEIGHT + session.rows.length * ROW_HEIGHT + 20}px">
    <!-- svelte-ignore a11y_click_events_have_key_events -->
    <canvas
      bind:this={canvas} style="width:{timelineWidth}px;height:{height}px;margin-left:{HEADS}px;left:{HEADS}px"
      {onpointermove} onpointerleave={() => (pointed = undefined)} {onclick} aria-hidden="true"
    ></canvas>
    <div class="heads" style="width:{HEADS}px">
      <div class="corner cap" style="height:{RULER_HEIGHT}px"><span>{store.tempo ? 'bars' : 'no tempo given'}</span><span>time</span></div>
      <RowHeads {store} bind:selected />
    </div>
  </div>
</div>

<style>
  .scroller { flex: 1; min-height: 0; overflow: auto; position: relative; background: var(--sheet); }
  .content { display: grid; min-width: 100%; min-height: 100%; }
  canvas { grid-area: 1 / 1; position: sticky; top: 0; align-self: start; justify-self: start; }
  .heads { grid-area: 1 / 1; position: sticky; left: 0; justify-self: start; background: var(--sheet); border-right: 1px solid var(--rule); z-index: 2; }
  .corner { position: sticky; top: 0; background: var(--sheet); z-index: 3; border-bottom: 1px solid var(--rule); display: flex; flex-direction: column; justify-content: space-between; align-items: flex-end; padding: 5px 8px 2px; }
</style>
