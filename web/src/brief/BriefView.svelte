<script lang="ts">
  import { onDestroy } from 'svelte';
  import { push } from 'svelte-spa-router';
  import client, { answer } from '../lib/api/client';
  import { briefs } from '../lib/catalogue/briefs.svelte';
  import Header from '../lib/chrome/Header.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { STATIONS } from '../lib/signal/stations';
  import { openHandoff } from '../lib/state/open';
  import { Served } from '../lib/state/served.svelte';
  import { DEPTH_WORDS, rate } from '../lib/units';
  import { decoded } from './code';

  /** What somebody who asks for files wants, opened from their link: it is kept, and a session's plan is laid out by it. */
  let { params }: { params: { code: string } } = $props();
  const document = $derived(decoded(params.code));
  const brief = $derived(document?.brief);
  const shelf = new Served({
    key: ['shelf'],
    ask: (signal) => answer(client.GET('/api/sessions', { signal })),
  });
  onDestroy(() => shelf.close());
  let receiver = $state('');
  let busy = $state(false);

  const KINDS = { audio: 'Recorded rows', instrument: 'Instruments', part: 'Parts of instruments' } as const;
  const MORE = { bus: 'Groups', return: 'Returns', mix: 'The mix' } as const;
  const asked = $derived(
    Object.entries({ ...KINDS, ...MORE })
      .map(([kind, words]) => ({
        words,
        at: STATIONS.filter(({ station }) =>
          brief?.stations[kind as keyof typeof brief.stations]?.includes(station),
        ).map(({ name }) => name),
      }))
      .filter(({ at }) => at.length),
  );
  const format = $derived(
    [
      brief?.settings.format?.toUpperCase(),
      brief?.settings.depth && DEPTH_WORDS[brief.settings.depth],
      brief?.settings.rate && rate(brief.settings.rate),
    ]
      .filter(Boolean)
      .join(', '),
  );

  async function attempt(act: () => Promise<unknown>) {
    busy = true;
    try {
      await act();
    } catch (thrown) {
      toasts.wrong(thrown);
    } finally {
      busy = false;
    }
  }

  const keep = () =>
    attempt(async () => {
      const kept = await briefs.takeIn(document!);
      toasts.say(`“${kept.brief.name}” is among your briefs.`);
    });

  const layOut = (sessionId: string) =>
    attempt(async () => {
      const kept = await briefs.takeIn(document!);
      const store = openHandoff(sessionId);
      await store.load();
      await store.create(receiver.trim() || kept.brief.name, kept.brief);
      await push(`/s/${sessionId}/plan`);
    });
</script>

<Header />
<main>
  {#if !brief}
    <section class="empty">
      <h2>No brief here</h2>
      <p>The link was cut off or changed underway. Ask for it again, or for the brief as a file.</p>
    </section>
  {:else}
    <p class="cap">A BRIEF FOR YOU</p>
    <h1><span class="tape">{brief.name}</span></h1>
    <p>Somebody tells you how they want a session. Choose one, and its plan is laid out so; you can change it there.</p>
    <dl class="facts-list">
      {#each asked as { words, at } (words)}<dt>{words}</dt>
        <dd>{at.join(', ')}</dd>{/each}
      {#if format}<dt>Format</dt>
        <dd>{format}</dd>{/if}
    </dl>
    <label class="for"
      >For <Field placeholder={brief.name} maxlength="80" bind:value={receiver} aria-label="Who it is for" /></label
    >
    <ul aria-label="Sessions">
      {#each shelf.data?.sessions ?? [] as session (session.id)}
        <li>
          <span><b>{session.title}</b> <span class="cap">{session.artist}</span></span>
          <Button kind="main" disabled={busy} onclick={() => layOut(session.id)}>Lay out its plan</Button>
        </li>
      {:else}
        <li class="cap">There is no session yet. Keep the brief, bring a song in, and choose it there.</li>
      {/each}
    </ul>
    <Button disabled={busy} onclick={keep}>Keep it among my briefs</Button>
  {/if}
</main>

<style>
  main {
    max-width: 720px;
    width: 100%;
    margin: 0 auto;
    padding: 30px 20px;
    overflow-y: auto;
  }
  h1 {
    font-size: 25px;
    font-weight: 720;
    margin: 4px 0 14px;
  }
  .tape {
    background: var(--tape);
    padding: 4px 14px;
  }
  dl {
    margin: 16px 0;
  }
  .for {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  ul {
    margin: 14px 0;
    border-top: 2px solid var(--ink);
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    padding: 8px 0;
    border-bottom: 1px solid var(--rule2);
  }
</style>
