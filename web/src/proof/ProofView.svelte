<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { PlaySolid, StopSolid } from 'flowbite-svelte-icons';
  import { onDestroy } from 'svelte';
  import { push } from 'svelte-spa-router';
  import type { RunView, Verdict } from '../lib/api/types';
  import Meter from '../lib/listen/Meter.svelte';
  import { Player } from '../lib/listen/player.svelte';
  import Segments from '../lib/Segments.svelte';
  import SpaceKey from '../lib/SpaceKey.svelte';
  import RunFrame from '../lib/RunFrame.svelte';
  import type { HandoffStore } from '../lib/state/handoff.svelte';
  import { count, minutes, signed } from '../lib/units';
  import FilePanel from './FilePanel.svelte';
  import Lanes from './Lanes.svelte';
  import LeftoverCurve from './LeftoverCurve.svelte';

  let { params }: { params: { id: string } } = $props();
  let selected = $state(0);
  let section = $state(0);
  let reference = $state(false);
  let head = $state(0);
  /** Set by hand; undefined for what together is the song. */
  let chosen = $state.raw<ReadonlySet<number>>();
  const player = new Player();
  onDestroy(() => player.stop());
  const HEARD = [
    ['files', 'Files as received'],
    ['reference', 'Reference mix'],
  ] as const;
  const words = { good: 'proved', fact: 'to know', look: 'to look at', wrong: 'wrong' } as const;
  const path = (file: { folder: string; name: string }) => (file.folder ? `${file.folder}/${file.name}` : file.name);

  /** What is heard when nobody chose: the files that are the song together, also when one of them is not what was printed. */
  function usual(view: RunView): ReadonlySet<number> {
    const name = view.sections[section]!.name;
    const received = view.received.find((each) => each.section === name)?.files;
    const paths = received ?? view.sums.find((each) => each.section === name)?.files ?? [];
    return new Set(
      view.files.flatMap((file, i) =>
        (paths.length ? paths.includes(path(file)) : file.section === section && file.station === 'raw') ? [i] : [],
      ),
    );
  }

  const heard = (view: RunView) => chosen ?? usual(view);

  function hear(view: RunView, file: number, how: 'toggle' | 'alone') {
    const now = heard(view);
    const next = new Set(how === 'alone' ? [file] : now);
    if (how === 'toggle') {
      if (next.has(file)) next.delete(file);
      else next.add(file);
    }
    chosen = how === 'alone' && now.size === 1 && now.has(file) ? undefined : next;
    if (player.playing) begin(view, player.frame / view.rate);
  }

  function begin(view: RunView, from: number) {
    const also: Record<string, string> = { section: String(section) };
    if (reference) also.reference = 'true';
    else also.files = [...heard(view)].join(',');
    const frames = view.sections[section]!.frames;
    void player.play(
      `/api/runs/${view.id}/sound`,
      view.rate,
      Math.min(frames - 1, Math.round(from * view.rate)),
      undefined,
      also,
    );
  }

  function toggle(view: RunView) {
    if (player.playing) {
      head = player.frame / view.rate;
      player.stop();
    } else begin(view, head);
  }

  function place(view: RunView, seconds: number) {
    head = seconds;
    if (player.playing) begin(view, seconds);
  }

  function lookAt(view: RunView, files: string[]) {
    const at = view.files.findIndex((file) => path(file) === files[0]);
    if (at < 0) return;
    section = view.files[at]!.section;
    selected = at;
  }

  function remedy(view: RunView, verdict: Verdict, handoff: HandoffStore) {
    const row = view.files.find((file) => path(file) === verdict.files[0])?.row;
    if (verdict.remedy === 'plan') void push(`/s/${params.id}/plan${row ? `?row=${row}` : ''}`);
    else void handoff.print({ version: view.version }).then((id) => (id ? push(`/s/${params.id}/print`) : undefined));
  }
</script>

<RunFrame
  sessionId={params.id}
  tab="proof"
  which="newest done"
  title="Proof"
  keys={[
    ['Space', 'Listen, stop'],
    ['↑ ↓', 'File above, file below'],
    ['Alt click', 'Hear one file alone'],
    ['Tab', 'From the verdicts to the files'],
  ]}
  none={{
    heading: 'Nothing to prove yet',
    words: 'When a run is printed, every file is read back from the disk, and what was found stands here.',
  }}
