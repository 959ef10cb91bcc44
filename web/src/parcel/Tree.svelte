<script lang="ts">
  import { FileLinesOutline, FolderOutline, FolderOpenOutline } from 'flowbite-svelte-icons';
  import FileName from '../lib/FileName.svelte';

  let { zip, files }: { zip: string; files: { name: string; folder: string }[] } = $props();
  const folders = $derived(
    [...new Set(files.map((file) => file.folder))].map((folder) => ({
      folder,
      files: files.filter((file) => file.folder === folder),
    })),
  );
</script>

<ul>
  <li class="top"><FolderOpenOutline class="h-4 w-4" /><b><FileName name={zip.replace(/\.zip$/, '')} /></b></li>
  {#each folders as { folder, files } (folder)}
    {#if folder}<li class="in1"><FolderOutline class="h-4 w-4" /><b>{folder}</b></li>{/if}
    {#each files as file, i (file.name + i)}<li class="mono {folder ? 'in2' : 'in1'}">{file.name}</li>{/each}
  {/each}
  <li class="in1"><FileLinesOutline class="h-4 w-4" /><span class="mono">checksums.sha256</span></li>
</ul>

<style>
  ul {
    margin-top: 10px;
  }
  li {
    display: flex;
    gap: 6px;
    align-items: center;
    padding: 3px 0;
    overflow-wrap: anywhere;
  }
  .top b {
    font-weight: 680;
  }
  .in1 {
    padding-left: 14px;
  }
  .in2 {
    padding-left: 36px;
    position: relative;
  }
  .in2::before {
    content: '';
    position: absolute;
    left: 21px;
    top: 0;
    bottom: 0;
    border-left: 1px solid var(--rule);
  }
</style>
