<script lang="ts">
  import type { AudioRow, Drawing, Session } from '../lib/api/types';
  import { theme } from '../lib/chrome/theme.svelte';
  import type { Tempo } from '../lib/time/tempo';
  import { barTicks, timeTicks } from '../lib/time/ticks';
  import { activeClips } from '../lib/waveform/clips';
  import { colours, drawClipWave, prepare } from '../lib/waveform/draw';
  import { tiles } from '../lib/waveform/tiles';

  /** A stretch of a row with what a finding is about marked; for sides, left in ink and right in teal laid over it. */
  let {
    session,
    drawing,
    tempo,
    height = 132,
  }: { session: Session; drawing: Drawing; tempo?: Tempo; height?: number } = $props();
  let canvas: HTMLCanvasElement;
  let width = $state(0);
  let arrived = $state(0);

  $effect(() => tiles.onArrival(() => arrived++));
  $effect(() => {
    void [arrived, theme.night];
    const { ink, scale } = prepare(canvas, width, height);
    draw(ink, scale, colours(canvas));
  });

  function draw(ink: CanvasRenderingContext2D, scale: number, tint: (name: string) => string) {
    const row = session.rows.find((each) => each.id === drawing.row);
    if (row?.type !== 'audio') return;
    const columns = width * scale;
    const high = height * scale;
    const perColumn = Math.max(1e-6, (drawing.to - drawing.from) / Math.max(1, columns));
    const origin = -drawing.from / perColumn;
    for (const mark of drawing.marks) {
      ink.fillStyle = tint('rust-wash');
      ink.fillRect(origin + mark.start / perColumn, 0, Math.max(2 * scale, (mark.end - mark.start) / perColumn), high);
    }
    ink.fillStyle = tint('rule');
    ink.fillRect(0, high / 2, columns, scale);
    ink.setLineDash([4 * scale, 3 * scale]);
    ink.strokeStyle = tint('rust');
    for (const y of [8 * scale, high - 8 * scale]) {
      ink.beginPath();
      ink.moveTo(0, y);
      ink.lineTo(columns, y);
      ink.stroke();
    }
    ink.setLineDash([]);
    const sides = drawing.kind === 'sides';
    wave(ink, row as AudioRow, origin, perColumn, columns, high, scale, sides ? 0 : undefined, tint('ink'));
    if (sides) {
      ink.globalAlpha = 0.62;
      wave(ink, row as AudioRow, origin, perColumn, columns, high, scale, 1, tint('teal'));
      ink.globalAlpha = 1;
    }
    ticks(ink, origin, perColumn, scale, tint, high);
  }

  function wave(
    ink: CanvasRenderingContext2D,
    row: AudioRow,
    origin: number,
    perColumn: number,
    columns: number,
    high: number,
    scale: number,
    side: number | undefined,
    colour: string,
  ) {
    ink.fillStyle = colour;
    for (const clip of activeClips(row)) {
      const one =
        side === undefined
          ? clip
          : { ...clip, firstChannel: clip.firstChannel + Math.min(side, clip.channels - 1), channels: 1 };
      const x = origin + clip.position / perColumn;
      const end = origin + (clip.position + clip.frames) / perColumn;
      drawClipWave(
        ink,
        session,
        one,
        origin,
        perColumn,
        Math.max(0, x),
        Math.min(columns, end),
        high / 2,
        high / 2 - 8 * scale,
      );
    }
  }

  function ticks(
    ink: CanvasRenderingContext2D,
    origin: number,
    perColumn: number,
    scale: number,
    tint: (name: string) => string,
    high: number,
  ) {
    const from = drawing.from / session.rate;
    const to = drawing.to / session.rate;
    const gap = (90 * scale * perColumn) / session.rate;
    const list = tempo ? barTicks(tempo, from, to, gap) : timeTicks(from, to, gap);
    ink.font = `${11 * scale}px "IBM Plex Mono"`;
    ink.fillStyle = tint('ink2');
    for (const tick of list) {
      if (tick.label)
        ink.fillText(
          tempo ? `bar ${tick.label}` : tick.label,
          origin + (tick.seconds * session.rate) / perColumn + 3 * scale,
          high - 12 * scale,
        );
    }
    ink.fillText('0 dBFS', 4 * scale, 19 * scale);
  }
</script>

<div
  bind:clientWidth={width}
  style="height:{height}px"
  role="img"
  aria-label={drawing.kind === 'sides' ? 'Left and right laid over each other' : 'Where it is, drawn'}
>
  <canvas bind:this={canvas} style="width:{width}px;height:{height}px"></canvas>
</div>

<style>
  div {
    border: 1px solid var(--rule);
    background: var(--sheet);
  }
</style>
