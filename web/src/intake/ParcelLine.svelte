<script lang="ts">
  import type { Intake } from '../lib/api/types';
  import { count } from '../lib/units';

  /** What came, held against the checksums that came with it. */
  let { parcel }: { parcel: NonNullable<Intake['parcel']> } = $props();
  const whole = $derived(!parcel.missing.length && !parcel.altered.length);
  const FEW = 4;
  const some = (names: string[]) =>
    names.slice(0, FEW).join(', ') + (names.length > FEW ? ` and ${names.length - FEW} more` : '');
</script>

<div class="parcel" class:whole>
  <p>
    <b>{whole ? 'All as it was sent' : 'Not all as it was sent'}</b>
    {#if parcel.song}· a parcel of “{parcel.song}” for {parcel.receiver}{/if}
  </p>
  <p>{count(parcel.verified, 'file')} match the checksums, bit for bit.</p>
  {#if parcel.missing.length}<p class="wrong">Did not come: {some(parcel.missing)}.</p>{/if}
  {#if parcel.altered.length}<p class="wrong">Not what was sent: {some(parcel.altered)}.</p>{/if}
  {#if parcel.extra.length}<p>Named by no checksum: {some(parcel.extra)}.</p>{/if}
</div>

<style>
  .parcel {
    border-left: 3px solid var(--rust);
    padding: 4px 10px;
    margin: 8px 0;
    overflow-wrap: anywhere;
  }
  .parcel.whole {
    border-color: var(--moss);
  }
  .wrong {
    color: var(--rust-ink);
  }
</style>
