<script lang="ts">
  import { marked } from 'marked';
  import Header from '../lib/chrome/Header.svelte';
  import Keys from '../lib/chrome/Keys.svelte';
  import guide from '../../../docs/guide.md?raw';

  const pictures = import.meta.glob<string>('../../../docs/screenshots/*.png', {
    query: '?url',
    import: 'default',
    eager: true,
  });
  /** The guide as it lies in the repository, its pictures from where they were built to. */
  const html = marked.parse(
    guide.replace(/\(screenshots\/([\w-]+\.png)\)/g, (_, name) => `(${pictures[`../../../docs/screenshots/${name}`]})`),
    { async: false },
  );
</script>

<svelte:head><title>Guide · Apodex</title></svelte:head>
<Header />
<div class="view">
  <!-- what scrolls can be reached by keys -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="main" tabindex="0" role="region" aria-label="Guide">
    <!-- eslint-disable-next-line svelte/no-at-html-tags -- our own file, built in -->
    <article>{@html html}</article>
  </div>
</div>
<Keys keys={[['Alt ←', 'Back to where you were']]} />

<style>
  .main {
    overflow: auto;
  }
  article {
    width: 100%;
    max-width: 820px;
    margin: 0 auto;
    padding: 26px 24px 60px;
    font-size: 14.5px;
    line-height: 1.55;
  }
  article :global(h1) {
    font-size: 26px;
    font-weight: 720;
    margin-bottom: 10px;
  }
  article :global(h2) {
    font-size: 19px;
    font-weight: 700;
    margin: 34px 0 8px;
  }
  article :global(h3) {
    font-size: 15px;
    font-weight: 680;
    margin: 20px 0 6px;
  }
  article :global(p) {
    margin: 8px 0;
  }
  article :global(ul),
  article :global(ol) {
    padding-left: 22px;
    margin: 8px 0;
  }
  article :global(ul) {
    list-style: disc;
  }
  article :global(ol) {
    list-style: decimal;
  }
  article :global(img) {
    width: 100%;
    border: 1px solid var(--rule);
    border-radius: 6px;
    margin: 10px 0;
  }
  article :global(table) {
    border-collapse: collapse;
    margin: 10px 0;
    font-size: 13.5px;
  }
  article :global(th) {
    text-align: left;
    border-bottom: 2px solid var(--ink);
  }
  article :global(td),
  article :global(th) {
    padding: 5px 12px 5px 0;
    vertical-align: top;
  }
  article :global(td) {
    border-bottom: 1px solid var(--rule2);
  }
  article :global(code) {
    font-family: 'IBM Plex Mono', monospace;
    font-size: 13px;
  }
</style>
