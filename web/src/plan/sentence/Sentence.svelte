<script lang="ts">
  import { rules } from '../../lib/catalogue/rules.svelte';
  import Button from '../../lib/controls/Button.svelte';
  import Check from '../../lib/controls/Check.svelte';
  import Field from '../../lib/controls/Field.svelte';
  import type { Settings } from '../../lib/api/types';
  import { briefs } from '../../lib/catalogue/briefs.svelte';
  import NumberField from '../../lib/NumberField.svelte';
  import type { HandoffStore } from '../../lib/state/handoff.svelte';
  import { DEPTH_WORDS } from '../../lib/units';
  import { CLICKS, DEPTHS, FORMATS, RATES } from '../settingWords';
  import Choices from './Choices.svelte';
  import PartMenu from './PartMenu.svelte';

  /** The handoff as a sentence that reads as what the receiver gets; each part is changed where it stands. */
  let {
    store,
    onbriefs,
    onnew,
    onrange,
    onmore,
  }: {
    store: HandoffStore;
    onbriefs: () => void;
    onnew: () => void;
    onrange: () => void;
    onmore: () => void;
  } = $props();
  const handoff = $derived(store.handoff);
  const settled = $derived(store.state!.settled);
  const plan = $derived(store.state!.plan);
  const parts = $derived(store.state!.sentence);
  const known = $derived(briefs.like(handoff.brief));
  const rates = $derived([...new Set([...RATES, plan.rate])].sort((a, b) => a - b));
  const part = (about: string) => parts.find((each) => each.about === about)!;
  const byHand = $derived(store.state!.byHand);
  const others = $derived(parts.filter((each) => each.about === 'others'));

  const set = (change: Partial<Settings>) => store.set(change);
  /** Lets a setting go that was made by hand. */
  const letGo = (about: string, change: Partial<Settings>) => (part(about).byHand ? () => set(change) : undefined);
</script>

