<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { onDestroy, untrack } from 'svelte';
  import client, { answer } from '../lib/api/client';
  import type { PickupView } from '../lib/api/types';
  import { copy } from '../lib/copy';
  import { Served } from '../lib/state/served.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { count, moment } from '../lib/units';
  import { shownEvents } from './shownEvents';

  /** Links for receivers: make one, see who fetched and what they say, withdraw. */
  let { runId }: { runId: string } = $props();
  const served = new Served<PickupView[]>();
  const links = $derived(served.data ?? []);
  let days = $state(14);
  let passPhrase = $state('');
  let message = $state('');
  let mail = $state('');
  const address = (link: PickupView) => link.url ?? location.origin + link.path;
  const WORDS = { opened: 'opened', fetched: 'fetched', arrived: 'all arrived', problem: 'problem' } as const;

  $effect(() => {
    const path = { runId };
    untrack(() =>
      served.about({
        key: ['run', runId, 'pickups'],
        ask: (signal) => answer(client.GET('/api/runs/{runId}/pickups', { params: { path }, signal })),
        again: () => 5_000,
      }),
    );
  });
  onDestroy(() => served.close());

  async function make(event: SubmitEvent) {
    event.preventDefault();
    try {
      const made = await answer(
        client.POST('/api/runs/{runId}/pickups', {
          params: { path: { runId } },
          body: { days, passPhrase: passPhrase || null, message: message || null, mail: mail || null },
        }),
      );
      served.set([made, ...links]);
      if (mail) toasts.say(`The link goes to ${mail}.`, 'good');
      passPhrase = message = mail = '';
      await copyLink(made);
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  const copyLink = (link: PickupView) => copy('Link', address(link));

  async function withdraw(link: PickupView) {
    try {
      const now = await answer(client.POST('/api/pickups/{id}/withdraw', { params: { path: { id: link.id } } }));
      served.set(links.map((each) => (each.id === now.id ? now : each)));
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  const over = (link: PickupView) => link.withdrawn || new Date(link.endsAt) < new Date();
</script>

<h3>Pickup</h3>
<form onsubmit={make}>
  <label
    >Lasts <Field class="max-w-16" type="number" aria-label="Days the link lasts" min="1" max="365" bind:value={days} /> days</label
  >
  <label
    >Pass phrase <Field
      class="flex-1"
      bind:value={passPhrase}
      maxlength="72"
      placeholder="none"
      autocomplete="off"
    /></label
  >
  <label class="wide"
    >Message <textarea
      class="control flex-1"
      rows="2"
      bind:value={message}
      maxlength="4000"
      placeholder="What they should know"></textarea></label
  >
  <label
    >Mail it to <Field
      class="flex-1"
      type="email"
      bind:value={mail}
      maxlength="254"
      placeholder="nobody"
      autocomplete="off"
    /></label
  >
  <Button kind="main" type="submit">Make a link</Button>
</form>
<ul>
  {#each links as link (link.id)}
    <li class:over={over(link)}>
      <div class="line">
        {#if link.path}<a class="mono" href={link.path} target="_blank" rel="noreferrer">{link.path.slice(0, 14)}…</a>
        {:else}<span class="cap">made with a key that is gone; it opens, but cannot be told again</span>{/if}
        <span class="cap"
          >{link.withdrawn ? 'withdrawn' : over(link) ? 'ended' : `until ${moment(link.endsAt)}`}{link.passPhrase
            ? ', pass phrase'
            : ''}{link.mail ? `, mailed to ${link.mail}` : ''}</span
        >
      </div>
      <div class="line">
        <b>fetched {link.fetched}×</b>
        {#if !over(link)}{#if link.path}<Button size="small" onclick={() => copyLink(link)}>Copy</Button>{/if}<Button
            size="small"
            onclick={() => withdraw(link)}>Withdraw</Button
          >{/if}
      </div>
      {#each shownEvents(link.events) as event, i (i)}
        <p class="cap" class:wrong={event.kind === 'problem'} class:good={event.kind === 'arrived'}>
          {moment(event.at)}: {WORDS[event.kind]}{event.words ? `: ${event.words}` : ''}
        </p>
      {:else}<p class="cap">
          {link.events.length ? `opened ${count(link.events.length, 'time')}` : 'not opened yet'}
        </p>{/each}
    </li>
  {/each}
</ul>

<style>
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
  }
  label {
    display: flex;
    align-items: center;
    gap: 6px;
    font-size: 12px;
    color: var(--ink2);
  }
  .wide {
    align-items: flex-start;
  }
  textarea {
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    padding: 2px 7px;
    font: inherit;
    font-size: 12.5px;
    min-width: 0;
    flex: 1;
  }
  li {
    border-bottom: 1px solid var(--rule2);
    padding: 8px 0;
  }
  li.over {
    opacity: 0.65;
  }
  .line {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .line .cap {
    margin-left: auto;
  }
  .line b {
    flex: 1;
    font-weight: 620;
  }
  .line a {
    text-decoration: underline;
    color: var(--teal);
  }
  .wrong {
    color: var(--rust-ink);
  }
  .good {
    color: var(--moss-ink);
  }
</style>
