<script lang="ts">
  import { theme } from '../chrome/theme.svelte';
  import type { AudioRow, Session } from '../api/types';
  import { colours, drawClipWave, prepare } from './draw';
  import { activeClips } from './clips';
  import { tiles } from './tiles';

  /** A row's clips over the whole song, in one line; ink up to `done`, pale after it. */
  let {
    session,
    row,
    frames,
    height = 62,
    done = 1,
    colour = 'ink',
  }: {
    session: Session;
    row: AudioRow;
    frames: number;
    height?: number;
    done?: number;
    colour?: string;
  } = $props();
  let canvas: HTMLCanvasElement;
  let width = $state(0);
  let arrived = $state(0);

  $effect(() => tiles.onArrival(() => arrived++));
  $effect(() => {
    void [arrived, theme.night];
    const { ink, scale } = prepare(canvas, width, height);
    const tint = colours(canvas);
    const columns = width * scale;
    const framesPerColumn = Math.max(1, frames) / Math.max(1, columns);
    const edge = Math.round(columns * done);
    ink.fillStyle = tint('rule');
    ink.fillRect(0, (height * scale) / 2, columns, 1);
    for (const [from, to, name] of [
      [0, edge, colour],
      [edge, columns, 'rule'],
    ] as const) {
      ink.fillStyle = tint(name);
      for (const clip of activeClips(row)) {
        const x = clip.position / framesPerColumn;
        const end = (clip.position + clip.frames) / framesPerColumn;
        drawClipWave(
          ink,
          session,
          clip,
          0,
          framesPerColumn,
          Math.max(from, x),
          Math.min(to, end),
          (height * scale) / 2,
          (height * scale) / 2 - scale,
        );
      }
    }
  });
</script>

<div bind:clientWidth={width} style="height:{height}px">
  <canvas bind:this={canvas} style="width:{width}px;height:{height}px" aria-hidden="true"></canvas>
</div>
