<script lang="ts">
  import client, { answer } from '../lib/api/client';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { me } from '../lib/state/me.svelte';
  import DoorPage from './DoorPage.svelte';
  import { passkeysWork, signInByPasskey } from './passkeys';
  import { goBack } from './signIn';

  let name = $state('');
  let passPhrase = $state('');
  let wrong = $state('');
  let busy = $state(false);

  async function attempt(by: () => Promise<unknown>) {
    busy = true;
    wrong = '';
    try {
      await by();
      me.become(await answer(client.GET('/api/me')));
      await goBack();
    } catch (thrown) {
      wrong = (thrown as Error).name === 'NotAllowedError' ? 'No passkey was chosen.' : (thrown as Error).message;
      passPhrase = '';
    } finally {
      busy = false;
    }
  }

  const signIn = (event: SubmitEvent) => {
    event.preventDefault();
    void attempt(() => answer(client.POST('/api/me/sign-in', { body: { name, passPhrase } })));
  };
</script>

<DoorPage title="Sign in" over="THE HOUSE IS OPEN TO THOSE WHO ARE KNOWN">
  <form onsubmit={signIn}>
    <label>Name <Field bind:value={name} autocomplete="username webauthn" maxlength="60" required /></label>
    <label>Pass phrase <Field type="password" bind:value={passPhrase} autocomplete="current-password" required /></label
    >
    {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
    <div class="row">
      <Button kind="main" type="submit" disabled={busy}>Sign in</Button>
      {#if passkeysWork()}<Button disabled={busy} onclick={() => attempt(signInByPasskey)}>With a passkey</Button>{/if}
    </div>
  </form>
  <p class="cap">Whoever runs this Apodex makes accounts, and a new link for a pass phrase that was lost.</p>
</DoorPage>

<style>
  .row {
    display: flex;
    gap: 8px;
    margin-top: 4px;
  }
</style>
