<script lang="ts">
  import { Modal } from 'flowbite-svelte';
  import client, { answer } from '../lib/api/client';
  import type { Right, WhoIsIn } from '../lib/api/types';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { copy } from '../lib/copy';
  import Loading from '../lib/Loading.svelte';
  import { moment } from '../lib/units';
  import DeedList from './DeedList.svelte';
  import { GIVEN, RIGHTS } from './rights';

  /** Lets others in to a session, each by a link of their own; and who did what. */
  let { open = $bindable(), id, title }: { open: boolean; id: string; title: string } = $props();
  const path = $derived({ id });
  let sharing = $state.raw<WhoIsIn>();
  let made = $state('');
  let may = $state<Right>('listen');
  let days = $state(7);

  async function attempt(work: () => Promise<WhoIsIn>) {
    try {
      sharing = await work();
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }

  $effect(() => {
    if (open) void attempt(() => answer(client.GET('/api/sessions/{id}/members', { params: { path } })));
  });
  const log = $derived(
    open && sharing ? answer(client.GET('/api/sessions/{id}/log', { params: { path } })) : Promise.resolve([]),
  );

  const invite = (event: SubmitEvent) => {
    event.preventDefault();
    void attempt(async () => {
      const invited = await answer(
        client.POST('/api/sessions/{id}/invitations', { params: { path }, body: { may, days } }),
      );
      made = location.origin + invited.path;
      await copy('Invitation', made);
      return invited.now;
    });
  };
  const withdraw = (invitation: string) =>
    attempt(() =>
      answer(client.DELETE('/api/sessions/{id}/invitations/{invitation}', { params: { path: { id, invitation } } })),
    );
  const let_ = (member: string, right: Right) =>
    attempt(() =>
      answer(
        client.PUT('/api/sessions/{id}/members/{member}', { params: { path: { id, member } }, body: { may: right } }),
      ),
    );
  const remove = (member: string) =>
    attempt(() => answer(client.DELETE('/api/sessions/{id}/members/{member}', { params: { path: { id, member } } })));
</script>

<Modal bind:open title="Who is in on “{title}”" size="md">
  {#if !sharing}
    <Loading words="Looking who is in…" />
  {:else}
    <ul aria-label="Who is in">
      {#each sharing.members as member (member.id)}
        <li>
          <b>{member.name}</b>
          <Select
            aria-label="What {member.name} may"
            value={member.may}
            onchange={(e) => let_(member.id, e.currentTarget.value as Right)}
          >
            {#each GIVEN as right (right)}<option value={right}>{RIGHTS[right]}</option>{/each}
          </Select>
          <Button size="small" onclick={() => remove(member.id)}>Put out</Button>
        </li>
      {:else}<li class="cap">Nobody but you.</li>{/each}
      {#each sharing.invitations as link (link.id)}
        <li>
          <span class="cap">an invitation nobody took yet: {RIGHTS[link.may]}, until {moment(link.endsAt)}</span>
          <Button size="small" onclick={() => withdraw(link.id)}>Withdraw</Button>
        </li>
      {/each}
    </ul>
    <form onsubmit={invite}>
      <span>Let one more in, who</span>
      <Select aria-label="What they may" value={may} onchange={(e) => (may = e.currentTarget.value as Right)}>
        {#each GIVEN as right (right)}<option value={right}>{RIGHTS[right]}</option>{/each}
      </Select>
      <span>with a link that lasts</span>
      <Field class="max-w-16" type="number" min="1" max="30" aria-label="Days the link lasts" bind:value={days} /> days
      <Button kind="main" type="submit">Make a link</Button>
    </form>
    {#if made}
      <p class="made">
        <span class="cap">For one person with an account, told only now:</span> <code class="mono">{made}</code>
      </p>
    {/if}
    <h3>Who did what</h3>
    {#await log then deeds}<DeedList {deeds} />{/await}
  {/if}
</Modal>

<style>
  ul {
    border-top: 2px solid var(--ink);
  }
  li {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule2);
  }
  li :first-child {
    flex: 1;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    margin: 12px 0;
  }
  .made {
    background: var(--band);
    padding: 8px 10px;
    overflow-wrap: anywhere;
  }
  code {
    user-select: all;
  }
  h3 {
    margin: 10px 0 4px;
  }
</style>