>
  {#snippet children({ run, view, session, handoff })}
    {@const at = Math.min(section, view.sections.length - 1)}
    {@const file = view.files[Math.min(selected, view.files.length - 1)]}
    {@const sum = view.sums.find((each) => each.section === view.sections[at]!.name && !each.whyNot)}
    <SpaceKey onpress={() => toggle(view)} />
    <div class="main">
      <ul class="verdicts" aria-label="Verdicts">
        {#each view.verdicts as verdict, i (i)}
          <li class={verdict.grade}>
            {#if verdict.files.length}
              <button onclick={() => lookAt(view, verdict.files)} title={verdict.files.join('\n')}
                ><b>{verdict.headline}</b></button
              >
            {:else}<b>{verdict.headline}</b>{/if}
            <span class="cap"><span class="sr-only">{words[verdict.grade]}: </span>{verdict.detail}</span>
            {#if verdict.remedy !== 'none'}<button class="cap remedy" onclick={() => remedy(view, verdict, handoff)}
                >{verdict.remedy === 'plan' ? 'To the plan' : 'Print again'}</button
              >{/if}
          </li>
        {/each}
      </ul>
      <div class="bar">
        <Button kind="listen" onclick={() => toggle(view)} title="Space"
          >{#if player.playing}<StopSolid class="h-4 w-4" />Stop{:else}<PlaySolid class="h-4 w-4" />Listen{/if}</Button
        >
        <span class="mono"
          >{minutes(player.playing ? player.frame / view.rate : head, 1)}{player.waiting ? ' · coming…' : ''}</span
        >
        <Segments
          label="What is heard"
          options={HEARD}
          value={reference ? 'reference' : 'files'}
          onchoose={(what) => {
            reference = what === 'reference';
            if (player.playing) begin(view, player.frame / view.rate);
          }}
        />
        <span class="cap">equally loud</span>
        <Meter peaks={player.peaks} held={player.held} />
        {#if chosen}<Button
            size="small"
            onclick={() => {
              chosen = undefined;
              if (player.playing) begin(view, player.frame / view.rate);
            }}>Hear all again</Button
          >{/if}
        {#if view.sections.length > 1}<Select
            aria-label="Section"
            value={String(section)}
            onchange={(e) => {
              section = Number(e.currentTarget.value);
              player.stop();
              head = 0;
              chosen = undefined;
              selected = view.files.findIndex((each) => each.section === section);
            }}
            >{#each view.sections as each, i (i)}<option value={String(i)}>{each.name}</option>{/each}</Select
          >{/if}
        <Button
          size="small"
          class="ml-auto"
          onclick={() => run.readAgain()}
          title="Look whether every file is still what was printed">Read again</Button
        >
      </div>
      <Lanes
        {run}
        section={at}
        heard={heard(view)}
        head={player.playing ? player.frame / view.rate : head}
        tempo={view.sections[at]!.start === 0 && view.sections[at]!.leadInFrames === 0 ? session.tempo : undefined}
        bind:selected
        onhear={(i, how) => hear(view, i, how)}
        onplace={(seconds) => place(view, seconds)}
      />
    </div>
    <aside class="side" aria-label="Selected file">
      {#if file}<FilePanel run={view} {file} sessionId={params.id} />{/if}
      {#if sum}<LeftoverCurve {sum} seconds={view.sections[at]!.frames / view.rate} />{/if}
      {#each view.received as received, i (i)}<p class="cap received">
          {received.section ? `${received.section}: ` : ''}{count(received.files.length, 'file')} in a fresh session, against
          {received.against}: {received.peakDbfs === null ? 'nothing left over' : `${signed(received.peakDbfs, 0)} dB`}.
        </p>{/each}
    </aside>
  {/snippet}
</RunFrame>

<style>
  .verdicts {
    flex: none;
    display: flex;
    gap: 7px 24px;
    padding: 11px 18px 9px;
    border-bottom: 1px solid var(--rule);
    flex-wrap: wrap;
    max-height: 232px;
    overflow-y: auto;
  }
  li {
    display: flex;
    flex-direction: column;
    max-width: 236px;
    align-items: flex-start;
  }
  b {
    font-size: 16px;
    font-weight: 720;
    font-stretch: 96%;
    line-height: 1.2;
  }
  button {
    text-align: left;
    cursor: pointer;
  }
  .verdicts button:hover {
    text-decoration: underline;
  }
  .remedy {
    color: var(--teal);
    text-decoration: underline;
  }
  .good b {
    color: var(--moss-ink);
  }
  .fact b {
    color: var(--ink2);
  }
  .look b {
    color: var(--ochre-ink);
  }
  .wrong b {
    color: var(--rust-ink);
  }
  .bar {
    flex: none;
    display: flex;
    align-items: center;
    gap: 12px;
    padding: 6px 14px;
    border-bottom: 1px solid var(--rule);
  }
  .listen {
    display: flex;
    align-items: center;
    gap: 6px;
    background: var(--teal);
    color: var(--on-teal);
    border-radius: 6px;
    padding: 5px 12px;
    font-weight: 600;
    width: 88px;
    justify-content: center;
  }
  .bar .mono {
    width: 100px;
  }
  .slim {
    padding: 4px 9px;
  }
  .again {
    margin-left: auto;
  }
  .received {
    margin-top: 8px;
  }
</style>
