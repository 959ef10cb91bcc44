<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import { CheckCircleOutline, DownloadOutline, PlaySolid, StopSolid } from 'flowbite-svelte-icons';
  import { onDestroy, untrack } from 'svelte';
  import { router } from 'svelte-spa-router';
  import client, { answer, Refusal } from '../lib/api/client';
  import type { ParcelPage } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import { download } from '../lib/download';
  import { Player } from '../lib/listen/player.svelte';
  import { Served } from '../lib/state/served.svelte';
  import { bytes, CHANNEL_WORDS, count, dbfs, minutes, moment, rate } from '../lib/units';
  import PictureWave from '../lib/waveform/PictureWave.svelte';
  import { ANSWER, LONGEST_ANSWER } from './answer';

  /** What a receiver sees: the song, its facts, the files, everything to hear and to fetch, and a way to answer. */
  let { params }: { params: { token: string } } = $props();
  const base = $derived(`/api/p/${params.token}`);
  const served = new Served<ParcelPage>();
  const page = $derived(served.data);
  const failure = $derived(served.failure);
  let passPhrase = $state('');
  let wrong = $state('');
  let pictures = $state.raw<Record<number, Int16Array>>({});
  let answered = $state<'arrived' | 'problem'>();
  /** What an intake found, where the receiver brought the parcel into one. */
  const found = new URLSearchParams(router.querystring ?? '').get(ANSWER) ?? '';
  let telling = $state(found !== '');
  let problem = $state(found.slice(0, LONGEST_ANSWER));
  /** What is heard: a file's place, or all together. */
  let heard = $state<number | 'all'>();
  const player = new Player();
  onDestroy(() => {
    player.stop();
    served.close();
  });
  const parcel = $derived(page?.parcel);
  const whole = $derived(parcel?.zips.filter((zip) => !zip.changesSince) ?? []);
  const changes = $derived(parcel?.zips.findIndex((zip) => zip.changesSince) ?? -1);
  const total = $derived(whole.reduce((sum, zip) => sum + zip.bytes, 0));
  const reference = $derived(parcel?.files.findIndex((file) => file.reference) ?? -1);

  $effect(() => {
    const { token } = params;
    untrack(() =>
      served.about({
        key: ['pickup', token],
        ask: (signal) => answer(client.GET('/api/p/{token}', { params: { path: { token } }, signal })),
        lasting: true, // asking again would tell the sender that it was opened again
      }),
    );
  });
  $effect(() => {
    const files = parcel?.files.length ?? 0;
    untrack(() => void draw(files));
  });

  async function draw(files: number) {
    for (let i = 0; i < files; i++) {
      const response = await fetch(`${base}/files/${i}/picture`);
      if (response.ok) pictures = { ...pictures, [i]: new Int16Array(await response.arrayBuffer()) };
    }
  }

  async function unlock(event: SubmitEvent) {
    event.preventDefault();
    wrong = '';
    try {
      await answer(
        client.POST('/api/p/{token}/unlock', { params: { path: { token: params.token } }, body: { passPhrase } }),
      );
      passPhrase = '';
      await served.load();
    } catch (thrown) {
      wrong = thrown instanceof Refusal ? thrown.message : 'That could not be sent; try again.';
    }
  }

  function listen(what: number | 'all') {
    if (player.playing && heard === what) {
      player.stop();
      return;
    }
    heard = what;
    const also: Record<string, string> = {};
    if (what !== 'all') {
      also.files = String(what);
      also.section = String(parcel!.files[what]!.section);
    }
    void player.play(`${base}/sound`, parcel!.rate, 0, undefined, also);
  }

  async function reply(words: string | null) {
    try {
      await answer(
        client.POST('/api/p/{token}/reply', {
          params: { path: { token: params.token } },
          body: { arrived: words === null, problem: words },
        }),
      );
      answered = words === null ? 'arrived' : 'problem';
      telling = false;
    } catch (thrown) {
      toasts.wrong(thrown);
    }
  }
</script>

