<script lang="ts">
  import { theme } from '../chrome/theme.svelte';
  import { colours, drawPicture, prepare } from './draw';

  /** A printed file as it looks, over its whole length. */
  let { picture, height, colour = 'ink' }: { picture: Int16Array; height: number; colour?: string } = $props();
  let canvas: HTMLCanvasElement;
  let width = $state(0);

  $effect(() => {
    void theme.night;
    const { ink, scale } = prepare(canvas, width, height);
    ink.fillStyle = colours(canvas)('rule');
    ink.fillRect(0, (height * scale) / 2, width * scale, 1);
    ink.fillStyle = colours(canvas)(colour);
    drawPicture(ink, picture, { x: 0, y: 0, width: width * scale, height: height * scale });
  });
</script>

<div bind:clientWidth={width} style="height:{height}px">
  <canvas bind:this={canvas} style="width:{width}px;height:{height}px" aria-hidden="true"></canvas>
</div>
