<script lang="ts">
  import { push } from 'svelte-spa-router';
  import client, { answer } from '../lib/api/client';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Loading from '../lib/Loading.svelte';
  import { me } from '../lib/state/me.svelte';
  import DoorPage from './DoorPage.svelte';

  let { params }: { params: { token: string } } = $props();
  const path = $derived({ token: params.token });
  const whose = $derived(answer(client.GET('/api/welcome/{token}', { params: { path } })));
  let passPhrase = $state('');
  let again = $state('');
  let wrong = $state('');

  async function settle(event: SubmitEvent) {
    event.preventDefault();
    if (passPhrase !== again) {
      wrong = 'The two are not the same.';
      return;
    }
    try {
      me.become(await answer(client.POST('/api/welcome/{token}', { params: { path }, body: { passPhrase } })));
      await push('/');
    } catch (thrown) {
      wrong = (thrown as Error).message;
    }
  }
</script>

<DoorPage title="Welcome" over="YOUR ACCOUNT">
  {#await whose}
    <Loading words="Looking at the link…" />
  {:then { name }}
    <p>You are <b>{name}</b> here. Choose a pass phrase: twelve letters at least, a few words are good.</p>
    <form onsubmit={settle}>
      <input class="sr-only" autocomplete="username" value={name} readonly tabindex="-1" aria-hidden="true" />
      <label
        >Pass phrase <Field
          type="password"
          bind:value={passPhrase}
          autocomplete="new-password"
          maxlength="128"
          required
        /></label
      >
      <label
        >Once more <Field
          type="password"
          bind:value={again}
          autocomplete="new-password"
          maxlength="128"
          required
        /></label
      >
      {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
      <Button kind="main" type="submit">Come in</Button>
    </form>
  {:catch thrown}
    <p role="alert">{(thrown as Error).message}</p>
  {/await}
</DoorPage>
