<script lang="ts">
  import RunFrame from '../lib/RunFrame.svelte';
  import SheetPage from './SheetPage.svelte';
  import Tree from './Tree.svelte';
  import ZipPanel from './ZipPanel.svelte';

  let { params }: { params: { id: string } } = $props();
</script>

<RunFrame
  sessionId={params.id} tab="parcel" which="newest done" title="Parcel" keys={[['Tab', 'Next button']]}
  none={{ heading: 'No parcel yet', words: 'A parcel is packed as soon as a run is printed and read back: files in folders, a session sheet, checksums, one zip.' }}
>
  {#snippet children({ view })}
    {#if view.parcel}
      <div class="tree"><p class="cap">AS IT WILL ARRIVE</p><Tree zip={view.parcel.name} files={[...view.files, ...view.others]} /></div>
      <div class="main desk"><SheetPage runId={view.id} /></div>
      <aside class="side" aria-label="The zip"><ZipPanel {view} parcel={view.parcel} /></aside>
    {/if}
  {/snippet}
</RunFrame>

<style>
  .tree { width: 290px; flex: none; padding: 14px 16px; overflow: auto; border-right: 1px solid var(--rule); }
  .desk { background: var(--band); overflow: auto; display: block; padding: 22px; }
</style>
