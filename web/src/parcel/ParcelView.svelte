<script lang="ts">
  import RunFrame from '../lib/RunFrame.svelte';
  import PickupPanel from './PickupPanel.svelte';
  import SheetPage from './SheetPage.svelte';
  import Tree from './Tree.svelte';
  import ZipPanel from './ZipPanel.svelte';

  let { params }: { params: { id: string } } = $props();
</script>

<RunFrame
  sessionId={params.id}
  tab="parcel"
  which="newest done"
  title="Parcel"
  keys={[['Tab', 'Next button']]}
  none={{
    heading: 'No parcel yet',
    words:
      'A parcel is packed as soon as a run is printed and read back: files in folders, a session sheet, a manifest, checksums, in one zip or several.',
  }}
>
  {#snippet children({ view })}
    {#if view.parcels.length}
      <div class="tree">
        <p class="cap">AS IT WILL ARRIVE</p>
        <Tree
          zip={view.parcels.length === 1 ? view.parcels[0]!.name : view.parcels[0]!.name.replace(/_1 of \d+\.zip$/, '')}
          files={[...view.files, ...view.others]}
        />
      </div>
      <div class="main desk"><SheetPage base="/api/runs/{view.id}" /></div>
      <aside class="side" aria-label="The parcel"><ZipPanel {view} /><PickupPanel runId={view.id} /></aside>
    {/if}
  {/snippet}
</RunFrame>

<style>
  .tree {
    width: 290px;
    flex: none;
    padding: 14px 16px;
    overflow: auto;
    border-right: 1px solid var(--rule);
  }
  .desk {
    background: var(--band);
    overflow: auto;
    display: block;
    padding: 22px;
  }
</style>
