<script lang="ts">
  import { tick } from 'svelte';
  import type { AudioRow, Marker } from '../lib/api/types';
  import { theme } from '../lib/chrome/theme.svelte';
  import { colours, prepare } from '../lib/waveform/draw';
  import { tiles } from '../lib/waveform/tiles';
  import { hitClip } from './clips/hit';
  import { cursorOf, dragClips, dragLane, dragMarker, dragRuler, type Drag, type Grid } from './drag';
  import { drawTimeline, scrolledBy, scrollTimeline, type TimelineState } from './drawTimeline';
  import type { Editing } from './editing.svelte';
  import { placeAt, places, RULER_HEIGHT, visible } from './layout';
  import RowHeads from './RowHeads.svelte';
  import { clampZoom, fitting, scrollKeeping } from './scale';
  import { snapped } from './snap';

  let {
    editing,
    zoom = $bindable(0),
    fit = $bindable(1),
    pointed = $bindable(),
    loop = $bindable(),
    playing,
    onlocate,
  }: {
    editing: Editing;
    /** Pixels a second; 0 until the first layout. */
    zoom: number;
    fit: number;
    /** Seconds under the pointer. */
    pointed?: number;
    loop?: { start: number; end: number };
    /** Frame that is heard now. */
    playing?: number;
    /** The place where Listen starts was set. */
    onlocate?: (frame: number) => void;
  } = $props();

  const HEADS = 214;
  const ROOM_SECONDS = 8;
  /** So many are drawn all, so that the browser's own search finds them. */
  const ALL_HEADS = 150;
  let scroller: HTMLDivElement;
  let canvas: HTMLCanvasElement;
  let width = $state(0);
  let height = $state(0);
  let scrollX = $state(0);
  let scrollY = $state(0);
  let arrived = $state(0);
  let drag = $state.raw<Drag>();
  let dragged = $state(0);
  let cursor = $state('default');
  let frame = 0;
  /** What stands on the canvas, and what came of tiles, theme and dragging when it was drawn. */
  let drawn: { state: TimelineState; signs: string } | undefined;

  const store = $derived(editing.store);
  const session = $derived(editing.session);
  const seconds = $derived(Math.max(store.frames / session.rate, 4));
  const timelineWidth = $derived(Math.max(0, width - HEADS));
  const all = $derived(places(editing.shown, editing.foldedOut));
  const tall = $derived((all.at(-1)?.top ?? 0) + (all.at(-1)?.height ?? 0));
  const grid: Grid = { snap: (at) => snapped(at, editing.snap, store.tempo, session.rate) };

  $effect(() => {
    fit = fitting(timelineWidth, seconds);
    if (zoom < fit) zoom = fit;
  });

  $effect(() => tiles.onArrival(() => arrived++));

  $effect(() => {
    void [arrived, theme.night, dragged];
    const state = {
      session,
      tempo: store.tempo,
      places: all,
      chosenRows: editing.rows,
      isClipChosen: (row: string, index: number) => editing.isClipChosen(row, index),
      ghost: drag?.ghost,
      head: editing.head,
      playing,
      loop: drag?.loop ?? loop,
      pixelsPerSecond: zoom,
      scrollX,
      scrollY,
      width: timelineWidth,
      height,
      clips: editing.clips,
    };
    const signs = `${arrived} ${theme.night} ${dragged}`;
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(() => {
      if (!canvas) return; // the view was left meanwhile
      const scale = window.devicePixelRatio || 1;
      const by = drawn && drawn.signs === signs ? scrolledBy(drawn.state, state) : undefined;
      if (by !== undefined && Number.isInteger(by * scale) && Math.abs(by) < state.height - RULER_HEIGHT) {
        scrollTimeline(canvas.getContext('2d')!, scale, colours(canvas), state, by);
      } else drawTimeline(prepare(canvas, state.width, state.height).ink, scale, colours(canvas), state);
      drawn = { state, signs };
    });
  });

  /** Changes the zoom around a place of the timeline, in pixels from its left edge. */
  export function zoomTo(wanted: number, around = timelineWidth / 2) {
    const after = clampZoom(wanted, fit);
    const scroll = scrollKeeping(around, scrollX, zoom, after);
    zoom = after;
    requestAnimationFrame(() => (scroller.scrollLeft = scroll));
  }

  /** Brings a row into sight. */
  export async function show(row: string) {
    editing.unfold(row);
    await tick();
    const place = all.find((each) => each.row.id === row);
    if (place && (place.top < scrollY || place.top + place.height > scrollY + height - RULER_HEIGHT))
      scroller.scrollTop = place.top - 80;
  }

  /** Brings a frame into sight. */
  export function reveal(frame: number) {
    const x = (frame / session.rate) * zoom;
    if (x < scrollX || x > scrollX + timelineWidth) scroller.scrollLeft = x - timelineWidth / 3;
  }

  function onwheel(event: WheelEvent) {
    if (!event.ctrlKey && !event.metaKey) return;
    event.preventDefault();
    zoomTo(zoom * Math.exp(-event.deltaY / 240), event.clientX - canvas.getBoundingClientRect().left);
  }

  function place(event: MouseEvent) {
    const box = canvas.getBoundingClientRect();
    // the scroller itself, and not what the last scroll event said: a press can come before that event
    scrollX = scroller.scrollLeft;
    scrollY = scroller.scrollTop;
    const x = event.clientX - box.left + scrollX;
    return { x, y: event.clientY - box.top, frame: (x / zoom) * session.rate };
  }

  function markerAt(x: number, y: number): Marker | undefined {
    if (y > 20) return undefined;
    return session.markers.find(
      (marker) => x >= (marker.frame / session.rate) * zoom - 2 && x <= (marker.frame / session.rate) * zoom + 40,
    );
  }

  function under(at: { y: number; frame: number }) {
    const found = placeAt(all, at.y - RULER_HEIGHT + scrollY);
    if (!found || found.place.row.type !== 'audio' || found.lane >= 0) return { ...found, clip: undefined };
    const row = found.place.row as AudioRow;
    const clip = hitClip(
      editing.active(row).clips,
      at.frame,
      session.rate / zoom,
      at.y - RULER_HEIGHT + scrollY - found.place.top,
      (index) => editing.isClipChosen(row.id, index),
    );
    return { ...found, clip };
  }

  function onpointerdown(event: PointerEvent) {
    if (event.button !== 0) return;
    const at = place(event);
    scroller.focus({ preventScroll: true });
    if (at.y < RULER_HEIGHT) {
      const marker = markerAt(at.x, at.y);
      hold(
        event,
        marker
          ? dragMarker(editing, marker, grid)
          : dragRuler(at.frame, grid, (range, head) => {
              loop = range;
              editing.head = range ? range.start : head;
              onlocate?.(editing.head);
            }),
      );
      return;
    }
    const { place: found, lane, clip } = under(at);
    if (!found) return;
    const row = found.row;
    if (row.type === 'audio' && lane !== undefined && lane >= 0) {
      editing.choose(row.id);
      hold(event, dragLane(editing, row, lane, at.frame, grid));
    } else if (row.type === 'audio' && clip) {
      if (event.shiftKey || event.ctrlKey || event.metaKey) {
        editing.clips = editing.isClipChosen(row.id, clip.index)
          ? editing.clips.filter((each) => each.row !== row.id || each.index !== clip.index)
          : [...editing.clips, { row: row.id, index: clip.index }];
      } else if (!editing.isClipChosen(row.id, clip.index)) {
        editing.choose(row.id);
        editing.clips = [{ row: row.id, index: clip.index }];
      }
      if (editing.isClipChosen(row.id, clip.index))
        hold(event, dragClips(editing, row, clip.index, clip.part, at.frame, grid));
    } else editing.choose(row.id, event.ctrlKey || event.metaKey ? 'toggle' : event.shiftKey ? 'range' : 'alone');
  }

  let pressedAt = { x: 0, y: 0 };
  let moving = false;
  function hold(event: PointerEvent, next: Drag) {
    drag = next;
    moving = false;
    pressedAt = { x: event.clientX, y: event.clientY };
    canvas.setPointerCapture(event.pointerId);
  }

  function onpointermove(event: PointerEvent) {
    const at = place(event);
    pointed = Math.max(0, at.frame / session.rate);
    if (!drag) {
      cursor = at.y < RULER_HEIGHT ? (markerAt(at.x, at.y) ? 'ew-resize' : 'text') : cursorOf(under(at).clip?.part);
      return;
    }
    moving ||= Math.hypot(event.clientX - pressedAt.x, event.clientY - pressedAt.y) > 3;
    if (!moving) return;
    drag.to(at.frame);
    dragged++;
  }

  function onpointerup() {
    const done = drag;
    drag = undefined;
    dragged++;
    done?.drop();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="scroller"
  bind:this={scroller}
  bind:clientWidth={width}
  bind:clientHeight={height}
  onscroll={() => {
    scrollX = scroller.scrollLeft;
    scrollY = scroller.scrollTop;
  }}
  {onwheel}
  role="region"
  aria-label="Timeline"
  tabindex="0"
>
  <div
    class="content"
    style="width:{HEADS + (seconds + (zoom > fit ? ROOM_SECONDS : 0)) * zoom}px;height:{RULER_HEIGHT + tall + 20}px"
  >
    <canvas
      bind:this={canvas}
      style="width:{timelineWidth}px;height:{height}px;margin-left:{HEADS}px;left:{HEADS}px;cursor:{drag?.cursor ??
        cursor}"
      {onpointerdown}
      {onpointermove}
      {onpointerup}
      onpointercancel={() => (drag = undefined)}
      onpointerleave={() => (pointed = undefined)}
      aria-hidden="true"
    ></canvas>
    <div class="heads" style="width:{HEADS}px">
      <div class="corner cap" style="height:{RULER_HEIGHT}px">
        <span>{store.tempo ? 'bars' : 'no tempo given'}</span><span>time</span>
      </div>
      <RowHeads
        {editing}
        places={all}
        seen={all.length > ALL_HEADS ? visible(all, scrollY - height, scrollY + 2 * height) : all}
        onreveal={show}
      />
    </div>
  </div>
</div>

<style>
  .scroller {
    flex: 1;
    min-height: 0;
    overflow: auto;
    position: relative;
    background: var(--sheet);
  }
  .content {
    display: grid;
    min-width: 100%;
    min-height: 100%;
  }
  canvas {
    grid-area: 1 / 1;
    position: sticky;
    top: 0;
    align-self: start;
    justify-self: start;
    touch-action: none;
  }
  .heads {
    grid-area: 1 / 1;
    position: sticky;
    left: 0;
    justify-self: start;
    background: var(--sheet);
    border-right: 1px solid var(--rule);
    z-index: 2;
  }
  .corner {
    position: sticky;
    top: 0;
    background: var(--sheet);
    z-index: 3;
    border-bottom: 1px solid var(--rule);
    display: flex;
    flex-direction: column;
    justify-content: space-between;
    align-items: flex-end;
    padding: 5px 8px 2px;
  }
</style>
