<script lang="ts">
  import { Button, TextArea, TextInput } from 'carbon-components-svelte';
  import { textingStanding, type TextingFacts } from '$standins/carrier/approval';
  import { askForTexting } from '$workspace';
  import { momentText } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** The approval a business needs before its texts go out: what is asked, and where it stands. */
  const requests = $derived(theBusiness().view.dealings.texting);
  const standing = $derived(textingStanding(requests, theBusiness().now));
  const blank: TextingFacts = {
    legalName: '',
    taxId: '',
    website: '',
    contact: '',
    purpose: '',
    sample: '',
    consent: '',
  };
  const form = new Remembered<TextingFacts>(`texting ${theBusiness().view.business.id}`, {
    ...blank,
    legalName: theBusiness().system.business.name,
  });
  let problem = $state<{ field: string; message: string } | null>(null);
  const shown = $derived(
    problem ?? (standing.stage === 'refused' ? { field: standing.field, message: standing.reason } : null),
  );
  const LINES = [
    ['legalName', 'Legal name of the business'],
    ['taxId', 'Tax number'],
    ['website', 'Website'],
    ['contact', 'E-mail of whoever answers questions'],
  ] as const;
  const TEXTS = [
    ['purpose', 'Who gets which texts, and when'],
    ['sample', 'A text as you would send it'],
    ['consent', 'How people agree to be texted'],
  ] as const;
  const set = (field: keyof TextingFacts, text: string) => (form.value = { ...form.value, [field]: text });

  async function ask(event: Event) {
    event.preventDefault();
    const done = await askForTexting(theBusiness().workspace, form.value);
    problem = done.ok ? null : { field: done.field ?? 'legalName', message: done.message };
  }
</script>

<div class="card">
  <h2>Approval to text</h2>
  {#if standing.stage === 'in review'}
    <p>
      <b>In review</b> until about {momentText(standing.until, theBusiness().zone)}. Reviews take about two
      weeks.
    </p>
  {:else if standing.stage === 'approved'}
    <p><b>Approved</b> {momentText(standing.since, theBusiness().zone)}. Your texts go out.</p>
  {:else if standing.stage === 'refused'}
    <p class="problem" role="alert">
      <b>Refused</b>
      {momentText(standing.at, theBusiness().zone)}: {standing.reason}
    </p>
  {:else}
    <p>Not asked for yet. Reviews take about two weeks, so ask before you need it.</p>
  {/if}
  {#if standing.stage !== 'approved'}
    <p class="small soft">
      Until then texts you send wait at the carrier. Calls, texts you receive, and codes that prove a phone
      are not held back.
    </p>
  {/if}
  {#if standing.stage === 'not asked' || standing.stage === 'refused'}
    <form class="fields" onsubmit={(e) => void ask(e)}>
      {#each LINES as [field, label] (field)}
        <TextInput
          size="sm"
          labelText={label}
          value={form.value[field]}
          invalid={shown?.field === field}
          invalidText={shown?.message ?? ''}
          on:input={(e) => set(field, String(e.detail ?? ''))}
        />
      {/each}
      {#each TEXTS as [field, label] (field)}
        <TextArea
          rows={2}
          labelText={label}
          value={form.value[field]}
          invalid={shown?.field === field}
          invalidText={shown?.message ?? ''}
          on:input={(e: Event) => set(field, (e.target as HTMLTextAreaElement).value)}
        />
      {/each}
      <Button size="small" type="submit"
        >{standing.stage === 'refused' ? 'Ask again' : 'Ask for approval'}</Button
      >
    </form>
  {/if}
</div>

<style>
  p {
    margin: 0 0 10px;
  }
  .problem {
    color: var(--alarm);
  }
</style>
