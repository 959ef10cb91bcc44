<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import client, { answer } from '../lib/api/client';
  import type { components } from '../lib/api/schema.gen';
  import HousePage from '../lib/chrome/HousePage.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import Failure from '../lib/Failure.svelte';
  import Loading from '../lib/Loading.svelte';
  import { Served } from '../lib/state/served.svelte';
  import { moment } from '../lib/units';

  /** Messages that would have been sent, had a mail server been told. */
  const outbox = new Served({
    key: ['outbox'],
    ask: (signal) => answer(client.GET('/api/outbox', { signal })),
    again: () => 4_000,
  });
  onDestroy(() => outbox.close());
  let shown = $state.raw<components['schemas']['Whole']>();

  /** The newest lies open until another is chosen. */
  $effect(() => {
    const newest = outbox.data?.letters[0]?.name;
    if (newest && !untrack(() => shown)) void show(newest);
  });

  async function show(name: string) {
    try {
      shown = await answer(client.GET('/api/outbox/{name}', { params: { path: { name } } }));
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
</script>

<HousePage title="Outbox">
  {#if outbox.failure}
    <Failure words={outbox.failure} retry={() => outbox.load()} />
  {:else if !outbox.data}
    <Loading words="Looking into the outbox…" />
  {:else}
    <p class="cap">
      {outbox.data.sends
        ? 'Mail goes out by the server that was told; what lies here is from before.'
        : 'No mail server was told, so messages stay here, as .eml files in the data folder that every mail program opens.'}
    </p>
    <div class="two">
      <ul aria-label="Messages">
        {#each outbox.data.letters as letter (letter.name)}
          <li>
            <button type="button" aria-pressed={shown?.letter.name === letter.name} onclick={() => show(letter.name)}>
              <b>{letter.subject}</b>
              <span class="cap">to {letter.to} · {moment(letter.at)}</span>
            </button>
          </li>
        {:else}
          <li class="empty">
            <h2>Nothing lies here</h2>
            <p>A pickup link that is made with a mail address puts its message here, and so do answers of receivers.</p>
          </li>
        {/each}
      </ul>
      {#if shown}
        <article aria-label="Message">
          <p class="cap">To {shown.letter.to}</p>
          <h2>{shown.letter.subject}</h2>
          <pre>{shown.text}</pre>
        </article>
      {/if}
    </div>
  {/if}
</HousePage>

<style>
  .two {
    display: grid;
    grid-template-columns: minmax(280px, 2fr) 3fr;
    gap: 24px;
    margin-top: 14px;
  }
  .two:not(:has(article)) {
    grid-template-columns: 1fr;
  }
  ul {
    border-top: 2px solid var(--ink);
  }
  li {
    border-bottom: 1px solid var(--rule2);
  }
  button {
    width: 100%;
    text-align: left;
    padding: 8px 10px;
    display: grid;
    gap: 2px;
  }
  button:hover,
  button[aria-pressed='true'] {
    background: var(--band);
  }
  article {
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-radius: 4px;
    padding: 14px 18px;
    align-self: start;
  }
  h2 {
    font-weight: 680;
    margin-bottom: 10px;
  }
  pre {
    font-family: inherit;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
</style>
