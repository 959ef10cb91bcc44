<script lang="ts">
  import { onDestroy } from 'svelte';
  import { rules } from '../lib/catalogue/rules.svelte';
  import Button from '../lib/controls/Button.svelte';
  import Field from '../lib/controls/Field.svelte';
  import Select from '../lib/controls/Select.svelte';
  import { Player } from '../lib/listen/player.svelte';
  import NumberField from '../lib/NumberField.svelte';
  import Segments from '../lib/Segments.svelte';
  import type { Correction, IntakeFile, Station } from '../lib/api/types';
  import { STATIONS } from '../lib/signal/stations';
  import { count } from '../lib/units';
  import AlignPicture from './AlignPicture.svelte';
  import type { IntakeStore } from './intake.svelte';
  import TableDialog from './TableDialog.svelte';
  import { certaintyWords } from './certainty';

  /** The chosen files: what they will be, and where the one of them lies against the reference. */
  let { store }: { store: IntakeStore } = $props();
  const files = $derived(store.files.filter((file) => file.kind === 'recording'));
  const table = $derived(store.files.length === 1 && store.files[0]!.form ? store.files[0] : undefined);
  let reading = $state(false);
  const ids = $derived(files.map((file) => file.id));
  /** Where a list says where one of them lies, what is said here would be passed over. */
  const listed = $derived(files.some((file) => file.seat.place.by === 'list'));
  const single = $derived(files.length === 1 ? files[0] : undefined);
  const found = $derived(single?.seat.place.found);
  const hertz = $derived(store.intake!.rate);
  const against = $derived(single && store.reference && store.reference.id !== single.id ? store.reference : undefined);
  let asFound = $state(true);
  const player = new Player();
  onDestroy(() => player.stop());

  /** What all of them have in common, or nothing. */
  function common<T>(of: (file: IntakeFile) => T): T | undefined {
    return files.every((file) => of(file) === of(files[0]!)) ? of(files[0]!) : undefined;
  }

  const correct = (correction: Correction) => void store.correct(correction);

  const BESIDE = STATIONS.filter(({ station }) => station !== 'raw' && station !== 'mix');
  const beside = (station: Station) => correct({ type: 'beside', files: ids, row: files[0]!.seat.row, station });

  function use(as: IntakeFile['seat']['use']) {
    if (as === 'beside') beside('inserts');
    else correct({ type: 'useAs', files: ids, use: as });
  }

  function listen() {
    if (player.playing) return player.stop();
    const place = single!.seat.place;
    const frame = asFound && found ? found.frame : place.frame;
    const from = Math.max(
      0,
      Math.round(frame + (single!.heard!.firstSound * hertz) / single!.recording!.rate - hertz / 2),
    );
    void player.play(`/api/intakes/${store.id}/sound`, hertz, from, undefined, {
      to: String(from + 20 * hertz),
      files: [...ids, ...(against ? [against.id] : [])].join(),
      found: String(asFound && !!found),
    });
  }
</script>

