<script lang="ts">
  import 'uplot/dist/uPlot.min.css';
  import uPlot from 'uplot';
  import { theme } from '../lib/chrome/theme.svelte';
  import type { SumProof } from '../lib/api/types';
  import { colours } from '../lib/waveform/draw';
  import { minutes, signed } from '../lib/units';

  /** What is left of the reference mix when the files are taken from it, over time. */
  let { sum, seconds }: { sum: SumProof; seconds: number } = $props();
  let box: HTMLDivElement;

  $effect(() => {
    void theme.night;
    const colour = colours(box);
    const lowest = -200;
    const values = sum.curveDbfs.map((db) => (db <= lowest ? null : db));
    const known = values.filter((db): db is number => db !== null);
    const top = Math.max(sum.limitDbfs + 10, ...known, -60);
    const bottom = Math.min(sum.limitDbfs - 20, ...known) - 5;
    const axis = {
      stroke: colour('ink2'),
      grid: { stroke: colour('rule2'), width: 1 },
      ticks: { show: false },
      font: '12px "IBM Plex Mono"',
    };
    const plot = new uPlot(
      {
        width: box.clientWidth,
        height: 120,
        legend: { show: false },
        cursor: { show: false },
        scales: { x: { time: false, range: [0, seconds] }, y: { range: [bottom, top] } },
        axes: [
          { ...axis, size: 22, values: (_, ticks) => ticks.map((tick) => minutes(tick, 0)) },
          { ...axis, size: 44, values: (_, ticks) => ticks.map((tick) => signed(tick, 0)) },
        ],
        series: [
          {},
          { stroke: colour(sum.addsUp ? 'teal' : 'rust'), width: 1.5, spanGaps: false },
          { stroke: colour('ochre'), width: 1, dash: [4, 4] },
        ],
      },
      [
        sum.curveDbfs.map((_, i) => ((i + 0.5) / sum.curveDbfs.length) * seconds),
        values,
        sum.curveDbfs.map(() => sum.limitDbfs),
      ],
      box,
    );
    return () => plot.destroy();
  });
</script>

<h3>What is left when the files are taken from the mix</h3>
<div
  class="curve"
  bind:this={box}
  role="img"
  aria-label="Leftover over time, at most {sum.peakDbfs === null ? 'nothing' : `${sum.peakDbfs.toFixed(0)} dBFS`}"
></div>
<p class="cap">
  {#if sum.peakDbfs === null}Nothing at all.{:else}Loudest at {sum.place}, {signed(sum.peakDbfs)} dBFS; rounding alone explains
    {signed(sum.limitDbfs, 0)}.{/if}
</p>
{#if sum.culprits.length}
  <ul>
    {#each sum.culprits as culprit, i (i)}<li>
        <b>{culprit.words}</b>{#if culprit.leftoverDbfs !== null}
          <span class="cap">put right, {signed(culprit.leftoverDbfs, 0)} dB would be left</span>{/if}
      </li>{/each}
  </ul>
{/if}

<style>
  .curve {
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  li {
    padding: 3px 0;
    color: var(--rust-ink);
  }
  p {
    margin-top: 4px;
  }
</style>
