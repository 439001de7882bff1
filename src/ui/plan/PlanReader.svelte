<script lang="ts">
  import { Button, Modal } from 'carbon-components-svelte';
  import { planInWords } from '$core/answering';
  import { readCpl } from '$core/formats/cpl';
  import { readPlan } from '$core/formats/plan';
  import { applyEdit, type Command, type System } from '$core/system';
  import { freshId } from '../ids';
  import { session } from '../session.svelte';

  /** A plan from a file, JSON or CPL; what comes of it is shown first. */
  let { system, ondone }: { system: System; ondone: (planId: string) => void } = $props();
  let input = $state<HTMLInputElement>();
  let read = $state.raw<{ commands: Command[]; planId: string; left: string[]; words: string } | null>(null);
  let problem = $state('');

  async function take(file: File | undefined) {
    if (!file) return;
    problem = '';
    const text = await file.text();
    if (input) input.value = '';
    const name = file.name.replace(/\.[^.]*(\.xml)?$/, '').slice(0, 80) || 'Plan from a script';
    const result = /^\s*</.test(text) ? fromScript(text, name) : readPlan(text, system, freshId);
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
  function fromScript(text: string, name: string) {
    const script = readCpl(text, system, freshId);
    if (!script.ok) return script;
    const planId = freshId('plan');
    const add: Command = { do: 'plan.add', value: { id: planId, name, steps: script.steps } };
    return { ok: true as const, commands: [...script.commands, add], planId, left: script.left };
  }
  function add() {
    if (!read) return;
    const { planId } = read;
    const result = session.edit('Read a plan from a file', read.commands, { undoable: true });
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
  aria-label="A plan as JSON or CPL"
  tabindex="-1"
  onchange={(e) => void take(e.currentTarget.files?.[0])}
/>
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
