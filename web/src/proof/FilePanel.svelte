<script lang="ts">
  import Button from '../lib/controls/Button.svelte';
  import Hint from '../lib/Hint.svelte';
  import type { RunFile, RunView } from '../lib/api/types';
  import { CHANNEL_WORDS, dbfs, grouped, minutes, rate, signed } from '../lib/units';

  let { run, file, sessionId }: { run: RunView; file: RunFile; sessionId: string } = $props();
  const facts = $derived<[string, string][]>([
    [
      'Container',
      file.trouble ? file.trouble : `${file.container}${file.timeReference === null ? '' : ', broadcast info'}`,
    ],
    ['Format', `${file.depth} ${rate(run.rate)} ${CHANNEL_WORDS[file.channels] ?? file.channels + ' channels'}`],
    ['Length', `${grouped(file.frames)} samples`],
    ['Time stamp', file.timeReference === null ? 'none' : grouped(file.timeReference)],
    ['First sound', file.firstSoundFrame === null ? 'none' : minutes(file.firstSoundFrame / run.rate, 3)],
    ['Peak', dbfs(file.peakDbfs)],
    ...(file.truePeakDbtp === null ? [] : [['True peak', `${signed(file.truePeakDbtp)} dBTP`] as [string, string]]),
    ...(file.loudnessLufs === null ? [] : [['Loudness', `${signed(file.loudnessLufs)} LUFS`] as [string, string]]),
    ['At full scale', file.fullScaleSamples === 0 ? 'no sample' : `${grouped(file.fullScaleSamples ?? 0)} samples`],
    ['Mean', Math.abs(file.offset ?? 0) < 1e-5 ? 'zero' : `${((file.offset ?? 0) * 100).toFixed(3)} %`],
    ...(file.placed && file.placed !== 'middle' ? [['Sits', file.placed] as [string, string]] : []),
    ['Same as another', file.sameAs ?? 'none'],
    ...(file.takenOver ? [['From', 'an earlier run, unchanged'] as [string, string]] : []),
    ['SHA-256', file.sha256 ? `${file.sha256.slice(0, 8)}…${file.sha256.slice(-6)}` : ''],
  ]);
</script>

<p class="cap">READ BACK FROM DISK</p>
<h2 class="mono">{file.name}</h2>
<dl class="facts-list">
  {#each facts as [name, value] (name)}<dt>{name}</dt>
    <dd class="mono">
      {#if name === 'SHA-256'}<Hint words={file.sha256 ?? ''}>{value}</Hint>{:else}{value}{/if}
    </dd>{/each}
</dl>
<div class="do">
  <Button kind="main" href="#/s/{sessionId}/parcel">See the parcel</Button>
  <Button href="#/s/{sessionId}/plan?row={file.row}">Row in the plan</Button>
</div>

<style>
  h2 {
    font-size: 14.5px;
    font-weight: 600;
  }
  .do {
    display: flex;
    gap: 8px;
    margin-top: 18px;
    align-items: center;
  }
</style>
