<script lang="ts">
  import Button from '../../lib/controls/Button.svelte';
  import type { Move } from '../../lib/api/types';
  import { lanePoints } from '../../lib/signal/words';

  /** A lane of moves, drawn: click sets a point, drag moves one, double-click or Delete takes it out. */
  let {
    label,
    moves,
    frames,
    lowest,
    highest,
    unit,
    onset,
  }: {
    label: string;
    moves: Move[];
    frames: number;
    lowest: number;
    highest: number;
    unit: string;
    onset: (moves: Move[]) => void;
  } = $props();
  const WIDTH = 288;
  const HEIGHT = 76;
  const PAD = 5;
  let svg: SVGSVGElement;
  let held = $state<number>();
  let draft = $state.raw<Move[]>();

  const shown = $derived(draft ?? moves);
  const points = $derived(
    lanePoints(shown, frames, lowest, highest).map(({ x, y }) => ({
      x: PAD + x * (WIDTH - 2 * PAD),
      y: PAD + y * (HEIGHT - 2 * PAD),
    })),
  );
  const path = $derived(
    points.length
      ? `M0 ${points[0]!.y} ` + points.map(({ x, y }) => `L${x} ${y}`).join(' ') + ` L${WIDTH} ${points.at(-1)!.y}`
      : '',
  );

  function at(event: MouseEvent): Move {
    const box = svg.getBoundingClientRect();
    const x = Math.min(1, Math.max(0, (((event.clientX - box.left) / box.width) * WIDTH - PAD) / (WIDTH - 2 * PAD)));
    const y = Math.min(1, Math.max(0, (((event.clientY - box.top) / box.height) * HEIGHT - PAD) / (HEIGHT - 2 * PAD)));
    return { frame: Math.round(x * frames), value: Math.round((highest - y * (highest - lowest)) * 10) / 10 };
  }

  function down(event: PointerEvent) {
    const spot = at(event);
    const near = moves.findIndex(
      (move) =>
        Math.abs(move.frame - spot.frame) < (frames * 7) / WIDTH &&
        Math.abs(move.value - spot.value) < ((highest - lowest) * 9) / HEIGHT,
    );
    const next =
      near >= 0
        ? [...moves]
        : [...moves.filter((move) => move.frame !== spot.frame), spot].sort((a, b) => a.frame - b.frame);
    held = near >= 0 ? near : next.indexOf(spot);
    draft = next;
    svg.setPointerCapture(event.pointerId);
  }

  function drag(event: PointerEvent) {
    if (held === undefined || !draft) return;
    const spot = at(event);
    const low = held > 0 ? draft[held - 1]!.frame + 1 : 0;
    const high = held < draft.length - 1 ? draft[held + 1]!.frame - 1 : frames;
    draft = draft.map((move, i) =>
      i === held ? { frame: Math.min(high, Math.max(low, spot.frame)), value: spot.value } : move,
    );
  }

  function up() {
    const next = draft;
    draft = undefined;
    held = undefined;
    if (next && JSON.stringify(next) !== JSON.stringify(moves)) onset(next);
  }

  function remove(i: number) {
    onset(moves.filter((_, k) => k !== i));
  }

  function key(event: KeyboardEvent, i: number) {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (event.key === 'Delete' || event.key === 'Backspace') remove(i);
    else if (by)
      onset(
        moves.map((move, k) =>
          k === i ? { ...move, value: Math.min(highest, Math.max(lowest, move.value + by)) } : move,
        ),
      );
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<div class="head">
  <h3>{label}</h3>
  {#if moves.length}<span class="cap">{moves.length} points</span><Button size="small" onclick={() => onset([])}
      >Clear</Button
    >{/if}
</div>
<svg
  bind:this={svg}
  viewBox="0 0 {WIDTH} {HEIGHT}"
  role="group"
  aria-label={label}
  onpointerdown={down}
  onpointermove={drag}
  onpointerup={up}
>
  <rect x="0.5" y="0.5" width={WIDTH - 1} height={HEIGHT - 1} fill="var(--sheet)" stroke="var(--rule)" />
  {#if !moves.length && !draft}<text
      x={WIDTH / 2}
      y={HEIGHT / 2 + 4}
      text-anchor="middle"
      fill="var(--ink2)"
      font-size="11.5">Click to draw moves</text
    >{/if}
  <path d={path} fill="none" stroke="var(--teal)" stroke-width="2" />
  {#each points as { x, y }, i (i)}
    <circle
      cx={x}
      cy={y}
      r="4"
      fill="var(--sheet)"
      stroke="var(--teal)"
      stroke-width="2"
      role="button"
      tabindex="0"
      aria-label="Point {i + 1}: {shown[i]!.value} {unit}"
      ondblclick={() => remove(i)}
      onkeydown={(e) => key(e, i)}
    />
  {/each}
</svg>
{#if held !== undefined && draft}<p class="cap">{draft[held]!.value} {unit}</p>{/if}

<style>
  .head {
    display: flex;
    align-items: baseline;
    gap: 8px;
  }
  svg {
    width: 100%;
    display: block;
    cursor: crosshair;
    touch-action: none;
  }
  circle {
    cursor: move;
  }
</style>
