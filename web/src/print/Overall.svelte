<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import type { RunView } from '../lib/api/types';
  import type { RunStore } from '../lib/state/run.svelte';
  import { bytes, count, minutes } from '../lib/units';

  let { run, view, sessionId, onagain }: { run: RunStore; view: RunView; sessionId: string; onagain: () => void } =
    $props();
  const total = $derived(view.files.reduce((sum, file) => sum + file.bytes, 0));
  const time = $derived(
    view.state === 'done'
      ? minutes(view.detail.secondsPrinted)
      : view.detail.secondsLeft === null
        ? '–'
        : minutes(view.detail.secondsLeft, 0),
  );
  const headline = $derived.by(() => {
    switch (view.state) {
      case 'waiting':
        return 'Waiting for its turn';
      case 'printing':
        return `Printing ${count(view.files.length, 'file')}`;
      case 'proofing':
        return view.detail.filesRead < view.files.length
          ? `Reading back ${view.detail.filesRead} of ${view.files.length}`
          : 'Adding up and packing';
      case 'done':
        return `${count(view.files.length, 'file')} printed`;
      case 'failed':
        return 'This run failed';
      case 'cancelled':
        return 'Cancelled';
    }
  });
</script>

<section class={view.state} aria-label="Progress" data-state={view.state}>
  <div>
    <h2>{headline}</h2>
    {#if view.failure}<p class="wrong">{view.failure}</p>{/if}
    {#if view.state === 'cancelled'}<p class="cap">What was printed of it was removed.</p>{/if}
  </div>
  <div class="figures">
    <div><span class="mono value">{Math.floor(view.progress * 100)} %</span><span class="cap">done</span></div>
    <div>
      <span class="mono value">{view.detail.timesRealTime ? `${view.detail.timesRealTime.toFixed(0)}×` : '–'}</span
      ><span class="cap">real time</span>
    </div>
    <div>
      <span class="mono value">{time}</span><span class="cap">{view.state === 'done' ? 'to print' : 'left'}</span>
    </div>
    <div><span class="mono value">{bytes(total)}</span><span class="cap">in all</span></div>
  </div>
  {#if !run.isOver}<Button onclick={() => run.cancel()}>Cancel</Button>
  {:else if view.state === 'done'}<Button kind="main" href="#/s/{sessionId}/proof?run={view.id}">See the proof</Button>
  {:else}<Button kind="main" onclick={onagain}>Print as planned now</Button>{/if}
  <div
    class="track"
    role="progressbar"
    aria-valuenow={Math.round(view.progress * 100)}
    aria-valuemin="0"
    aria-valuemax="100"
    aria-label="All files"
  >
    <span style="width:{view.progress * 100}%"></span>
  </div>
</section>

<style>
  section {
    flex: none;
    display: flex;
    align-items: center;
    gap: 26px;
    padding: 14px 16px 20px;
    border-bottom: 1px solid var(--rule);
    position: relative;
  }
  h2 {
    font-size: 19px;
    font-weight: 700;
  }
  .done h2 {
    color: var(--moss-ink);
  }
  .failed h2,
  .wrong {
    color: var(--rust-ink);
  }
  .figures {
    display: flex;
    gap: 24px;
    margin-left: auto;
  }
  .figures div {
    display: flex;
    flex-direction: column;
    align-items: flex-end;
    white-space: nowrap;
  }
  .value {
    font-size: 15px;
  }
  .track {
    position: absolute;
    left: 0;
    right: 0;
    bottom: 0;
    height: 7px;
    background: var(--rule2);
  }
  .track span {
    display: block;
    height: 100%;
    background: var(--teal);
    transition: width 0.2s linear;
  }
  .done .track span {
    background: var(--moss);
  }
  .failed .track span,
  .cancelled .track span {
    background: var(--rust);
  }
</style>
