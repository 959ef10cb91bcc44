<script lang="ts">
  /** The session sheet of a run, as a page on a desk. */
  let { runId }: { runId: string } = $props();

  async function fetchSheet(id: string): Promise<string> {
    const response = await fetch(`/api/runs/${id}/sheet`);
    if (!response.ok) throw new Error('The session sheet could not be fetched.');
    return response.text();
  }
</script>

<article aria-label="Session sheet">
  {#await fetchSheet(runId)}
    <pre>Fetching the sheet…</pre>
  {:then text}
    <pre>{text}</pre>
  {:catch thrown}
    <p role="alert">{(thrown as Error).message}</p>
  {/await}
</article>

<style>
  article { background: var(--sheet); border: 1px solid var(--rule); box-shadow: 3px 4px 0 var(--rule2); padding: 26px 30px; max-width: 790px; margin: 0 auto; overflow-x: auto; }
  pre { font: 11.5px/1.55 'IBM Plex Mono', monospace; white-space: pre-wrap; overflow-wrap: anywhere; }
</style>
