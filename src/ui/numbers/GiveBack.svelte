<script lang="ts">
  import { Modal, Select } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import type { NumberHeld } from '$core/system';
  import { REST_MS } from '$standins/carrier/book';
  import { referCallers } from '$workspace';
  import { theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** What giving a number back breaks, what callers will hear, and for how long it can be brought back. */
  let { number, close }: { number: NumberHeld; close: () => void } = $props();
  const system = $derived(theBusiness().system);
  const others = $derived(Object.values(system.numbers).filter((n) => n.id !== number.id));
  let referTo = $state(untrack(() => theBusiness().view.dealings.referrals[number.e164] ?? ''));
  const inForce = $derived(theBusiness().view.inForce.system.numbers[number.id] !== undefined);
  const plan = $derived(number.planId ? system.plans[number.planId] : undefined);
  const days = REST_MS / 86_400_000;

  const breaks = $derived([
    ...(plan && !others.some((n) => n.planId === plan.id)
      ? [`The plan ${plan.name} has no number any more and takes no calls.`]
      : []),
    ...(system.business.defaultCallerId === number.e164
      ? ['It is what calls made by the business show. They show no number until you choose another.']
      : []),
    ...Object.values(system.sites)
      .filter((s) => s.callback === number.e164)
      .map(
        (s) =>
          `The emergency service would ring it back for ${s.name}. Choose another call-back number there.`,
      ),
    ...(number.callerIdFor !== 'everybody'
      ? number.callerIdFor.map((id) => `${system.people[id]?.name} can no longer show it on calls.`)
      : []),
    'Whoever has it printed, saved or on a sign reaches nobody.',
  ]);

  async function give() {
    const label = `Give back ${theBusiness().number(number.e164)}`;
    await referCallers(theBusiness().workspace, number.e164, referTo || null);
    theBusiness().edit(label, [{ do: 'number.remove', id: number.id }], { withNotice: true });
    close();
  }
</script>

<Modal
  open
  danger
  modalHeading="Give back {theBusiness().number(number.e164)}, {number.label}?"
  primaryButtonText="Give it back"
  secondaryButtonText="Keep it"
  on:click:button--secondary={close}
  on:close={close}
  on:submit={() => void give()}
>
  <h3>What breaks</h3>
  <ul>
    {#each breaks as b (b)}<li>{b}</li>{/each}
  </ul>
  <h3>What callers will hear</h3>
  <Select labelText="The carrier says" bind:selected={referTo}>
    <SelectItem value="" text="that the number is no longer in service" />
    {#each others as n (n.id)}<SelectItem
        value={n.e164}
        text="that it has changed to {theBusiness().number(n.e164)} ({n.label})"
      />{/each}
  </Select>
  <h3>Until when you can change your mind</h3>
  <p>
    {inForce
      ? `Callers reach you until you put this in force. From then on the carrier keeps the number for you for ${days} days; after that somebody else can have it.`
      : 'It was never in force, so no caller is affected. It stays yours at the carrier until you put the draft in force.'}
  </p>
</Modal>

<style>
  h3 {
    margin: 14px 0 4px;
  }
  ul {
    list-style: disc;
    padding-left: 18px;
    font-size: var(--text-lead);
  }
</style>