{#if table}
  <section aria-label="The chosen files">
    <h2>{table.name}</h2>
    <Button size="small" onclick={() => (reading = true)}>How it is read…</Button>
  </section>
  {#if reading}<TableDialog {store} file={table.id} onclose={() => (reading = false)} />{/if}
{/if}
{#if files.length}
  <section aria-label="The chosen files">
    <h2>{single ? single.name : count(files.length, 'recording')}</h2>
    {#if single && against}
      <AlignPicture intake={store.intake!} file={single} reference={against} asFound={asFound && !!found} />
      {#if found}
        <p class="found">{certaintyWords(found, hertz)}</p>
      {/if}
      <div class="listen">
        <Button kind="listen" size="small" onclick={listen}>{player.playing ? 'Stop' : 'Listen to both'}</Button>
        {#if found && found.certainty !== 'UNKNOWN' && found.frame !== single.seat.place.frame}
          <Segments
            label="Where it is heard"
            options={[
              ['found', 'as in the mix'],
              ['now', 'as it lies'],
            ]}
            value={asFound ? 'found' : 'now'}
            onchoose={(where) => (asFound = where === 'found')}
          />
        {/if}
      </div>
    {:else if single}
      <div class="listen">
        <Button kind="listen" size="small" onclick={listen}>{player.playing ? 'Stop' : 'Listen'}</Button>
      </div>
    {/if}
    {#if listed}<p class="note">
        A list or a saved session lays {single ? 'it' : 'them'} out; it can be changed once the session is made.
      </p>{/if}
    <div class="fields" hidden={listed}>
      <label>
        <span class="cap">Is there</span>
        <Select
          value={common((file) => file.seat.use) ?? ''}
          onchange={(e) => use(e.currentTarget.value as IntakeFile['seat']['use'])}
        >
          {#if common((file) => file.seat.use) === undefined}<option value="">different</option>{/if}
          <option value="row">as a row</option>
          <option value="beside" disabled={common((file) => file.seat.row) === undefined}
            >beside what is on a row</option
          >
          {#if files.every(({ id }) => store.intake!.onto?.named.includes(id))}
            <option value="inPlace">in the place of what the session has</option>
          {/if}
          <option value="reference">as the reference</option>
          <option value="leftOut">not: left out</option>
        </Select>
      </label>
      {#if common((file) => file.seat.use) === 'beside'}
        <label>
          <span class="cap">Rendered for</span>
          <Select
            value={STATIONS.find(({ name }) => name === common((file) => file.station))?.station ?? ''}
            onchange={(e) => beside(e.currentTarget.value as Station)}
          >
            {#each BESIDE as { station, name } (station)}<option value={station}>{name}</option>{/each}
          </Select>
        </label>
      {/if}
      <label class="wide">
        <span class="cap">{files.length > 1 ? 'One row of all' : 'Row'}</span>
        <Field
          maxlength={rules.longestName}
          placeholder={common((file) => file.seat.row) === undefined ? 'different' : ''}
          value={common((file) => file.seat.row) ?? ''}
          onchange={(e) => {
            if (e.currentTarget.value.trim()) correct({ type: 'inRow', files: ids, row: e.currentTarget.value });
          }}
        />
      </label>
      <label>
        <span class="cap">Role</span>
        <Select
          value={common((file) => file.seat.role) ?? ''}
          onchange={(e) =>
            correct({ type: 'ofRole', files: ids, role: e.currentTarget.value as IntakeFile['seat']['role'] })}
        >
          {#if common((file) => file.seat.role) === undefined}<option value="">different</option>{/if}
          {#each rules.roles as role (role)}<option value={role}>{role}</option>{/each}
        </Select>
      </label>
      <label>
        <span class="cap">Side</span>
        <Select
          value={common((file) => file.seat.side) ?? ''}
          onchange={(e) =>
            correct({ type: 'asSide', files: ids, side: e.currentTarget.value as IntakeFile['seat']['side'] })}
        >
          {#if common((file) => file.seat.side) === undefined}<option value="">different</option>{/if}
          <option value="whole">whole</option>
          <option value="left">left</option>
          <option value="right">right</option>
        </Select>
      </label>
      <label class="wide">
        <span class="cap">Bus</span>
        <Field
          maxlength={rules.longestName}
          placeholder={common((file) => file.seat.group) === undefined ? 'different' : 'none'}
          value={common((file) => file.seat.group) ?? ''}
          onchange={(e) => correct({ type: 'inGroup', files: ids, group: e.currentTarget.value })}
        />
      </label>
      {#if single}
        <NumberField
          label="Take"
          value={single.seat.take}
          lowest={1}
          highest={999}
          onset={(take) => store.correct({ type: 'asTake', files: ids, take })}
        />
        <NumberField
          label="Lies at"
          unit="s"
          value={single.seat.place.frame / hertz}
          lowest={-86_400}
          highest={86_400}
          digits={6}
          onset={(seconds) => store.correct({ type: 'lieAt', files: ids, frame: Math.round(seconds * hertz) })}
        />
      {:else}
        <Button size="small" onclick={() => correct({ type: 'asTake', files: ids, take: 1 })}>Count as takes</Button>
      {/if}
      {#if common((file) => file.seat.place.inverted) !== undefined}
        <Button
          size="small"
          onclick={() => correct({ type: 'turnOver', files: ids, inverted: !files[0]!.seat.place.inverted })}
          >{files[0]!.seat.place.inverted ? 'Turn the polarity back' : 'Turn the polarity'}</Button
        >
      {/if}
    </div>
    {#if single?.seat.note}<p class="note"><span class="cap">Note</span> {single.seat.note}</p>{/if}
    {#each single?.heard?.oddities ?? [] as oddity (oddity.kind)}<p class="odd">{oddity.words}</p>{/each}
  </section>
{/if}

<style>
  section {
    flex: 1 1 58%;
    min-height: 0;
    overflow: auto;
    padding: 2px 16px 14px;
    border-top: 2px solid var(--ink);
    background: var(--sheet);
  }
  h2 {
    overflow-wrap: anywhere;
  }
  .listen {
    display: flex;
    gap: 8px;
    margin: 6px 0 10px;
    align-items: center;
  }
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px 10px;
    align-items: end;
  }
  .fields[hidden] {
    display: none;
  }
  label {
    display: flex;
    flex-direction: column;
    gap: 2px;
  }
  .found,
  .note {
    color: var(--ink2);
    margin-top: 6px;
  }
  .odd {
    color: var(--ochre-ink);
    margin-top: 6px;
  }
</style>
