<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { mailboxFor, OCCASION_WORDS } from '$core/answering';
  import { type Occasion, type Plan, type System, type VoicemailStep } from '$core/system';
  import { freshId } from '../ids';
  import RecordingField from '../fields/RecordingField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { setStep } from './edits';
  import SelectItem from '../fields/SelectItem.svelte';

  let { plan, step, system }: { plan: Plan; step: VoicemailStep; system: System } = $props();
  const mailbox = $derived(step.mailboxId ? system.mailboxes[step.mailboxId] : undefined);

  function setOccasion(chosen: string) {
    const { occasion: _, ...usual } = step;
    setStep(plan, chosen ? { ...usual, occasion: chosen as Occasion } : usual, 'which greeting plays');
  }

  /** The people this plan rings would hear a new mailbox of its own. */
  function start() {
    const id = freshId('mailbox');
    theBusiness().edit(`Start a mailbox for ${plan.name}`, [
      { do: 'mailbox.add', value: mailboxFor(plan, id) },
      { do: 'step.set', planId: plan.id, step: { ...step, mailboxId: id } },
    ]);
  }
</script>

<div class="fields">
  <Select
    labelText="Mailbox"
    selected={step.mailboxId ?? ''}
    on:update={(e) => setStep(plan, { ...step, mailboxId: String(e.detail) || null }, 'mailbox')}
  >
    <SelectItem value="" text="Choose…" />
    {#each Object.values(system.mailboxes) as m (m.id)}<SelectItem value={m.id} text={m.name} />{/each}
  </Select>
  {#if mailbox}
    <Select
      labelText="Which greeting plays"
      helperText="A greeting made for it, or else its reason before the usual one."
      selected={step.occasion ?? ''}
      on:update={(e) => setOccasion(String(e.detail))}
    >
      <SelectItem value="" text="by how the call came here" />
      {#each Object.entries(OCCASION_WORDS) as [value, words] (value)}
        <SelectItem {value} text="the one {words}" />
      {/each}
    </Select>
    <p class="small soft">
      Heard by {mailbox.ownerIds.map((id) => system.people[id]?.name).join(', ') || 'nobody'}, in their
      mailbox and by e-mail.
    </p>
    {#if mailbox.greetings?.length}
      <p class="small">
        <a href="/messages/mailboxes#{mailbox.id}">{mailbox.greetings.length} more for occasions</a>
      </p>
    {/if}
    <RecordingField
      label="Greeting"
      recordingId={mailbox.greetingId}
      about="as greeting of {mailbox.name}"
      onchoose={(greetingId) =>
        theBusiness().edit(`Change the greeting of ${mailbox.name}`, [
          { do: 'mailbox.set', id: mailbox.id, change: { greetingId } },
        ])}
      attach={(greetingId) => ({ do: 'mailbox.set', id: mailbox.id, change: { greetingId } })}
    />
  {:else}
    <Button size="small" kind="tertiary" on:click={start}>Start a mailbox for {plan.name}</Button>
  {/if}
</div>
