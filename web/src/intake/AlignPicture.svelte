<script lang="ts">
  import { theme } from '../lib/chrome/theme.svelte';
  import type { Clip, Intake, IntakeFile, Session } from '../lib/api/types';
  import { minutes } from '../lib/units';
  import { colours, drawClipWave, prepare } from '../lib/waveform/draw';
  import { tiles } from '../lib/waveform/tiles';

  /** A file below its reference: the whole of both, and the file's loudest moment so near that samples can be told. */
  let {
    intake,
    file,
    reference,
    asFound,
  }: { intake: Intake; file: IntakeFile; reference: IntakeFile; asFound: boolean } = $props();
  const LANE = 34;
  const NEAR_SECONDS = 0.03;
  let whole: HTMLCanvasElement;
  let near: HTMLCanvasElement;
  let width = $state(0);
  let arrived = $state(0);

  const session = $derived({
    rate: intake.rate,
    recordings: [reference.recording!, file.recording!],
  } as unknown as Session);
  const frame = $derived(asFound && file.seat.place.found ? file.seat.place.found.frame : file.seat.place.frame);
  const length = (each: IntakeFile) => (each.recording!.frames * intake.rate) / each.recording!.rate;
  const clipOf = (each: IntakeFile, position: number): Clip =>
    ({
      recording: each.recording!.sha256,
      firstChannel: 0,
      channels: Math.min(2, each.recording!.channels),
      position,
      offset: 0,
      frames: Math.round(length(each)),
      gainDb: 0,
      fadeIn: { frames: 0, curve: 'straight' },
      fadeOut: { frames: 0, curve: 'straight' },
      inserts: [],
      muted: false,
      inverted: each === file && each.seat.place.inverted,
    }) as Clip;
  const end = $derived(Math.max(length(reference) + reference.seat.place.frame, frame + length(file)));
  const begin = $derived(Math.min(0, frame, reference.seat.place.frame));
  const moment = $derived(frame + (file.heard!.loudest * intake.rate) / file.recording!.rate);

  $effect(() => tiles.onArrival(() => arrived++));
  $effect(() => {
    void [arrived, theme.night];
    draw(whole, begin, end);
    const half = (NEAR_SECONDS * intake.rate) / 2;
    draw(near, moment - half, moment + half);
  });

  function draw(canvas: HTMLCanvasElement, from: number, to: number) {
    const { ink, scale } = prepare(canvas, width, 2 * LANE + 4);
    const tint = colours(canvas);
    const columns = width * scale;
    const framesPerColumn = (to - from) / Math.max(1, columns);
    const lanes = [
      [reference, reference.seat.place.frame, 'rust'],
      [file, frame, 'ink'],
    ] as const;
    lanes.forEach(([each, position, colour], lane) => {
      const middle = (lane * (LANE + 4) + LANE / 2) * scale;
      const clip = clipOf(each, position);
      ink.fillStyle = tint('rule');
      ink.fillRect(0, middle, columns, 1);
      ink.fillStyle = tint(colour);
      const x0 = -from / framesPerColumn;
      const start = x0 + position / framesPerColumn;
      const stop = start + clip.frames / framesPerColumn;
      drawClipWave(
        ink,
        session,
        clip,
        x0,
        framesPerColumn,
        Math.max(0, start),
        Math.min(columns, stop),
        middle,
        (LANE / 2 - 1) * scale,
      );
    });
  }
</script>

<figure bind:clientWidth={width}>
  <canvas bind:this={whole} aria-hidden="true"></canvas>
  <canvas bind:this={near} aria-hidden="true"></canvas>
  <figcaption class="cap">
    above the reference, below the file; the whole, and {(NEAR_SECONDS * 1000).toFixed(0)} ms around {minutes(
      moment / intake.rate,
      3,
    )}
  </figcaption>
</figure>

<style>
  canvas {
    display: block;
    width: 100%;
    height: 72px;
    background: var(--sheet);
    border: 1px solid var(--rule2);
    margin-bottom: 3px;
  }
</style>
