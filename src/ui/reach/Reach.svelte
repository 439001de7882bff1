<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { FORWARDS } from '$core/people';
  import { accountsOn, alwaysAt, isLinked, type Person } from '$core/system';
  import IfCalled from '../people/IfCalledNow.svelte';
  import PersonAway from '../people/PersonAway.svelte';
  import { here } from '../window/session.svelte';
  import Effect from './Effect.svelte';
  import { ReachForm } from './form.svelte';
  import MobileSeen from './MobileSeen.svelte';
  import Origin from './Origin.svelte';
  import OwnPhones from './OwnPhones.svelte';
  import ReachFiles from './ReachFiles.svelte';
  import ReachSteps from './ReachSteps.svelte';
  import { sendFromHere, settingsInWords, type Send } from './settings.svelte';
  import TargetField from './TargetField.svelte';
  import Undisturbed from './Undisturbed.svelte';
  import UntilField from './UntilField.svelte';
  import WhoCalls from './WhoCalls.svelte';

  /** How somebody is reached: by themselves, or set for them. Nothing here waits for the draft. */
  let { person: given, send = sendFromHere }: { person: Person; send?: Send } = $props();
  const form = untrack(() => new ReachForm(given.id));
  const { person, next } = $derived(form);
  const phones = $derived(Object.values(form.system.phones).filter((p) => accountsOn(p).includes(person.id)));
  /** Where all calls go now: a forward that has ended is none. */
  const always = $derived(alwaysAt(next.reach, here().minute));
  const own = $derived(here().standing.own?.people[person.id]);
  const otherwise = $derived(
    person.mailboxId && form.system.mailboxes[person.mailboxId]
      ? 'nowhere: their voicemail takes it'
      : 'nowhere: the caller goes on, for there is no mailbox',
  );
</script>

<div class="halves">
  <section>
    <div class="card">
      <h2>Which phones ring, and how long</h2>
      <ReachSteps steps={next.reach.steps} {phones} onchange={(steps) => form.change({ steps })} />
      <Origin stamp={own?.steps} />
      <h3>Send calls on</h3>
      {#each FORWARDS as { field, words } (field)}
        <div class="forward">
          <TargetField
            label={words}
            target={field === 'always' ? always : (next.reach[field] ?? null)}
            personId={person.id}
            system={form.system}
            none={field === 'always'
              ? 'no: the phones ring'
              : field === 'onDeclined' || field === 'onUndisturbed'
                ? 'as on a call'
                : otherwise}
            onchange={(target) =>
              form.change(field === 'always' ? { always: target, alwaysUntil: null } : { [field]: target })}
          />
          {#if field === 'always' && always}
            <UntilField
              label="Sent on until"
              until={next.reach.alwaysUntil ?? null}
              onchange={(alwaysUntil) => form.change({ alwaysUntil })}
            />
          {/if}
          <Origin stamp={own?.[field]} />
        </div>
      {/each}
    </div>
    <Undisturbed {form} {send} />
    <div class="card away"><PersonAway {person} {send} /></div>
  </section>
  <section>
    <div class="card now" class:pending={form.changed}>
      <h2>
        {form.changed
          ? `With this, somebody who dials ${person.extension}`
          : `If somebody dials ${person.extension} now`}
      </h2>
      <IfCalled
        {person}
        system={here().settable}
        values={form.changed ? form.changes : null}
        supposed="all on"
      />
      {#if form.changed}
        <h3>What callers of your numbers get with it</h3>
        <Effect
          personId={person.id}
          values={form.changes}
          otherwise="Nothing changes for callers of the business’s numbers this week."
        />
        <div class="row">
          <Button
            size="small"
            on:click={() => {
              const words = `Set for ${person.name}: ${settingsInWords(form.changes)}`;
              void send(words, form.take());
            }}>Set it</Button
          >
          <Button size="small" kind="ghost" on:click={() => form.leave()}>Leave it as it was</Button>
        </div>
      {:else}
        <h3>What these settings do to the business’s numbers</h3>
        <Effect
          personId={person.id}
          values={null}
          otherwise="Nothing: callers of the business’s numbers get what the plans say."
        />
      {/if}
    </div>
    {#if phones.some(isLinked)}<MobileSeen {person} {send} />{/if}
    <OwnPhones {person} system={form.system} {send} />
    <WhoCalls {form} />
    <ReachFiles {form} />
  </section>
</div>

<style>
  .halves {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 0 22px;
    align-items: start;
  }
  @media (max-width: 900px) {
    .halves {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  .pending {
    border-left: 4px solid var(--copper);
  }
  .away :global(h3) {
    margin-top: 0;
  }
  .forward {
    margin-bottom: 12px;
  }
  h3 {
    margin: 16px 0 8px;
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: 12px;
  }
</style>
