<script lang="ts">
  import type { DeedLine } from '../lib/api/types';
  import { moment } from '../lib/units';

  /** Who did what, the latest first. */
  let { deeds, alone = false }: { deeds: DeedLine[]; alone?: boolean } = $props();
  const WORDS: Record<DeedLine['kind'], string> = {
    signedIn: 'signed in',
    signInFailed: 'could not sign in',
    signedOut: 'signed out',
    changedKeys: 'keys',
    madeLink: 'made a link',
    endedLink: 'ended a link',
    joined: 'came in',
    changedMembers: 'changed who is in',
    opened: 'opened',
    fetched: 'fetched',
    changed: 'changed',
    removed: 'removed',
  };
</script>

<ol>
  {#each deeds as deed, i (i)}
    <li>
      <span class="mono">{moment(deed.at)}</span>
      {#if !alone}<b>{deed.who || 'somebody with a link'}</b>{/if}
      {WORDS[deed.kind]}{deed.words ? `: ${deed.words}` : ''}
    </li>
  {:else}<li class="cap">Nothing yet.</li>{/each}
</ol>

<style>
  ol {
    max-height: 220px;
    overflow: auto;
    border-top: 1px solid var(--rule2);
  }
  li {
    padding: 3px 0;
    border-bottom: 1px solid var(--rule2);
    font-size: 12px;
    overflow-wrap: anywhere;
  }
  .mono {
    color: var(--ink2);
    margin-right: 8px;
  }
</style>
