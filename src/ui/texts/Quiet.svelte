<script lang="ts">
  import { whereaboutsOf } from '$core/numbering';
  import { ANSWER_MS, mayBother, nextAllowed } from '$core/texting';
  import type { Conversation } from '$core/story';
  import { timeText, momentText } from '../format';
  import { here } from '../window/session.svelte';

  /** That it is late where a text would go; nothing where it answers somebody who has just written. */
  interface Props {
    theirs: string;
    conversation: Conversation | undefined;
    /** A time at which it is not. */
    onlater: (at: number) => void;
  }
  let { theirs, conversation, onlater }: Props = $props();
  const where = $derived(
    whereaboutsOf(
      theirs,
      here().system.business.country,
      here().zone,
      conversation?.contact?.timeZone ?? undefined,
    ),
  );
  const answers = $derived(
    conversation?.texts.some((t) => t.way === 'in' && here().minute - t.at < ANSWER_MS) ?? false,
  );
  const quiet = $derived(!answers && !mayBother(where, here().minute));
  const next = $derived(quiet ? nextAllowed(where, here().minute) : null);
  const BY = {
    contact: 'by where the contact is',
    area: 'by its area code, which is a guess',
    country: 'somewhere in its country',
    nothing: 'where it is is not known: by your own time',
  };
  const times = $derived([...new Set(where.zones.map((z) => timeText(here().minute, z)))]);
</script>

{#if quiet}
  <p class="small quiet" data-testid="quiet">
    It is {times.join(' or ')} there ({BY[where.by]}): people are not bothered before 8:00 and from 21:00 on.
    {#if next !== null}
      <button class="linkish" type="button" onclick={() => onlater(next)}
        >Send it {momentText(next, here().zone)}</button
      >
    {/if}
  </p>
{/if}

<style>
  .quiet {
    color: var(--copper);
    margin: 0;
  }
</style>
