<script lang="ts">
  import { rules } from '../../lib/catalogue/rules.svelte';
  import Button from '../../lib/controls/Button.svelte';
  import Select from '../../lib/controls/Select.svelte';
  import type { Clip, Row } from '../../lib/api/types';
  import { count, minutes } from '../../lib/units';
  import { faded, trimmedEnd } from '../clips/clipEdits';
  import type { Editing } from '../editing.svelte';
  import InsertsEditor from './InsertsEditor.svelte';
  import NumberField from '../../lib/NumberField.svelte';
  import Segments from '../../lib/Segments.svelte';
  import { HELD } from '../keyboard';

  /** The chosen clips: place, length, gain, fades, mute, polarity, effects of their own. */
  let { editing }: { editing: Editing } = $props();
  const CURVES = { straight: 'straight', equalPower: 'equal power', soft: 'soft', slow: 'slow' } as const;
  const session = $derived(editing.session);
  const refs = $derived(editing.clips);
  const clips = $derived(refs.map((ref) => editing.clipOf(ref)).filter((clip): clip is Clip => !!clip));
  const one = $derived(clips[0]);
  const row = $derived(session.rows.find((each) => each.id === refs[0]?.row) as Row);
  const recording = $derived(session.recordings.find((each) => each.sha256 === one?.recording));
  const length = $derived(one ? editing.recordingFrames(one) : 0);
  const what = $derived(count(clips.length, 'clip'));
  const ms = (frames: number) => (frames / session.rate) * 1000;
  const frames = (milliseconds: number) => (milliseconds / 1000) * session.rate;
</script>

{#if one}
  <p class="cap">{what.toUpperCase()} · {row.name}</p>
  <h2>{recording?.fileName ?? 'A missing recording'}</h2>
  {#if clips.length === 1}
    <NumberField
      label="Starts at"
      value={one.position / session.rate}
      unit="s"
      lowest={0}
      highest={86_400}
      digits={3}
      onset={(s) => editing.nudge(Math.round(s * session.rate) - one.position)}
    />
    <NumberField
      label="Length"
      value={one.frames / session.rate}
      unit="s"
      lowest={0}
      highest={(length - one.offset) / session.rate}
      digits={3}
      onset={(s) => editing.eachClip('Trim a clip', (clip) => trimmedEnd(clip, s * session.rate - clip.frames, length))}
    />
    <p class="cap">
      {minutes(one.position / session.rate, 3)} to {minutes((one.position + one.frames) / session.rate, 3)}, from {minutes(
        one.offset / session.rate,
        3,
      )} of the recording
    </p>
  {/if}
  <NumberField
    label="Gain"
    value={one.gainDb}
    unit="dB"
    {...rules.bounds('clipGainDb')}
    step={0.5}
    digits={1}
    onset={(gainDb) => editing.eachClip(`Set the gain of ${what}`, (clip) => ({ ...clip, gainDb }))}
  />
  <NumberField
    label="Fade in"
    value={ms(one.fadeIn.frames)}
    unit="ms"
    lowest={0}
    highest={ms(one.frames)}
    digits={1}
    onset={(value) => editing.eachClip(`Fade ${what}`, (clip) => faded(clip, 'in', frames(value)))}
  />
  <NumberField
    label="Fade out"
    value={ms(one.fadeOut.frames)}
    unit="ms"
    lowest={0}
    highest={ms(one.frames)}
    digits={1}
    onset={(value) => editing.eachClip(`Fade ${what}`, (clip) => faded(clip, 'out', frames(value)))}
  />
  <label class="curve"
    >Curve<Select
      value={one.fadeIn.frames ? one.fadeIn.curve : one.fadeOut.curve}
      onchange={(e) => {
        const curve = e.currentTarget.value as Clip['fadeIn']['curve'];
        void editing.eachClip(`Fade ${what}`, (clip) => ({
          ...clip,
          fadeIn: { ...clip.fadeIn, curve },
          fadeOut: { ...clip.fadeOut, curve },
        }));
      }}
      >{#each Object.entries(CURVES) as [value, words] (value)}<option {value}>{words}</option>{/each}</Select
    ></label
  >
  <p class="cap held">Arrow keys move</p>
  <Segments label="Arrow keys move" options={HELD} value={editing.held} onchoose={(part) => (editing.held = part)} />
  <div class="do">
    <Button size="small" onclick={() => editing.splitAtHead()}>Split at the mark</Button>
    <Button size="small" disabled={clips.length < 2} onclick={() => editing.join()}>Join</Button>
    <Button size="small" aria-pressed={one.muted} onclick={() => editing.muteClips()}
      >{one.muted ? 'Unmute' : 'Mute'}</Button
    >
    <Button size="small" aria-pressed={one.inverted} onclick={() => editing.turnClips()}>Reverse polarity</Button>
    <Button size="small" onclick={() => editing.removeClips()}>Remove</Button>
  </div>
  {#if clips.length === 1}
    <h3>Effects of this clip</h3>
    <InsertsEditor
      {editing}
      {row}
      inserts={one.inserts}
      keys={false}
      onset={(inserts) => editing.eachClip('Change the effects of a clip', (clip) => ({ ...clip, inserts }))}
    />
  {/if}
  <hr />
{/if}

<style>
  .do {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin: 9px 0 4px;
  }
  .held {
    margin: 7px 0 3px;
  }
  .curve {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin-top: 3px;
  }
  hr {
    border: 0;
    border-top: 1px solid var(--rule);
    margin: 14px -16px;
  }
</style>
