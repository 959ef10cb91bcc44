<script lang="ts" module>
  export type TabName = 'session' | 'prepare' | 'plan' | 'print' | 'proof' | 'parcel';
  export interface TabBadge {
    text: string;
    colour: 'teal' | 'ochre' | 'rust' | 'moss';
  }
</script>

<script lang="ts">
  import { openFindings } from '../state/open';
  import { prepareBadge } from './badges';

  let {
    sessionId,
    current,
    badges = {},
  }: {
    sessionId: string;
    current: TabName;
    badges?: Partial<Record<TabName, TabBadge>>;
  } = $props();
  const findings = $derived(openFindings(sessionId));
  const shown = $derived({ ...badges, prepare: prepareBadge(findings.summary) });
  $effect(() => findings.follow());
  const tabs: { name: TabName; words: string }[] = [
    { name: 'session', words: 'Session' },
    { name: 'prepare', words: 'Prepare' },
    { name: 'plan', words: 'Plan' },
    { name: 'print', words: 'Print' },
    { name: 'proof', words: 'Proof' },
    { name: 'parcel', words: 'Parcel' },
  ];
</script>

<nav aria-label="Steps">
  {#each tabs as tab, i (tab.name)}
    <a
      href="#/s/{sessionId}{tab.name === 'session' ? '' : '/' + tab.name}"
      class:on={tab.name === current}
      aria-current={tab.name === current ? 'page' : undefined}
    >
      <span class="n">{i + 1}</span>{tab.words}
      {#if shown[tab.name]}<span class="badge {shown[tab.name]!.colour}">{shown[tab.name]!.text}</span>{/if}
    </a>
  {/each}
</nav>

<style>
  nav {
    height: 38px;
    flex: none;
    display: flex;
    align-items: flex-end;
    padding: 0 18px;
    gap: 2px;
    background: linear-gradient(var(--paper), var(--band));
  }
  a {
    height: 33px;
    padding: 7px 14px 0;
    display: flex;
    gap: 8px;
    border: 1px solid transparent;
    border-bottom: 0;
    border-radius: 7px 7px 0 0;
    color: var(--ink2);
    font-weight: 560;
  }
  a:hover {
    color: var(--ink);
  }
  a.on {
    background: var(--sheet);
    border-color: var(--rule);
    color: var(--ink);
    height: 34px;
    margin-bottom: -1px;
    position: relative;
    z-index: 1;
  }
  .n {
    font-family: 'IBM Plex Mono';
    font-size: 12px;
    color: var(--ink3);
    padding-top: 1px;
  }
  .badge {
    height: 17px;
  }
</style>
