<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { beginsInWords, stepSays, wrongWords } from '$core/dialogues';
  import type { Dialogue, DialogueStep } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import SeveralField from '../fields/SeveralField.svelte';
  import { partedWords } from '../parted';
  import { theBusiness } from '../window/session.svelte';
  import { freshStep, setDialogue, STEP_KINDS } from './dialogue-edits';
  import DialogueStepFields from './DialogueStepFields.svelte';
  import TryDialogue from './TryDialogue.svelte';

  let { dialogue, open, ontoggle }: { dialogue: Dialogue; open: boolean; ontoggle: () => void } = $props();
  const system = $derived(theBusiness().system);
  const inForce = $derived(theBusiness().view.inForce.system.dialogues[dialogue.id]);
  const standing = $derived(
    !inForce
      ? 'In the draft only: nobody gets it until it is in force.'
      : inForce === dialogue || JSON.stringify(inForce) === JSON.stringify(dialogue)
        ? ''
        : 'Changed in the draft; what is in force is said meanwhile.',
  );
  const set = (change: Partial<Omit<Dialogue, 'id'>>, words: string) => setDialogue(dialogue, change, words);
  let problem = $state('');
  let adding = $state('');
  const { steps } = $derived(dialogue);
  const asks = (until: number) => steps.slice(0, until).flatMap((s) => (s.kind === 'ask' ? [s] : []));
  /** A question that is renamed takes what goes by it along. */
  function setStep(i: number, next: DialogueStep): string | undefined {
    const was = steps[i]!;
    const renamed = was.kind === 'ask' && next.kind === 'ask' && was.label !== next.label ? was.label : null;
    return set(
      {
        steps: steps.map((step, j) => {
          if (i === j) return next;
          if (renamed === null || step.only?.label !== renamed || next.kind !== 'ask') return step;
          return { ...step, only: { ...step.only, label: next.label } };
        }),
      },
      'a step',
    );
  }
  const put = (next: DialogueStep[], words: string) => (problem = set({ steps: next }, words) ?? '');
  function move(i: number, by: number) {
    const next = [...steps];
    const [step] = next.splice(i, 1);
    next.splice(i + by, 0, step!);
    put(next, 'a step moved');
  }
  function keepWords(text: string): string | undefined {
    const words = partedWords(text);
    return wrongWords(words) ?? set({ words }, 'words that begin it');
  }
  const remove = () =>
    theBusiness().edit(`Remove the dialogue ${dialogue.name}`, [{ do: 'dialogue.remove', id: dialogue.id }], {
      withNotice: true,
    });
</script>

<section class="card" id={dialogue.id} aria-label={dialogue.name}>
  <div class="head">
    <h2>{dialogue.name}</h2>
    {#if standing}<span class="small soft">{standing}</span>{/if}
    <span class="grow"></span>
    <Button size="small" kind="ghost" aria-expanded={open} on:click={ontoggle}
      >{open ? 'Close' : 'Change it'}</Button
    >
    <button class="linkish small" type="button" aria-label="Remove {dialogue.name}" onclick={remove}
      >Remove</button
    >
  </div>
  {#if !open}
    <p>{beginsInWords(dialogue, system)}:</p>
    <ol class="says">
      {#each steps as step (step.id)}<li>{stepSays(step, system)}</li>{/each}
    </ol>
  {:else}
    <div class="open">
      <div>
        <div class="fields">
          <EditField label="Name" value={dialogue.name} keep={(name) => set({ name }, `called “${name}”`)} />
          <EditField
            label="Begun by a text with one of the words"
            value={dialogue.words.join(', ')}
            placeholder="none: by a follow-up only"
            keep={keepWords}
          />
          <SeveralField
            label="To which numbers"
            items={Object.values(system.numbers).map((n) => ({ id: n.id, text: n.label, name: n.label }))}
            chosen={dialogue.numberIds}
            none="any of yours"
            onchange={(numberIds) => set({ numberIds }, 'its numbers')}
          />
          <SecondsField
            label="Days an answer is waited for"
            what="days"
            value={dialogue.days}
            max={30}
            narrow
            onchange={(days) => set({ days }, `waits ${days} days`)}
          />
        </div>
        <ol class="steps">
          {#each steps as step, i (step.id)}
            <li aria-label="Step {i + 1}: {STEP_KINDS[step.kind]}">
              <div class="bar">
                <b>{i + 1}. {STEP_KINDS[step.kind]}</b>
                <span class="grow"></span>
                {#if i > 0}<button
                    class="linkish small"
                    type="button"
                    aria-label="Move step {i + 1} up"
                    onclick={() => move(i, -1)}>Up</button
                  >{/if}
                {#if i < steps.length - 1}<button
                    class="linkish small"
                    type="button"
                    aria-label="Move step {i + 1} down"
                    onclick={() => move(i, 1)}>Down</button
                  >{/if}
                {#if steps.length > 1}<button
                    class="linkish small"
                    type="button"
                    aria-label="Remove step {i + 1}"
                    onclick={() =>
                      put(
                        steps.filter((s) => s !== step),
                        'a step fewer',
                      )}>Remove</button
                  >{/if}
              </div>
              <div class="fields">
                <DialogueStepFields {step} before={asks(i)} {system} set={(next) => setStep(i, next)} />
              </div>
            </li>
          {/each}
        </ol>
        <Select
          size="sm"
          hideLabel
          labelText="Add a step"
          selected={adding}
          on:update={(e) => {
            const kind = String(e.detail);
            if (!kind) return;
            const labels = asks(steps.length).map((a) => a.label.toLowerCase());
            put([...steps, freshStep(kind as DialogueStep['kind'], labels)], 'a step more');
            adding = '';
          }}
        >
          <SelectItem value="" text="Add a step …" />
          {#each Object.entries(STEP_KINDS) as [kind, says] (kind)}<SelectItem
              value={kind}
              text={says}
            />{/each}
        </Select>
        {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
      </div>
      <TryDialogue {dialogue} />
    </div>
  {/if}
</section>

<style>
  .head,
  .bar {
    display: flex;
    gap: 10px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  h2 {
    font-size: var(--text-title);
    overflow-wrap: anywhere;
  }
  .grow {
    flex: 1;
  }
  .says {
    padding-left: 22px;
    max-width: 86ch;
    overflow-wrap: anywhere;
  }
  .open {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 28px;
    border-top: 2px solid var(--rule);
    margin-top: 10px;
    padding-top: 8px;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
    gap: 8px 12px;
    align-items: start;
  }
  .steps {
    list-style: none;
    padding: 0;
    margin: 10px 0;
  }
  .steps li {
    border-top: 1px solid var(--rule);
    padding: 8px 0;
  }
  @media (max-width: 1000px) {
    .open {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
