<script lang="ts">
  import type { Move } from '../api/types';
  import { lanePoints } from './words';

  /** A lane of moves over the whole song: points, straight lines between them. */
  let {
    moves,
    frames,
    lowest,
    highest,
    label,
  }: { moves: Move[]; frames: number; lowest: number; highest: number; label: string } = $props();
  const WIDTH = 288;
  const HEIGHT = 64;
  const points = $derived(
    lanePoints(moves, frames, lowest, highest).map(({ x, y }) => ({
      x: 4 + x * (WIDTH - 8),
      y: 5 + y * (HEIGHT - 10),
    })),
  );
  const path = $derived(
    points.length
      ? `M0 ${points[0]!.y} ` + points.map(({ x, y }) => `L${x} ${y}`).join(' ') + ` L${WIDTH} ${points.at(-1)!.y}`
      : '',
  );
</script>

<svg viewBox="0 0 {WIDTH} {HEIGHT}" role="img" aria-label="{label}: {moves.length} points">
  <rect x="0.5" y="0.5" width={WIDTH - 1} height={HEIGHT - 1} fill="var(--sheet)" stroke="var(--rule)" />
  <path d={path} fill="none" stroke="var(--teal)" stroke-width="2" />
  {#each points as { x, y }, i (i)}<circle
      cx={x}
      cy={y}
      r="3.5"
      fill="var(--sheet)"
      stroke="var(--teal)"
      stroke-width="2"
    />{/each}
</svg>

<style>
  svg {
    width: 100%;
    display: block;
  }
</style>
