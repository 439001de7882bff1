<script lang="ts">
  import { Button, NumberInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { Keeping } from '$core/system';
  import { theBusiness } from '../window/session.svelte';

  /** How long calls and texts are kept. */
  const business = $derived(theBusiness());
  const keeping = $derived(business.system.business.keeping ?? {});
  const FIELDS = [
    [
      'callDays',
      'Days that calls are kept',
      'Their notes and recordings go with them. Messages go by their mailbox.',
    ],
    ['textDays', 'Days that texts are kept', ''],
    ['hideDays', 'Days until numbers of callers are hidden', 'The call stays, as from a hidden number.'],
  ] as const;
  let typed = $state<Record<string, number | null>>(untrack(() => ({ ...keeping })));
  let problem = $state<{ field: string; message: string } | null>(null);
  async function keep(event: Event) {
    event.preventDefault();
    const wanted = Object.fromEntries(Object.entries(typed).filter(([, n]) => n !== null && n !== undefined));
    const read = Keeping.safeParse(wanted);
    if (!read.success) {
      const issue = read.error.issues[0]!;
      return (problem = { field: String(issue.path[0] ?? ''), message: issue.message });
    }
    const value = Object.keys(read.data).length ? read.data : undefined;
    const message = await business.keepStored('How long calls and texts are kept', [
      { do: 'business.set', change: { keeping: value } },
    ]);
    problem = message ? { field: 'callDays', message } : null;
  }
</script>

<form onsubmit={(e) => void keep(e)}>
  {#each FIELDS as [field, label, helper] (field)}
    <NumberInput
      size="sm"
      hideSteppers
      allowEmpty
      labelText={label}
      helperText={helper || 'Empty is for ever.'}
      value={typed[field] ?? null}
      invalid={problem?.field === field}
      invalidText={problem?.message ?? ''}
      on:change={(e) => (typed = { ...typed, [field]: e.detail })}
    />
  {/each}
  <Button size="small" kind="tertiary" type="submit">Keep it so</Button>
</form>
<p class="soft small">
  It holds once it is in force, and is done each hour. What went cannot be brought back.
</p>

<style>
  form {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
    gap: 10px;
    align-items: start;
  }
  form > :global(.bx--btn) {
    margin-top: 20px;
  }
</style>
