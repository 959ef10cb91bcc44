<script lang="ts">
  /** The six steps of the work, on one line. */
  const steps = [
    ['Session', 'Recordings on rows, placed by their time stamps'],
    ['Prepare', 'Looked over, named, put right'],
    ['Plan', 'Which rows leave, in what form'],
    ['Print', 'One walk through the song writes every file'],
    ['Proof', 'Each file read back from the disk'],
    ['Parcel', 'Files, sheet and checksums in one zip'],
  ] as const;
</script>

<section aria-label="How it goes">
  <h2 class="cap">How it goes</h2>
  <ol>
    {#each steps as [name, words] (name)}<li><b>{name}</b><span>{words}</span></li>{/each}
  </ol>
</section>

<style>
  section {
    margin-top: 44px;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    margin-top: 14px;
  }
  li {
    position: relative;
    padding: 22px 18px 0 0;
  }
  li::before {
    content: '';
    position: absolute;
    left: 0;
    right: 0;
    top: 6px;
    height: 3px;
    background: var(--ink);
  }
  li:last-child::before {
    right: auto;
    width: 13px;
  }
  li::after {
    content: '';
    position: absolute;
    left: 0;
    top: 0;
    width: 14px;
    height: 14px;
    border: 2.5px solid var(--ink);
    border-radius: 50%;
    background: var(--sheet);
  }
  li:last-child::after {
    border-radius: 3px;
    border-color: var(--rust);
    background: var(--rust);
  }
  b {
    display: block;
    font-weight: 680;
    font-size: 14px;
  }
  span {
    color: var(--ink2);
  }
</style>
