<script lang="ts">
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import client, { answer } from '../lib/api/client';
  import type { DeedLine, Passkey } from '../lib/api/types';
  import HousePage from '../lib/chrome/HousePage.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { me } from '../lib/state/me.svelte';
  import { moment } from '../lib/units';
  import { addPasskey, passkeysWork } from '../door/passkeys';
  import DeedList from '../sharing/DeedList.svelte';

  let typed = $state<string>();
  const mail = $derived(typed ?? me.all?.mail ?? '');
  let before = $state('');
  let after = $state('');
  let label = $state('');
  let passkeys = $state.raw<Passkey[]>([]);
  let log = $state.raw<DeedLine[]>([]);

  onMount(async () => me.become(await answer(client.GET('/api/me')))); // in how many browsers changes elsewhere
  $effect(() => {
    if (me.name) {
      void listKeys();
      void listDeeds();
    }
  });

  async function attempt(work: () => Promise<unknown>, done: string) {
    try {
      await work();
      toasts.say(done, 'good');
      if (me.name) await listDeeds();
    } catch (thrown) {
      if ((thrown as Error).name !== 'NotAllowedError') toasts.wrong(thrown);
    }
  }

  const listKeys = async () => (passkeys = await answer(client.GET('/api/me/passkeys')));

  const listDeeds = async () => (log = await answer(client.GET('/api/me/log')));

  const saveMail = (event: SubmitEvent) => {
    event.preventDefault();
    void attempt(
      async () => me.become(await answer(client.PUT('/api/me/mail', { body: { mail } }))),
      mail ? `News go to ${mail}.` : 'News go nowhere.',
    );
  };
  const changePhrase = (event: SubmitEvent) => {
    event.preventDefault();
    void attempt(async () => {
      await answer(client.PUT('/api/me/phrase', { body: { before, after } }));
      before = after = '';
      me.become(await answer(client.GET('/api/me')));
    }, 'The pass phrase is changed; other browsers are signed out.');
  };
  const add = (event: SubmitEvent) => {
    event.preventDefault();
    void attempt(async () => {
      await addPasskey(label || 'This device');
      label = '';
      await listKeys();
    }, 'You can sign in with this passkey now.');
  };
  const remove = (id: string) =>
    attempt(async () => {
      await answer(client.DELETE('/api/me/passkeys/{id}', { params: { path: { id } } }));
      await listKeys();
    }, 'That passkey opens nothing any more.');

  async function signOut(everywhere: boolean) {
    await attempt(
      async () => {
        await (everywhere
          ? answer(client.POST('/api/me/sign-out-everywhere'))
          : answer(client.POST('/api/me/sign-out')));
        me.become(await answer(client.GET('/api/me')));
        await push('/sign-in');
      },
      everywhere ? 'You are signed out everywhere.' : 'You are signed out.',
    );
  }
</script>

<HousePage
  title="Account"
  called={me.name ?? 'This desk'}
  over={me.atDesk ? 'NOBODY SIGNS IN HERE: ONLY THIS MACHINE REACHES IT' : 'YOUR ACCOUNT'}
>
  <section>
    <h2>News</h2>
    <p>What receivers do with your links is told by mail: fetched, all arrived, a problem.</p>
    <form onsubmit={saveMail}>
      <label
        >Mail to <Field
          type="email"
          class="min-w-72"
          placeholder="nowhere"
          maxlength="254"
          bind:value={() => mail, (now) => (typed = String(now))}
        /></label
      >
      <Button type="submit">Keep it</Button>
      <a href="#/outbox">Outbox</a>
      <a href="#/space">Space and bin</a>
    </form>
  </section>

  {#if !me.atDesk && me.name}
    <section>
      <h2>Pass phrase</h2>
      <form onsubmit={changePhrase}>
        <input class="sr-only" autocomplete="username" value={me.name} readonly tabindex="-1" aria-hidden="true" />
        <label>Now <Field type="password" autocomplete="current-password" bind:value={before} required /></label>
        <label
          >New <Field
            type="password"
            autocomplete="new-password"
            minlength={12}
            maxlength="128"
            bind:value={after}
            required
          /></label
        >
        <Button type="submit">Change it</Button>
      </form>
    </section>
    <section>
      <h2>Passkeys</h2>
      <p>A passkey lies on a device or in its key store, and signs in with a finger, a face or a touch.</p>
      <ul aria-label="Passkeys">
        {#each passkeys as key (key.id)}
          <li>
            <b>{key.label}</b>
            <span class="cap">since {moment(key.created)}{key.lastUsed ? `, used ${moment(key.lastUsed)}` : ''}</span>
            <Button size="small" onclick={() => remove(key.id)} aria-label="Remove passkey {key.label}">Remove</Button>
          </li>
        {:else}<li class="cap">None yet.</li>{/each}
      </ul>
      {#if passkeysWork()}
        <form onsubmit={add}>
          <label>Called <Field placeholder="This device" maxlength="60" bind:value={label} /></label>
          <Button type="submit">Add a passkey</Button>
        </form>
      {:else}
        <p class="cap">This browser makes none, or not over an address without encryption.</p>
      {/if}
    </section>
    <section>
      <h2>Signed in</h2>
      <p>In {me.all?.logins === 1 ? 'this browser only' : `${me.all?.logins} browsers`}.</p>
      <p class="row">
        <Button onclick={() => signOut(false)}>Sign out</Button>
        <Button kind="danger" onclick={() => signOut(true)}>Sign out everywhere</Button>
      </p>
      <DeedList deeds={log} alone />
    </section>
  {/if}
</HousePage>

<style>
  section {
    border-top: 2px solid var(--ink);
    margin-top: 22px;
    padding-top: 10px;
  }
  h2 {
    font-weight: 680;
    font-size: 14px;
  }
  form,
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 10px;
    margin: 10px 0;
  }
  label {
    display: flex;
    align-items: center;
    gap: 6px;
    color: var(--ink2);
    font-size: 12px;
    white-space: nowrap;
  }
  a {
    color: var(--teal);
    text-decoration: underline;
  }
  li {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule2);
  }
  li span {
    flex: 1;
  }
</style>
