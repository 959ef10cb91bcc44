<script lang="ts">
  /** The session sheet of a run, as a page on a desk; nothing in it can run or reach out. */
  let { base }: { base: string } = $props();
</script>

<article aria-label="Session sheet">
  <iframe title="Session sheet" src="{base}/sheet?form=html" sandbox=""></iframe>
</article>
<p class="cap">
  <a href="{base}/sheet?form=pdf" target="_blank" rel="noreferrer">As a PDF, to print</a> ·
  <a href="{base}/sheet?form=text" target="_blank" rel="noreferrer">As plain text</a>
</p>

<style>
  article {
    background: #ffffff;
    border: 1px solid var(--rule);
    box-shadow: 3px 4px 0 var(--rule2);
    padding: 18px 22px;
    max-width: 790px;
    margin: 0 auto;
    height: calc(100% - 34px);
    min-height: 420px;
  }
  iframe {
    width: 100%;
    height: 100%;
    border: 0;
    background: #ffffff;
    color-scheme: light;
  }
  p {
    max-width: 790px;
    margin: 8px auto 0;
  }
  a {
    text-decoration: underline;
    color: var(--teal);
  }
</style>
