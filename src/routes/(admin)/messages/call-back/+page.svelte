<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { callBacks } from '$core/calls';
  import { conversations, toAnswer } from '$core/story';
  import { contactOf, isBlockedNumber } from '$core/system';
  import SelectItem from '$ui/fields/SelectItem.svelte';
  import { NEAR_DAYS } from '$workspace';
  import ToAnswerCard from '$ui/messages/ToAnswerCard.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const { calls, messages, texts, threads, faxes } = $derived(theBusiness().view);
  const blocked = (number: string) =>
    isBlockedNumber(number, theBusiness().standing, contactOf(number, theBusiness().system.contacts));
  const all = $derived(
    toAnswer(
      callBacks(calls, messages, blocked),
      conversations(texts, threads, theBusiness().system).filter((c) => !blocked(c.theirs)),
      faxes.filter((f) => !blocked(f.from)),
    ),
  );
  const seers = $derived([...new Set(all.flatMap((w) => w.assignedTo ?? []))]);
  const NOBODY = '-';
  let whose = $state('');
  const waiting = $derived(all.filter((w) => !whose || (w.assignedTo ?? NOBODY) === whose));
</script>

<svelte:head><title>To answer · Messages · Upper Line</title></svelte:head>

<h1>To answer</h1>
<p class="sub">
  Everybody who called and reached nobody, left a message, or wrote a text, and whom nobody has talked with or
  written to since. Whoever has waited longest stands first. Calls of more than {NEAR_DAYS} days ago stand in the
  log alone.
</p>
{#if all.length}
  <div class="whose">
    <Select size="sm" inline labelText="Who sees to it" bind:selected={whose}>
      <SelectItem value="" text="anybody ({all.length})" />
      <SelectItem value={NOBODY} text="nobody yet ({all.filter((w) => !w.assignedTo).length})" />
      {#each seers as id (id)}
        <SelectItem
          value={id}
          text="{theBusiness().system.people[id]?.name ?? 'somebody removed'} ({all.filter(
            (w) => w.assignedTo === id,
          ).length})"
        />
      {/each}
    </Select>
  </div>
{/if}
{#if waiting.length}
  <ul aria-label="To answer">
    {#each waiting as w (w.number)}<ToAnswerCard waiting={w} />{/each}
  </ul>
{:else if all.length}
  <p class="soft">None of those that wait are theirs.</p>
{:else}
  <div class="empty">
    <h2>Nobody waits for an answer</h2>
    <p>
      Whoever reaches nobody, leaves a message or writes, stands here until somebody has talked with them or
      written back.
    </p>
  </div>
{/if}

<style>
  ul {
    list-style: none;
    margin: 14px 0 0;
    padding: 0;
    max-width: 860px;
  }
  .whose {
    margin-top: 8px;
  }
</style>
