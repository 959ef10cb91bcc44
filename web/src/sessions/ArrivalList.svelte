<script lang="ts">
  import { Progressbar } from 'flowbite-svelte';
  import { bytes, count, minutes } from '../lib/units';
  import type { Arrivals } from './arrivals.svelte';

  let { arrivals, onstop }: { arrivals: Arrivals; onstop: () => void } = $props();
  const refused = $derived(arrivals.files.filter((file) => file.state === 'refused').length + arrivals.fromZips.length);
  const share = $derived(
    arrivals.total ? arrivals.files.reduce((sum, file) => sum + file.share * file.size, 0) / arrivals.total : 0,
  );
  const pace = $derived(
    (arrivals.perSecond === undefined ? '' : `, ${bytes(arrivals.perSecond)} a second`) +
      (arrivals.secondsLeft === undefined ? '' : `, ${minutes(Math.ceil(arrivals.secondsLeft), 0)} left`),
  );
  const heading = $derived.by(() => {
    switch (arrivals.state) {
      case 'arriving':
        return `${count(arrivals.files.length, 'file')} arriving, ${bytes(arrivals.total)}${pace}`;
      case 'reading':
        return `All here. Reading ${count(arrivals.files.length, 'file')}…`;
      case 'failed':
        return arrivals.failure ?? '';
      case 'done':
        return `${count(arrivals.imported!.brought.length, 'recording')} came in${refused ? `, ${refused} did not` : ''}${arrivals.imported!.offers ? `; ${count(arrivals.imported!.offers, 'offer')} to make one row of several` : ''}`;
    }
  });
</script>

<section aria-label="Arriving files" aria-live="polite">
  <header>
    <h3 class:wrong={arrivals.state === 'failed'}>{heading}</h3>
    {#if arrivals.state === 'done'}
      <a class="main-button" href="#/s/{arrivals.imported!.id}">Open the session</a>
    {:else if arrivals.state === 'failed'}
      <button class="plain" onclick={onstop}>Close</button>
    {:else}
      <button class="plain" onclick={onstop}>Stop</button>
    {/if}
  </header>
  {#if arrivals.state === 'arriving'}<Progressbar
      progress={Math.round(share * 100)}
      size="h-1.5"
      color="primary"
    />{/if}
  <ul>
    {#each [...arrivals.files.filter((f) => f.state === 'refused'), ...arrivals.files.filter((f) => f.state !== 'refused')] as file, i (i)}
      <li class={file.state}>
        <span class="name mono">{file.name}</span>
        {#if file.state === 'refused'}
          <span class="reason">{file.reason ?? 'Not taken.'}</span><span class="badge rust">refused</span>
        {:else}
          <span class="bar"><span style="width:{file.share * 100}%"></span></span>
          <span class="cap size">{bytes(file.size)}</span>
          <span class="badge {file.state === 'in' ? 'moss' : 'teal'}"
            >{file.state === 'in'
              ? 'in'
              : file.state === 'reading'
                ? 'reading'
                : `${Math.round(file.share * 100)} %`}</span
          >
        {/if}
      </li>
    {/each}
    {#each arrivals.imported?.remarks ?? [] as remark, i (i)}
      <li>
        <span class="name mono">{remark.file}</span><span class="remark">{remark.reason}</span><span class="badge ochre"
          >noted</span
        >
      </li>
    {/each}
    {#each arrivals.imported?.missing ?? [] as name (name)}
      <li>
        <span class="name mono">{name}</span><span class="remark"
          >Named by a list and not here. Drop it on the open session, and it takes its place.</span
        ><span class="badge ochre">missing</span>
      </li>
    {/each}
    {#each arrivals.fromZips as refusal, i (i)}
      <li class="refused">
        <span class="name mono">{refusal.file}</span><span class="reason">{refusal.reason}</span><span
          class="badge rust">refused</span
        >
      </li>
    {/each}
  </ul>
</section>

<style>
  section {
    border: 1px solid var(--rule);
    border-radius: 8px;
    margin-top: 14px;
    background: var(--sheet);
    padding: 12px 16px;
  }
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin-bottom: 8px;
    gap: 16px;
  }
  h3 {
    font-size: 14px;
    font-weight: 660;
  }
  h3.wrong {
    color: var(--rust-ink);
  }
  ul {
    max-height: 300px;
    overflow: auto;
    margin-top: 8px;
  }
  li {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 5px 0;
    border-top: 1px solid var(--rule2);
  }
  .name {
    flex: 0 1 300px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .reason {
    flex: 1;
    color: var(--rust-ink);
  }
  .remark {
    flex: 1;
    color: var(--ink2);
  }
  .bar {
    flex: 1;
    height: 5px;
    background: var(--rule2);
    border-radius: 3px;
    overflow: hidden;
  }
  .bar span {
    display: block;
    height: 100%;
    background: var(--teal);
  }
  .size {
    width: 62px;
    text-align: right;
  }
  .badge {
    min-width: 52px;
    text-align: center;
  }
</style>
