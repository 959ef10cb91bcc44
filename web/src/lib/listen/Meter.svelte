<script lang="ts">
  import { signed } from '../units';

  /** Two bars from -48 dBFS to full scale, the held peak as a stroke, and in figures. */
  let { peaks, held }: { peaks: [number, number]; held: [number, number] } = $props();
  const LOWEST = -48;
  const db = (amplitude: number) => (amplitude > 0 ? 20 * Math.log10(amplitude) : -Infinity);
  const share = (amplitude: number) => Math.min(1, Math.max(0, (db(amplitude) - LOWEST) / -LOWEST)) * 100;
  const loudest = $derived(Math.max(held[0], held[1]));
</script>

<div
  class="meter"
  role="meter"
  aria-label="Level"
  aria-valuemin={LOWEST}
  aria-valuemax="0"
  aria-valuenow={Math.max(LOWEST, Math.round(db(loudest)))}
>
  {#each [0, 1] as side (side)}
    <span class="bar"
      ><span class="fill" style="width:{share(peaks[side]!)}%"></span><span
        class="held"
        class:over={held[side]! >= 1}
        style="left:{share(held[side]!)}%"
      ></span></span
    >
  {/each}
</div>
<span class="mono figure" class:over={loudest >= 1}>{loudest > 0.00001 ? `${signed(db(loudest))}` : '–'}</span>

<style>
  .meter {
    width: 92px;
    display: grid;
    gap: 2px;
  }
  .bar {
    height: 6px;
    background: var(--rule2);
    position: relative;
    overflow: hidden;
    border-radius: 2px;
  }
  .fill {
    position: absolute;
    inset: 0 auto 0 0;
    background: var(--moss);
  }
  .held {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    margin-left: -2px;
    background: var(--ink);
  }
  .held.over {
    background: var(--rust);
  }
  .figure {
    width: 40px;
    text-align: right;
  }
  .figure.over {
    color: var(--rust-ink);
    font-weight: 600;
  }
</style>
