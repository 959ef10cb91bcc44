<script lang="ts">
  import Field from '../lib/controls/Field.svelte';
  import Button from '../lib/controls/Button.svelte';
  import { written } from '../lib/numbers';
  import { Refusal } from '../lib/api/client';
  import type { Song } from '../lib/api/types';
  import { toasts } from '../lib/chrome/toasts.svelte';
  import type { SessionStore } from '../lib/state/session.svelte';

  let { store }: { store: SessionStore } = $props();

  const FIELDS = [
    { name: 'title', words: 'Title', hint: '' },
    { name: 'artist', words: 'Artist', hint: '' },
    { name: 'tempo', words: 'Tempo', hint: 'quarter notes a minute' },
    { name: 'meter', words: 'Meter', hint: 'like 3/4' },
    { name: 'key', words: 'Key', hint: 'like G major' },
  ] as const;
  type Field = (typeof FIELDS)[number]['name'];

  // svelte-ignore state_referenced_locally
  let typed = $state<Record<Field, string>>(texts(store.session!.song));
  let wrong = $state<{ field: string; words: string }>();
  const changed = $derived(FIELDS.some(({ name }) => typed[name].trim() !== texts(store.session!.song)[name]));

  // What an undo or another window changed is shown, unless something is being typed.
  // svelte-ignore state_referenced_locally
  let shown = store.session!.song;
  $effect(() => {
    const song = store.session!.song;
    if (song !== shown) {
      const before = texts(shown);
      const now = texts(song);
      shown = song;
      // what is being typed stays
      for (const { name } of FIELDS) if (typed[name].trim() === before[name]) typed[name] = now[name];
      wrong = undefined;
    }
  });

  function texts(song: Song): Record<Field, string> {
    return {
      title: song.title,
      artist: song.artist,
      tempo: song.tempo === null ? '' : written(song.tempo),
      meter: song.meter ?? '',
      key: song.key ?? '',
    };
  }

  async function save(event?: SubmitEvent) {
    event?.preventDefault();
    if (!changed) return;
    const tempoText = typed.tempo.trim().replace(',', '.');
    const now = store.session!.song;
    // what is only shown rounded stays as exact as it is
    const tempo = tempoText === texts(now).tempo ? now.tempo : tempoText === '' ? null : Number(tempoText);
    if (tempo !== null && !Number.isFinite(tempo)) {
      wrong = { field: 'tempo', words: `“${typed.tempo}” is not a tempo; write a number.` };
      return;
    }
    try {
      await store.edit({
        type: 'setSong',
        title: typed.title,
        artist: typed.artist,
        tempo,
        meter: typed.meter,
        key: typed.key,
      });
      wrong = undefined;
    } catch (thrown) {
      const field = thrown instanceof Refusal ? thrown.problem.field : undefined;
      if (field) wrong = { field, words: (thrown as Error).message };
      else toasts.wrong(thrown);
    }
  }
</script>

<form onsubmit={save} aria-label="Song facts" novalidate>
  <p class="cap">SONG FACTS</p>
  {#each FIELDS as field (field.name)}
    <div class="field" class:narrow={field.name !== 'title' && field.name !== 'artist'}>
      <label class="cap" for="song-{field.name}">{field.words}</label>
      <Field
        id="song-{field.name}"
        bind:value={typed[field.name]}
        placeholder={field.hint || undefined}
        autocomplete="off"
        aria-invalid={wrong?.field === field.name}
        aria-describedby={wrong?.field === field.name ? 'song-wrong' : undefined}
      />
    </div>
  {/each}
  {#if wrong}<p id="song-wrong" class="wrong" role="alert">{wrong.words}</p>{/if}
  <div class="do">
    <Button kind="main" type="submit" disabled={!changed || store.busy}>Keep</Button>
    {#if changed}<Button
        type="button"
        onclick={() => {
          typed = texts(store.session!.song);
          wrong = undefined;
        }}>Put back</Button
      >{/if}
  </div>
</form>

<style>
  .field {
    display: grid;
    grid-template-columns: 58px 1fr;
    align-items: center;
    gap: 8px;
    margin-top: 7px;
  }
  .wrong {
    color: var(--rust-ink);
    margin-top: 8px;
  }
  .do {
    display: flex;
    gap: 8px;
    margin: 12px 0 0 66px;
  }
</style>
