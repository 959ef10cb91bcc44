<script lang="ts">
  import Button from '../controls/Button.svelte';
  import { written } from '../numbers';
  import { MoonOutline, RedoOutline, SunOutline, UndoOutline } from 'flowbite-svelte-icons';
  import type { SessionStore } from '../state/session.svelte';
  import { minutes, rate } from '../units';
  import { me } from '../state/me.svelte';
  import { theme } from './theme.svelte';

  /** @prop edits whether the session is edited in this view, so that undo belongs here */
  let { store, right = '', edits = false }: { store?: SessionStore; right?: string; edits?: boolean } = $props();
  const session = $derived(store?.session);
  const depths = $derived([...new Set(session?.recordings.map((r) => depthWord(r.sample)))]);

  function depthWord(sample: string): string {
    const bits = sample.replace(/\D+/g, '');
    return sample.startsWith('float') ? `${bits}-bit float` : `${bits}-bit`;
  }
</script>

<header>
  <a class="logo" href="#/" aria-label="Apodex, all sessions">
    <svg width="20" height="22" viewBox="0 0 20 22" aria-hidden="true">
      <path d="M2 1v20" stroke="var(--ink)" stroke-width="2" /><path
        d="M3 4h15M3 11h10M3 18h15"
        stroke="var(--rust)"
        stroke-width="3"
      />
    </svg>
    apodex
  </a>
  {#if session && store}
    <h1 class="tape">{session.song.title}</h1>
    <div class="facts">
      {#if session.song.artist}<span class="artist">{session.song.artist}</span>{/if}
      <b>{rate(session.rate)}</b>
      <b>{depths.length > 2 ? 'mixed depths' : depths.join(' + ')}</b>
      {#if session.song.meter || session.song.tempo}
        <b
          >{session.song.meter ?? ''}
          {#if session.song.tempo}♩ {written(session.song.tempo)}{/if}</b
        >
      {/if}
      {#if session.song.key}<b>{session.song.key}</b>{/if}
      <b>{minutes(store.frames / session.rate)}</b>
    </div>
  {/if}
  <div class="tools">
    {#if right}<span class="cap">{right}</span>{/if}
    <a class="guide" href="#/guide">Guide</a>
    {#if me.all && (me.name || me.atDesk)}<a class="guide" href="#/account">{me.name ?? 'This desk'}</a>{/if}
    {#if edits && store?.state}
      <Button
        disabled={!store.state.undo || store.busy}
        title={store.state.undo ? `Undo: ${store.state.undo}` : 'Nothing to undo'}
        onclick={() => store.undo()}
      >
        <UndoOutline class="h-4 w-4" />Undo
      </Button>
      <Button
        disabled={!store.state.redo || store.busy}
        title={store.state.redo ? `Redo: ${store.state.redo}` : 'Nothing to redo'}
        onclick={() => store.redo()}
      >
        <RedoOutline class="h-4 w-4" />Redo
      </Button>
    {/if}
    <Button onclick={() => theme.toggle()} aria-pressed={theme.night}>
      {#if theme.night}<SunOutline class="h-4 w-4" />Paper{:else}<MoonOutline class="h-4 w-4" />Night{/if}
    </Button>
  </div>
</header>

<style>
  .guide {
    color: var(--ink2);
    padding: 4px 6px;
  }
  .guide:hover {
    color: var(--teal);
    text-decoration: underline;
  }
  header {
    height: 54px;
    flex: none;
    display: flex;
    align-items: center;
    gap: 18px;
    padding: 0 18px;
    border-bottom: 2px solid var(--ink);
  }
  .logo {
    display: flex;
    align-items: center;
    gap: 9px;
    font-weight: 760;
    font-stretch: 112%;
    font-size: 18px;
    letter-spacing: -0.01em;
  }
  .tape {
    background: var(--tape);
    padding: 5px 14px 5px 12px;
    font-weight: 640;
    font-size: 15px;
    position: relative;
    transform: rotate(-0.25deg);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    max-width: 300px;
    min-width: 60px;
    clip-path: polygon(
      0 0,
      100% 0,
      calc(100% - 4px) 20%,
      100% 40%,
      calc(100% - 4px) 60%,
      100% 80%,
      calc(100% - 4px) 100%,
      4px 100%,
      0 80%,
      4px 60%,
      0 40%,
      4px 20%
    );
  }
  .facts {
    display: flex;
    gap: 14px;
    color: var(--ink2);
    white-space: nowrap;
    overflow: hidden;
    min-width: 0;
  }
  .facts b {
    color: var(--ink);
    font-weight: 600;
  }
  .artist {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .tools {
    margin-left: auto;
    display: flex;
    align-items: center;
    gap: 8px;
    flex: none;
  }
</style>
