<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { HiddenCallers, Screening } from '$core/system';
  import { here } from '../window/session.svelte';
  import type { ReachForm } from './form.svelte';
  import Origin from './Origin.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  /** What callers do before somebody's phones ring, and what becomes of those who hide their number. */
  let { form }: { form: ReachForm } = $props();
  const { person, next } = $derived(form);
  const own = $derived(here().standing.own?.people[person.id]);
  const SCREENED: Record<Screening, string> = {
    nobody: 'nobody',
    strangers: 'callers who are no contact',
    everybody: 'everybody from outside',
  };
  const HIDDEN: Record<HiddenCallers, string> = {
    ring: 'ring as others do',
    mailbox: 'go to voicemail',
    refused: 'are refused',
  };
</script>

<div class="card">
  <h2>Who calls</h2>
  <Select
    size="sm"
    labelText="Who says their name first"
    helperText="You hear or read it, and answer, decline, or send them to voicemail."
    selected={next.screening ?? 'nobody'}
    on:update={(e) => form.change({ screening: e.detail as Screening })}
  >
    {#each Screening.options as s (s)}<SelectItem value={s} text={SCREENED[s]} />{/each}
  </Select>
  <Origin stamp={own?.screening} />
  <div class="gap"></div>
  <Select
    size="sm"
    labelText="Callers who hide their number"
    helperText={next.hidden === 'mailbox' && !person.mailboxId
      ? `${person.name} has no mailbox: they ring as others do.`
      : ''}
    selected={next.hidden ?? 'ring'}
    on:update={(e) => form.change({ hidden: e.detail as HiddenCallers })}
  >
    {#each HiddenCallers.options as h (h)}<SelectItem value={h} text={HIDDEN[h]} />{/each}
  </Select>
  <Origin stamp={own?.hidden} />
</div>

<style>
  .gap {
    height: 14px;
  }
</style>
