<script lang="ts">
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import Check from '../lib/controls/Check.svelte';
  import type { Settings } from '../lib/api/types';
  import { DEPTH_WORDS } from '../lib/units';
  import {
    CHANNELS,
    CLICKS,
    DEPTHS,
    DYNAMICS,
    DYNAMICS_WORDS,
    FOLDERS,
    FORMATS,
    LEVELS,
    LISTENING,
    RATES,
    RETURN_WORDS,
    RETURNS,
  } from './settingWords';
  import { typedNumber } from './typedNumber';

  /** Everything that holds for all files. What is not set here comes from `behind`. */
  let {
    settings,
    behind,
    behindWords,
    onset,
  }: { settings: Settings; behind: Settings; behindWords: string; onset: (change: Partial<Settings>) => void } =
    $props();

  const effective = $derived({
    ...behind,
    ...Object.fromEntries(Object.entries(settings).filter(([, value]) => value !== null && value !== undefined)),
  } as Settings);
  const chosen = (name: keyof Settings) => String(settings[name] ?? '');
  const OPEN_DEPTH = 'as recorded';
  const OPEN_RATE = "the session's";

  function said(name: keyof Settings, options: readonly (readonly [string, string])[], open = ''): string {
    const value = behind[name];
    return value === null || value === undefined
      ? open
      : (options.find(([each]) => each === String(value))?.[1] ?? String(value));
  }
</script>

{#snippet select(name: keyof Settings, label: string, options: readonly (readonly [string, string])[], open = '')}
  <label
    ><span>{label}</span>
    <Select
      value={chosen(name)}
      class={settings[name] !== null && settings[name] !== undefined ? 'set' : ''}
      onchange={(e) =>
        onset({
          [name]:
            e.currentTarget.value === ''
              ? null
              : name === 'rate'
                ? Number(e.currentTarget.value)
                : e.currentTarget.value,
        })}
    >
      <option value="">{behindWords}: {said(name, options, open)}</option>
      {#each options as [value, words] (value)}<option {value}>{words}</option>{/each}
    </Select></label
  >
{/snippet}
{#snippet number(
  name: 'leadInBars' | 'tailSeconds' | 'headroomDb' | 'handleSeconds' | 'splitMegabytes',
  label: string,
  unit: string,
  open: string,
)}
  <label
    ><span>{label}</span><span class="with"
      ><Field
        class={['w-24!', settings[name] !== null && settings[name] !== undefined && 'set']}
        value={settings[name] ?? ''}
        placeholder={String(behind[name] ?? open)}
        inputmode="decimal"
        onchange={(e) =>
          typedNumber(
            e.currentTarget,
            (value) => onset({ [name]: value }),
            () => settings[name],
          )}
      />
      {unit}</span
    ></label
  >
{/snippet}
{#snippet yesNo(
  name: 'count' | 'takes' | 'edits' | 'notes' | 'listening' | 'cues' | 'layOut' | 'document',
  label: string,
)}
  <label class="check" class:set={settings[name] !== null && settings[name] !== undefined}
    ><Check
      checked={!!effective[name]}
      onchange={(e) => onset({ [name]: e.currentTarget.checked === !!behind[name] ? null : e.currentTarget.checked })}
    /><span>{label}</span></label
  >
{/snippet}

<div class="fields">
  {@render select('format', 'Kind of file', FORMATS)}
  {@render select(
    'depth',
    'Sample format',
    DEPTHS.map((depth) => [depth, DEPTH_WORDS[depth]] as const),
    OPEN_DEPTH,
  )}
  {@render select(
    'rate',
    'Rate',
    RATES.map((hertz) => [String(hertz), `${hertz / 1000} kHz`] as const),
    OPEN_RATE,
  )}
  {@render select('sides', 'Channels', CHANNELS)}
  {@render number('leadInBars', 'Lead-in', 'bars', '0')}
  {@render number('tailSeconds', 'Tail', 's', 'until quiet')}
  {@render select('levels', 'Levels', LEVELS)}
  {#if effective.levels === 'headroom'}
    {@render number('headroomDb', 'The loudest stays below full scale by', 'dB', '6')}
  {/if}
  {#if effective.edits}
    {@render number('handleSeconds', 'More of a recording beside each clip', 's', '2')}
  {/if}
  {@render select('click', 'Click from the tempo map', CLICKS)}
  {@render select('folders', 'Folders', FOLDERS)}
  {@render select('listeningAs', 'The mix to listen to', LISTENING)}
  {@render number('splitMegabytes', 'Zips no larger than', 'MB', 'one zip')}
  {@render select('returns', 'Returns at Bus and Mix', RETURNS)}
  {@render select('dynamics', 'Shared dynamics', DYNAMICS)}
</div>
<p class="cap">{RETURN_WORDS[effective.returns ?? 'ownFiles']} {DYNAMICS_WORDS[effective.dynamics ?? 'inPlace']}</p>
<div class="checks">
  {@render yesNo('count', 'Count the lead-in in clicks')}
  {@render yesNo('takes', 'Takes that are not chosen, at Raw')}
  {@render yesNo('edits', 'Edits in the place of files of Raw')}
  {@render yesNo('notes', 'Notes as Standard MIDI Files')}
  {@render yesNo('listening', `A${effective.listeningAs === 'flac' ? ' FLAC' : 'n MP3'} of the reference mix`)}
  {@render yesNo('cues', 'Markers in the files')}
  {@render yesNo('layOut', 'Timeline, clip list and tempo map')}
  {@render yesNo('document', 'The session itself')}
</div>

<style>
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 9px 18px;
  }
  label {
    display: flex;
    flex-direction: column;
    gap: 2px;
    color: var(--ink2);
    font-size: 12px;
  }
  .with {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  .checks {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 7px 18px;
    margin-top: 12px;
  }
  .check {
    flex-direction: row;
    align-items: center;
    gap: 8px;
    color: var(--ink);
    cursor: pointer;
  }
  .check.set span {
    font-weight: 640;
  }
  p {
    margin-top: 8px;
    line-height: 1.35;
  }
</style>
