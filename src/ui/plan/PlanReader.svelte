<script lang="ts">
  import { Button, Modal } from 'carbon-components-svelte';
  import { planInWords } from '$core/answering';
  import { applyEdit, type Command, type System } from '$core/system';
  import { FileReading } from '../files/file-reader.svelte';
  import ReadingFile from '../files/ReadingFile.svelte';
  import { theBusiness } from '../window/session.svelte';

  /** A plan from a file, JSON or CPL; what comes of it is shown first. */
  let { system, ondone }: { system: System; ondone: (planId: string) => void } = $props();
  let input = $state<HTMLInputElement>();
  let read = $state.raw<{ commands: Command[]; planId: string; left: string[]; words: string } | null>(null);
  let problem = $state('');
  const reading = new FileReading();

  async function take(file: File | undefined) {
    if (!file) return;
    problem = '';
    if (input) input.value = '';
    const now = system;
    const result = await reading.plan(file, now);
    if (!result) return;
    if (!result.ok) {
      problem = result.message;
      return;
    }
    const tried = applyEdit(system, { words: 'Read a plan', commands: result.commands });
    if (!tried.ok) {
      problem = tried.problems.map((p) => p.message).join(' ');
      return;
    }
    read = { ...result, words: planInWords(tried.system.plans[result.planId]!, tried.system) };
  }
  function add() {
    if (!read) return;
    const { planId } = read;
    const result = theBusiness().edit('Read a plan from a file', read.commands, { withNotice: true });
    if (!result.ok) return;
    read = null;
    ondone(planId);
  }
</script>

<Button kind="ghost" size="small" on:click={() => input?.click()}>Read a plan</Button>
<input
  bind:this={input}
  class="visually-hidden"
  type="file"
  accept=".json,.xml,.cpl"
  aria-label="A plan as JSON or a call script"
  tabindex="-1"
  onchange={(e) => void take(e.currentTarget.files?.[0])}
/>
<ReadingFile {reading} />
{#if problem}<p class="problem small" role="alert">{problem}</p>{/if}
<Modal
  size="sm"
  open={read !== null}
  modalHeading="Add this plan?"
  primaryButtonText="Add it"
  secondaryButtonText="Leave it"
  on:click:button--secondary={() => (read = null)}
  on:close={() => (read = null)}
  on:submit={add}
>
  {#if read}
    <p>{read.words}</p>
    {#if read.left.length}
      <p><b>Not taken over</b></p>
      <ul>
        {#each read.left as what (what)}<li>{what}</li>{/each}
      </ul>
    {/if}
  {/if}
</Modal>