<p class="sentence">
  <PartMenu part={part('brief')} label="Brief">
    {#snippet children(close)}
      <Choices
        label="Brief"
        options={[
          ...(known ? [] : [['', handoff.brief.name] as const]),
          ...briefs.all.map((entry) => [entry.id, entry.brief.name] as const),
        ]}
        value={known?.id ?? ''}
        onchoose={(id) => {
          const entry = briefs.all.find((each) => each.id === id);
          if (entry) void store.setBrief(entry.brief);
        }}
        ondone={close}
      />
      <Button
        size="small"
        class="mt-1.5"
        onclick={() => {
          close();
          onbriefs();
        }}>Briefs…</Button
      >
    {/snippet}
  </PartMenu>, to
  <PartMenu part={part('receiver')} label="For">
    {#snippet children(close)}
      <form
        onsubmit={(e) => {
          e.preventDefault();
          const name = new FormData(e.currentTarget).get('name')!.toString().trim();
          if (name && name !== handoff.name) void store.change((now) => ({ ...now, name }));
          close();
        }}
      >
        <label class="cap"
          >For whom <Field
            name="name"
            class="w-44!"
            value={handoff.name}
            maxlength={rules.longestName}
            autocomplete="off"
          /></label
        >
        <Button type="submit" size="small">Call it so</Button>
      </form>
      {#if store.all.length > 1}
        <Choices
          label="Another handoff of this session"
          options={store.all.map((each) => [each.id, `${each.name} · ${each.brief}`] as const)}
          value={store.id}
          onchoose={(id) => void store.pick(id)}
          ondone={close}
        />
      {/if}
      <Button
        size="small"
        class="mt-1.5"
        onclick={() => {
          close();
          onnew();
        }}>New handoff…</Button
      >
    {/snippet}
  </PartMenu>:
  <PartMenu part={part('format')} label="Kind of file">
    {#snippet children(close)}
      <Choices
        label="Kind of file"
        options={FORMATS}
        value={plan.format}
        onchoose={(format) => set({ format })}
        ondone={close}
        letGo={letGo('format', { format: null })}
      />
    {/snippet}
  </PartMenu>,
  <PartMenu part={part('depth')} label="Sample format">
    {#snippet children(close)}
      <Choices
        label="Sample format"
        options={DEPTHS.map(
          (depth) => [depth, DEPTH_WORDS[depth] + (depth === plan.ownDepth ? ', as recorded' : '')] as const,
        )}
        value={plan.depth}
        onchoose={(depth) => set({ depth })}
        ondone={close}
        letGo={letGo('depth', { depth: null })}
      />
    {/snippet}
  </PartMenu>,
  <PartMenu part={part('rate')} label="Sample rate">
    {#snippet children(close)}
      <Choices
        label="Sample rate"
        options={rates.map((hertz) => [hertz, `${hertz / 1000} kHz`] as const)}
        value={plan.rate}
        onchoose={(rate) => set({ rate })}
        ondone={close}
        letGo={letGo('rate', { rate: null })}
      />
    {/snippet}
  </PartMenu>,
  <PartMenu part={part('range')} label="Range" onopen={onrange} />,
  <PartMenu part={part('leadIn')} label="Lead-in">
    <div class="fields">
      <NumberField
        label="Lead-in"
        value={settled.leadInBars ?? 0}
        unit="bars"
        {...rules.bounds('leadInBars')}
        digits={0}
        onset={(leadInBars) => set({ leadInBars })}
      />
      <label title="Clicks instead of silence, in the file of the click"
        ><Check checked={!!settled.count} onchange={(e) => set({ count: e.currentTarget.checked })} />counted in</label
      >
      {#if part('leadIn').byHand}<Button size="small" onclick={() => set({ leadInBars: null, count: null })}
          >As the brief has it</Button
        >{/if}
    </div>
  </PartMenu>,
  <PartMenu part={part('tail')} label="Tail">
    {#snippet children(close)}
      <div class="fields">
        <NumberField
          label="Tail after the range"
          value={settled.tailSeconds ?? 0}
          unit="s"
          {...rules.bounds('tailSeconds')}
          onset={(tailSeconds) => set({ tailSeconds })}
        />
        <p class="cap">Until quiet: as long as the longest file sounds, and a second more; every file ends there.</p>
        {#if part('tail').byHand}<Button
            size="small"
            onclick={() => {
              void set({ tailSeconds: null });
              close();
            }}
            >{store.state!.behind.tailSeconds === null || store.state!.behind.tailSeconds === undefined
              ? 'Until quiet'
              : 'As the brief has it'}</Button
          >{:else}<Button size="small" onclick={() => set({ tailSeconds: 0 })}>No tail</Button>{/if}
      </div>
    {/snippet}
  </PartMenu>,
  <PartMenu part={part('click')} label="Click">
    {#snippet children(close)}
      <Choices
        label="A file with the beat"
        options={CLICKS}
        value={settled.click ?? 'none'}
        onchoose={(click) => set({ click })}
        ondone={close}
        letGo={letGo('click', { click: null })}
      />
    {/snippet}
  </PartMenu>{#each others as other (other.words)},
    <PartMenu part={other} label="Also" onopen={onmore} />{/each}.
  <Button size="small" onclick={onmore}>More…</Button>
  {#if byHand.length}<span class="by-hand">By hand: {byHand.join(', ')}.</span>
    <Button size="small" onclick={() => store.letGo()}>Let go</Button>{/if}
</p>

<style>
  .sentence {
    flex: 1;
    min-width: 0;
    font-size: 14px;
    line-height: 1.75;
    color: var(--ink2);
    white-space: normal;
  }
  .by-hand {
    display: inline-block;
    margin-left: 10px;
    color: var(--ochre-ink);
    font-size: 12.5px;
  }
  .fields {
    display: grid;
    gap: 8px;
    padding: 4px 6px;
    max-width: 260px;
  }
  .fields label {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  form {
    display: flex;
    gap: 8px;
    align-items: end;
    padding: 2px 6px 8px;
  }
</style>
