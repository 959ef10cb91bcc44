<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Segments from '../lib/Segments.svelte';
  import type { FindingsStore } from '../lib/state/findings.svelte';
  import type { Found, Row } from '../lib/api/types';
  import { byRow, bySeverity, counts } from './order';
  import SeverityMark from './SeverityMark.svelte';

  let { store, rows, selected = $bindable() }: { store: FindingsStore; rows: Row[]; selected?: string } = $props();
  const ORDERS = [
    ['worst', 'worst'],
    ['row', 'row'],
  ] as const;
  let list: HTMLDivElement;

  const groups = $derived(store.by === 'row' ? byRow(store.open, rows) : bySeverity(store.open));
  const shown = $derived([...groups.flatMap((group) => group.findings), ...store.left]);
  const report = $derived(store.report);
  const safe = $derived(report?.safe ?? 0);

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
    event.preventDefault();
    const at = shown.findIndex((found) => found.finding.key === selected);
    const next = shown[Math.min(shown.length - 1, Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1)))];
    selected = next?.finding.key;
    if (next) list.querySelector<HTMLElement>(`[data-key="${CSS.escape(next.finding.key)}"]`)?.focus();
  }
</script>

{#snippet line(found: Found)}
  {@const finding = found.finding}
  <button
    class:on={finding.key === selected}
    class:left={found.dismissed}
    data-key={finding.key}
    aria-pressed={finding.key === selected}
    onclick={() => (selected = finding.key)}
    {onkeydown}
    tabindex={finding.key === selected || (!selected && found === shown[0]) ? 0 : -1}
  >
    <SeverityMark severity={finding.severity} />
    <span><b>{finding.title}</b><span class="words">{finding.words}</span></span>
  </button>
{/snippet}

<section aria-label="Findings">
  <div class="head">
    <h2>Findings</h2>
    <span class="cap">{counts(report?.open)}</span>
    <div class="by">
      <Segments label="Grouped by" options={ORDERS} value={store.by} onchoose={(by) => store.order(by)} />
    </div>
  </div>
  {#if report && report.unmeasured > 0}
    <div class="measuring" role="status">
      <span class="cap">Reading recordings: {report.recordings - report.unmeasured} of {report.recordings}</span>
      <progress max={report.recordings} value={report.recordings - report.unmeasured} aria-label="Recordings read"
      ></progress>
    </div>
  {/if}
  <div class="list" bind:this={list}>
    {#each groups as group (group.title)}
      <h3 class="cap">{group.title}</h3>
      {#each group.findings as found (found.finding.key)}{@render line(found)}{/each}
    {:else}
      <p class="ready">
        <b>{report?.unmeasured ? 'Nothing so far.' : 'Ready.'}</b>
        {report?.unmeasured ? 'Recordings are still being read.' : 'Nothing waits here before you plan.'}
      </p>
    {/each}
    {#if store.left.length}
      <h3 class="cap">Left as they are</h3>
      {#each store.left as found (found.finding.key)}{@render line(found)}{/each}
    {/if}
    {#if store.untold}<Button class="m-3" onclick={() => store.more()}
        >{store.untold.toLocaleString('en')} more · show the next</Button
      >{/if}
  </div>
  {#if safe}<div class="foot">
      <Button
        class="w-full"
        onclick={() => store.takeAllThatIsSafe()}
        title="Names, notes and the order of rows; nothing that sounds">Put right all that is safe ({safe})</Button
      >
    </div>{/if}
</section>

<style>
  .by {
    margin-left: auto;
  }
  section {
    width: 348px;
    flex: none;
    border-right: 1px solid var(--rule);
    display: flex;
    flex-direction: column;
    min-height: 0;
    background: var(--side);
  }
  .head {
    height: 46px;
    flex: none;
    display: flex;
    align-items: center;
    gap: 5px;
    padding: 0 12px 0 16px;
    border-bottom: 1px solid var(--rule);
  }
  h2 {
    font-size: 13.5px;
    font-weight: 680;
  }
  .head .cap {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .measuring {
    padding: 8px 16px;
    border-bottom: 1px solid var(--rule2);
  }
  progress {
    display: block;
    width: 100%;
    height: 5px;
    margin-top: 4px;
    accent-color: var(--teal);
  }
  .list {
    flex: 1;
    overflow: auto;
    min-height: 0;
  }
  h3 {
    padding: 9px 16px 4px;
  }
  .list button {
    display: flex;
    gap: 10px;
    width: 100%;
    text-align: left;
    padding: 8px 14px;
    border-bottom: 1px solid var(--rule2);
    cursor: pointer;
  }
  .list button.on {
    background: var(--teal-wash);
  }
  .list button b {
    display: block;
    font-weight: 640;
  }
  .list button span {
    min-width: 0;
  }
  .words {
    display: block;
    color: var(--ink2);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    width: 282px;
  }
  .left {
    opacity: 0.66;
  }
  .ready {
    padding: 18px 16px;
    color: var(--ink2);
  }
  .foot {
    flex: none;
    padding: 10px 16px;
    border-top: 1px solid var(--rule);
  }
</style>
