<script lang="ts">
  import { signed } from '../lib/units';
  import { levelWord } from './level';

  /** @param waiting whether it will be known soon; faint where nothing is printed at it */
  let {
    peakDbfs,
    known,
    waiting = false,
    faint = false,
  }: {
    peakDbfs: number | null;
    known: boolean;
    waiting?: boolean;
    faint?: boolean;
  } = $props();
  const share = $derived(peakDbfs === null ? 0 : Math.max(0, Math.min(1, 1 + peakDbfs / 60)));
  const word = $derived(levelWord(peakDbfs));
</script>

{#if known}
  <span class="row" class:faint>
    <span class="bar"><span class={word} style="width:{share * 100}%"></span></span>
    <span class="mono value">{peakDbfs === null ? 'silent' : (peakDbfs > 0 ? '+' : '') + signed(peakDbfs)}</span>
  </span>
{:else}
  <span class="cap">{waiting ? 'measuring…' : '–'}</span>
{/if}

<style>
  .faint .bar {
    opacity: 0.45;
  }
  .row {
    display: flex;
    align-items: center;
    gap: 8px;
    justify-content: flex-end;
  }
  .bar {
    width: 52px;
    height: 6px;
    border-radius: 3px;
    background: var(--rule2);
    overflow: hidden;
  }
  .bar span {
    display: block;
    height: 100%;
    border-radius: 3px;
  }
  .fine {
    background: var(--moss);
  }
  .hot,
  .low {
    background: var(--ochre);
  }
  .full {
    background: var(--rust);
  }
  .value {
    width: 48px;
    text-align: right;
    color: var(--ink2);
  }
  .faint .value {
    color: var(--ink3);
  }
</style>
