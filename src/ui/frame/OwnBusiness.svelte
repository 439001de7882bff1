<script lang="ts">
  import { Modal, Select, TextInput } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { PROFILES } from '$core/numbering';
  import { Business, newBusiness } from '$core/system';
  import { emptyWhole } from '$workspace';
  import { freshId } from '../ids';
  import { keeping } from '../data/keeping.svelte';
  import { session, theBusiness } from '../window/session.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import ZoneField from '../fields/ZoneField.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();
  let name = $state('');
  let country = $state('US');
  /** The computer's own, unless another is chosen: a country may have several. */
  let timeZone = $state(Intl.DateTimeFormat().resolvedOptions().timeZone);
  let problem = $state('');
  // It takes the focus once it can: as long as it opens nothing in it can have it, and what opened it gives it back as it closes.
  onMount(() => {
    let tries = 0;
    const timer = setInterval(() => {
      const field = document.getElementById('own-name');
      if (!document.activeElement?.closest('.bx--modal.is-visible')) field?.focus();
      if (++tries > 20) clearInterval(timer);
    }, 50);
    return () => clearInterval(timer);
  });

  async function start() {
    const business = Business.safeParse(newBusiness({ name, country, timeZone }));
    if (!business.success) {
      problem = 'Type the name of your business.';
      return;
    }
    const id = freshId('business');
    await theBusiness().workspace.adopt(
      emptyWhole({ id, kind: 'own', createdAt: theBusiness().workspace.now() }, business.data),
    );
    await session.open(id);
    // From now on there is something to lose.
    void keeping.ask();
    await goto('/begin');
    open = false;
    name = problem = '';
  }
</script>

<Modal
  bind:open
  size="sm"
  modalHeading="Start with your own business"
  primaryButtonText="Start"
  secondaryButtonText="Not now"
  selectorPrimaryFocus="#own-name"
  on:click:button--secondary={() => (open = false)}
  on:submit={start}
>
  <p class="sub">
    It is kept in this browser, beside the demonstration. You can switch between them at any time.
  </p>
  <div class="fields">
    <TextInput id="own-name" labelText="Name" bind:value={name} invalid={!!problem} invalidText={problem} />
    <Select labelText="Country" bind:selected={country}>
      {#each PROFILES as p (p.country)}<SelectItem value={p.country} text={p.name} />{/each}
    </Select>
    <ZoneField
      zone={timeZone}
      {country}
      at={theBusiness().minute}
      helper="The one of this computer, unless you choose another: type a city."
      choose={(zone) => (timeZone = zone)}
    />
  </div>
</Modal>