<svelte:head><title>{parcel ? `${parcel.song}: for you` : 'A parcel'}</title></svelte:head>
<main class="pickup">
  {#if failure}
    <section class="empty">
      <h2>No parcel here</h2>
      <p>{failure}</p>
    </section>
  {:else if !page}
    <section class="empty"><p>Opening the parcel…</p></section>
  {:else if page.locked}
    <form class="empty" onsubmit={unlock}>
      <h2>A parcel for you</h2>
      <p>It opens with the pass phrase you were told.</p>
      <Field class="my-2" type="password" aria-label="Pass phrase" bind:value={passPhrase} autocomplete="off" />
      {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
      <Button kind="main" type="submit" disabled={!passPhrase}>Open</Button>
    </form>
  {:else if parcel}
    <header>
      <h1><span class="tape">{parcel.song}</span></h1>
      <p>{parcel.artist}</p>
      <p class="cap">{parcel.brief} · for {parcel.receiver} · {parcel.version}</p>
    </header>
    {#if page.message}<blockquote>{page.message}</blockquote>{/if}
    <dl>
      <div>
        <dt class="cap">Files</dt>
        <dd>{parcel.files.length}{parcel.edits ? ` and ${parcel.edits} of edits, in the zip` : ''}</dd>
      </div>
      <div>
        <dt class="cap">Length</dt>
        <dd>{minutes(parcel.sections.reduce((sum, section) => sum + section.frames, 0) / parcel.rate, 0)}</dd>
      </div>
      <div>
        <dt class="cap">Format</dt>
        <dd>{parcel.depth} {rate(parcel.rate)}</dd>
      </div>
      {#if parcel.tempo}<div>
          <dt class="cap">Tempo</dt>
          <dd>{parcel.tempo}</dd>
        </div>{/if}
      {#if parcel.meter}<div>
          <dt class="cap">Meter</dt>
          <dd>{parcel.meter}</dd>
        </div>{/if}
      {#if parcel.key}<div>
          <dt class="cap">Key</dt>
          <dd>{parcel.key}</dd>
        </div>{/if}
    </dl>
    <div class="fetch">
      {#each whole as zip, part (zip.name)}
        <Button kind="main" href="{base}/parcel?part={part}" download="" onclick={download}
          ><DownloadOutline class="h-5 w-5" />{whole.length === 1
            ? `Download everything, ${bytes(total)}`
            : `Download part ${part + 1} of ${whole.length}, ${bytes(zip.bytes)}`}</Button
        >
      {/each}
      {#if changes >= 0}
        {@const since = parcel.zips[changes]!}
        <Button href="{base}/parcel?part={changes}" download="" onclick={download}
          ><DownloadOutline class="h-5 w-5" />Only what changed since {since.changesSince}, {bytes(since.bytes)}</Button
        >
      {/if}
      <Button onclick={() => listen('all')}
        >{#if player.playing && heard === 'all'}<StopSolid class="h-4 w-4" />Stop{:else}<PlaySolid
            class="h-4 w-4"
          />Hear all files together{/if}</Button
      >
      {#if reference >= 0}<Button onclick={() => listen(reference)}
          >{#if player.playing && heard === reference}<StopSolid class="h-4 w-4" />Stop{:else}<PlaySolid
              class="h-4 w-4"
            />Hear the mix{/if}</Button
        >{/if}
      <Button href="{base}/sheet?form=pdf" target="_blank" rel="noreferrer">Session sheet</Button>
    </div>
    {#if player.playing}<p class="mono now" aria-live="off">
        {minutes(player.frame / parcel.rate, 0)}{player.waiting ? ' · coming…' : ''}
      </p>{/if}
    <ul aria-label="Files">
      {#each parcel.files as file, i (i)}
        <li>
          <button
            class="hear"
            aria-label="{player.playing && heard === i ? 'Stop' : 'Hear'} {file.name}"
            onclick={() => listen(i)}
            >{#if player.playing && heard === i}<StopSolid class="h-4 w-4" />{:else}<PlaySolid
                class="h-4 w-4"
              />{/if}</button
          >
          <span class="name mono">{file.name}</span>
          <span class="wave"
            >{#if pictures[i]?.length}<PictureWave
                picture={pictures[i]!}
                height={26}
                colour={file.reference ? 'rust' : 'ink'}
              />{/if}</span
          >
          <span class="cap facts">{CHANNEL_WORDS[file.channels]} · {dbfs(file.peakDbfs)} · {bytes(file.bytes)}</span>
          <Button href="{base}/files/{i}" download="" onclick={download} aria-label="Download {file.name}"
            ><DownloadOutline class="h-4 w-4" /></Button
          >
        </li>
      {/each}
    </ul>
    <section class="reply" aria-label="Answer">
      {#if answered === 'arrived'}<p class="good">
          <CheckCircleOutline class="h-5 w-5" />Thank you. Whoever sent this now knows that all arrived.
        </p>
      {:else if answered === 'problem'}<p>Thank you. Whoever sent this now reads what you wrote.</p>
      {:else if telling}
        <label for="problem">What is wrong, or missing?</label>
        <textarea class="control" id="problem" rows={found ? 12 : 3} maxlength={LONGEST_ANSWER} bind:value={problem}
        ></textarea>
        <div class="fetch">
          <Button kind="main" disabled={!problem.trim()} onclick={() => reply(problem)}>Tell them</Button><Button
            onclick={() => (telling = false)}>Never mind</Button
          >
        </div>
      {:else}
        <div class="fetch">
          <Button kind="main" onclick={() => reply(null)}>All arrived</Button><Button onclick={() => (telling = true)}
            >Something is wrong</Button
          >
        </div>
      {/if}
    </section>
    <footer class="cap">
      {#if page.endsAt}This page ends on {moment(page.endsAt)}.
      {/if}{count(whole.length, 'zip')}, {#if whole.every((zip) => zip.sha256)}SHA-256 {whole
          .map((zip) => zip.sha256!.slice(0, 12) + '…')
          .join(', ')}{:else}checksum being taken…{/if}
    </footer>
  {/if}
</main>

<style>
  /* on a phone as well, unlike the rest */
  :global(#app:has(> main.pickup)) {
    min-width: 0;
  }
  main {
    max-width: 860px;
    width: 100%;
    margin: 0 auto;
    padding: 26px 20px 40px;
    overflow-y: auto;
    flex: 1;
  }
  h1 {
    font-size: 27px;
    font-weight: 720;
  }
  .tape {
    background: var(--tape);
    padding: 4px 16px;
    display: inline-block;
  }
  header p {
    margin-top: 6px;
  }
  blockquote {
    white-space: pre-line;
    border-left: 3px solid var(--teal);
    padding: 6px 14px;
    margin: 16px 0;
    background: var(--sheet);
    overflow-wrap: anywhere;
  }
  dl {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 30px;
    margin: 18px 0;
  }
  dd {
    font-size: 15px;
    font-weight: 640;
  }
  .fetch {
    display: flex;
    flex-wrap: wrap;
    gap: 9px;
    align-items: center;
  }
  .now {
    margin-top: 8px;
  }
  ul {
    margin: 22px 0;
    border-top: 2px solid var(--ink);
  }
  li {
    display: grid;
    grid-template-columns: 30px minmax(150px, 230px) 1fr 180px 40px;
    gap: 10px;
    align-items: center;
    border-bottom: 1px solid var(--rule2);
    min-height: 40px;
  }
  .hear {
    color: var(--teal);
    cursor: pointer;
    padding: 6px;
  }
  .name {
    overflow-wrap: anywhere;
  }
  .wave {
    min-width: 0;
  }
  .facts {
    text-align: right;
  }
  .reply {
    background: var(--sheet);
    border: 1px solid var(--rule);
    padding: 16px;
  }
  .good {
    color: var(--moss-ink);
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .wrong {
    color: var(--rust-ink);
  }
  textarea {
    width: 100%;
    border: 1px solid var(--rule);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    padding: 6px 9px;
    font: inherit;
    margin: 6px 0 10px;
  }
  footer {
    margin-top: 18px;
    overflow-wrap: anywhere;
  }
  @media (max-width: 640px) {
    main {
      padding: 18px 14px 32px;
    }
    li {
      grid-template-columns: 34px 1fr 40px;
      padding: 8px 0;
      gap: 4px 8px;
    }
    .wave {
      grid-column: 1 / -1;
      grid-row: 2;
    }
    .facts {
      grid-column: 1 / -1;
      grid-row: 3;
      text-align: left;
    }
    .fetch :global(.button) {
      flex: 1 1 100%;
      padding-block: 12px;
    }
    .hear,
    li :global(.button) {
      min-height: 40px;
    }
  }
</style>
