<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { MeetingKnown } from '$core/phone';
  import { momentText } from '../../format';

  /** Meetings one is asked to: joined in one act, when they are near. */
  let {
    meetings,
    now,
    zone,
    onjoin,
  }: {
    meetings: readonly MeetingKnown[];
    /** Epoch milliseconds. */
    now: number;
    zone: string;
    onjoin: (into: { extension: string; pin: string | null; name: string }) => void;
  } = $props();
  /** So long before it begins it stands here, in milliseconds. */
  const AHEAD_MS = 24 * 60 * 60_000;
  const near = $derived(meetings.filter((m) => m.to > now && m.from - now <= AHEAD_MS));
</script>

{#if near.length}
  <section class="card" aria-label="Meetings" data-testid="next-meetings">
    <h2>Meetings</h2>
    <ul>
      {#each near as m (m.id)}
        <li>
          <span class="what"
            ><b>{m.name}</b>
            <span class="soft small"
              >{m.from <= now ? 'now' : momentText(m.from, zone)} · {m.room}{m.extension
                ? ''
                : ': no extension leads there'}</span
            ></span
          >
          {#if m.extension}
            {@const { extension, pin, name } = m}
            <Button size="small" on:click={() => onjoin({ extension, pin, name })}
              >Join<span class="visually-hidden"> {m.name}</span></Button
            >
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  li {
    display: flex;
    gap: 10px;
    align-items: center;
    padding: 4px 0;
  }
  .what {
    flex: 1;
    min-width: 0;
    overflow-wrap: anywhere;
  }
  .what .soft {
    display: block;
  }
</style>
