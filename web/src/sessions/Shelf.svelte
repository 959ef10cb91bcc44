<script lang="ts">
  import type { ShelfEntry } from '../lib/api/types';
  import { minutes, moment, rate } from '../lib/units';

  let { entries }: { entries: ShelfEntry[] } = $props();
</script>

{#if entries.length === 0}
  <div class="empty">
    <h2>The shelf is empty</h2>
    <p>
      Drop the recordings of a song above. What comes in is kept as it is; whatever you plan and print later never
      changes it.
    </p>
  </div>
{:else}
  <h2 class="cap">On the shelf</h2>
  <ul>
    {#each entries as entry (entry.id)}
      <li>
        <a href="#/s/{entry.id}">
          <span class="tape">{entry.title}</span>
          <span class="artist">{entry.artist || 'artist not given'}</span>
          <dl>
            <div>
              <dt class="cap">Length</dt>
              <dd class="mono">{minutes(entry.frames / entry.rate)}</dd>
            </div>
            <div>
              <dt class="cap">Rows</dt>
              <dd class="mono">{entry.rowCount}</dd>
            </div>
            <div>
              <dt class="cap">Rate</dt>
              <dd class="mono">{rate(entry.rate)}</dd>
            </div>
          </dl>
          <span class="cap foot">
            changed {moment(entry.changedAt)} · {entry.lastParcelAt
              ? `parcel ${moment(entry.lastParcelAt)}`
              : 'no parcel yet'}
          </span>
        </a>
      </li>
    {/each}
  </ul>
{/if}

<style>
  h2 {
    margin: 26px 0 10px;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(310px, 1fr));
    gap: 16px;
  }
  a {
    display: block;
    position: relative;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-radius: 4px;
    padding: 16px 18px 12px;
    box-shadow:
      0 1px 0 var(--rule),
      3px 4px 0 var(--band);
    overflow: hidden;
  }
  a:hover {
    border-color: var(--teal);
  }
  .tape {
    display: inline-block;
    max-width: 100%;
    background: var(--tape);
    padding: 4px 13px;
    font-weight: 660;
    font-size: 15px;
    transform: rotate(-0.4deg);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .artist {
    display: block;
    color: var(--ink2);
    margin: 8px 0 10px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  dl {
    display: flex;
    gap: 26px;
  }
  .foot {
    display: block;
    margin-top: 12px;
    padding-top: 8px;
    border-top: 1px solid var(--rule2);
  }
</style>
