<script lang="ts">
  import { push } from 'svelte-spa-router';
  import client, { answer } from '../lib/api/client';
  import Button from '../lib/controls/Button.svelte';
  import Loading from '../lib/Loading.svelte';
  import { moment } from '../lib/units';
  import { RIGHTS } from '../sharing/rights';
  import DoorPage from './DoorPage.svelte';

  let { params }: { params: { token: string } } = $props();
  const path = $derived({ token: params.token });
  const offered = $derived(answer(client.GET('/api/invitations/{token}', { params: { path } })));
  let wrong = $state('');

  async function join() {
    try {
      const { sessionId } = await answer(client.POST('/api/invitations/{token}', { params: { path } }));
      await push(`/s/${sessionId}`);
    } catch (thrown) {
      wrong = (thrown as Error).message;
    }
  }
</script>

<DoorPage title="An invitation" over="TO A SESSION">
  {#await offered}
    <Loading words="Looking at the link…" />
  {:then offer}
    <p>{offer.owner} lets you in to <b>{offer.title}</b>. You {RIGHTS[offer.may]}.</p>
    <p class="cap">The invitation is for one, and ends {moment(offer.endsAt)}.</p>
    {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
    <p class="go"><Button kind="main" onclick={join}>Take it</Button></p>
  {:catch thrown}
    <p role="alert">{(thrown as Error).message}</p>
  {/await}
</DoorPage>

<style>
  .go {
    margin-top: 16px;
  }
</style>
