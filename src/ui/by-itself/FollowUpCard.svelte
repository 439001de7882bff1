<script lang="ts">
  import { Button, Checkbox, Select } from 'carbon-components-svelte';
  import { FOLLOW_FIELDS, followUpInWords } from '$core/followups';
  import type { FollowIf, FollowThen, FollowUp } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import TimeField from '../fields/TimeField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { setFollowUp } from './edits';
  import IfFields from './IfFields.svelte';
  import { IFS, isAboutACall, THENS } from './kinds';
  import ThenFields from './ThenFields.svelte';
  import Tried from './Tried.svelte';
  import WhenFields from './WhenFields.svelte';

  let { followUp, open, ontoggle }: { followUp: FollowUp; open: boolean; ontoggle: () => void } = $props();
  const system = $derived(theBusiness().system);
  const inForce = $derived(theBusiness().view.inForce.system.followUps[followUp.id]);
  const standing = $derived(
    followUp.rests
      ? 'It rests: nothing is done.'
      : !inForce
        ? 'In the draft only: nothing is done until it is in force.'
        : inForce === followUp || JSON.stringify(inForce) === JSON.stringify(followUp)
          ? ''
          : 'Changed in the draft; what is in force is done meanwhile.',
  );
  const set = (change: Partial<Omit<FollowUp, 'id'>>, words: string) => setFollowUp(followUp, change, words);
  const setIf = (i: number, next: FollowIf) =>
    set({ if: followUp.if.map((one, j) => (i === j ? next : one)) }, 'a condition');
  const setThen = (i: number, next: FollowThen) =>
    set({ then: followUp.then.map((one, j) => (i === j ? next : one)) }, 'what is done');
  let problem = $state('');
  let adding = $state('');
  let doing = $state('');
  /** A condition that needs a choice begins with the first there is. */
  function freshIf(is: FollowIf['is']): FollowIf {
    const fresh = IFS[is].fresh;
    if (fresh.is === 'number') return { ...fresh, numberIds: Object.keys(system.numbers).slice(0, 1) };
    if (fresh.is === 'hours') return { ...fresh, hoursId: Object.keys(system.hours)[0] ?? null };
    if (fresh.is === 'listed') return { ...fresh, listId: Object.keys(system.lists)[0] ?? null };
    if (fresh.is === 'step')
      return { ...fresh, step: Object.values(system.plans)[0]?.steps[0]?.id ?? fresh.step };
    return fresh;
  }
  const { after } = $derived(followUp);
  const remove = () =>
    theBusiness().edit(
      `Remove the follow-up ${followUp.name}`,
      [{ do: 'follow-up.remove', id: followUp.id }],
      { withNotice: true },
    );
</script>

<section class="card" id={followUp.id} aria-label={followUp.name} class:rests={followUp.rests}>
  <div class="head">
    <h2>{followUp.name}</h2>
    {#if standing}<span class="small soft">{standing}</span>{/if}
    <span class="grow"></span>
    <Button size="small" kind="ghost" aria-expanded={open} on:click={ontoggle}
      >{open ? 'Close' : 'Change it'}</Button
    >
    <button
      class="linkish small"
      type="button"
      onclick={() => set({ rests: !followUp.rests }, followUp.rests ? 'does its work again' : 'rests')}
      >{followUp.rests ? 'Let it work' : 'Let it rest'}</button
    >
    <button class="linkish small" type="button" aria-label="Remove {followUp.name}" onclick={remove}
      >Remove</button
    >
  </div>
  <p class="sentence" data-testid="follow-up-sentence">{followUpInWords(followUp, system)}</p>
  {#if open}
    <div class="open" class:alone={!isAboutACall(followUp)}>
      <div>
        <div class="part">
          <b>Name</b>
          <div class="fields">
            <EditField
              label="Name"
              hideLabel
              value={followUp.name}
              keep={(name) => set({ name }, `called “${name}”`)}
            />
          </div>
        </div>
        <div class="part">
          <b>When</b>
          <div class="fields whole"><WhenFields {followUp} /></div>
        </div>
        {#if isAboutACall(followUp)}
          <div class="part">
            <b>If</b>
            <div>
              {#each followUp.if as condition, i (i)}
                <div class="line" role="group" aria-label="Condition {i + 1}: {IFS[condition.is].says}">
                  <div class="fields">
                    <IfFields {condition} {system} set={(next) => setIf(i, next)} />
                  </div>
                  <button
                    class="linkish small"
                    type="button"
                    aria-label="Remove condition {i + 1}"
                    onclick={() =>
                      set({ if: followUp.if.filter((c) => c !== condition) }, 'a condition fewer')}
                    >Remove</button
                  >
                </div>
              {/each}
              <div class="add">
                <Select
                  size="sm"
                  hideLabel
                  labelText="Add a condition"
                  selected={adding}
                  on:update={(e) => {
                    const is = String(e.detail);
                    if (!is) return;
                    problem =
                      set({ if: [...followUp.if, freshIf(is as FollowIf['is'])] }, 'a condition more') ?? '';
                    adding = '';
                  }}
                >
                  <SelectItem value="" text={followUp.if.length ? 'and …' : 'in any case; or only if …'} />
                  {#each Object.entries(IFS) as [is, { says }] (is)}<SelectItem
                      value={is}
                      text={says}
                    />{/each}
                </Select>
              </div>
            </div>
          </div>
        {/if}
        <div class="part">
          <b>Then</b>
          <div>
            {#each followUp.then as then, i (i)}
              <div class="line" role="group" aria-label="Done {i + 1}: {THENS[then.do].says}">
                <div class="fields">
                  <span class="what">{THENS[then.do].says}</span>
                  <ThenFields {then} {system} set={(next) => setThen(i, next)} />
                </div>
                {#if followUp.then.length > 1}<button
                    class="linkish small"
                    type="button"
                    aria-label="Remove what is done {i + 1}"
                    onclick={() =>
                      set({ then: followUp.then.filter((t) => t !== then) }, 'one thing fewer is done')}
                    >Remove</button
                  >{/if}
              </div>
            {/each}
            <div class="add">
              <Select
                size="sm"
                hideLabel
                labelText="Add what is done"
                selected={doing}
                on:update={(e) => {
                  const what = String(e.detail);
                  if (!what) return;
                  const fresh = THENS[what as FollowThen['do']].fresh;
                  problem = set({ then: [...followUp.then, fresh] }, 'one thing more is done') ?? '';
                  doing = '';
                }}
              >
                <SelectItem value="" text="and …" />
                {#each Object.entries(THENS) as [what, { says }] (what)}<SelectItem
                    value={what}
                    text={says}
                  />{/each}
              </Select>
            </div>
          </div>
        </div>
        <div class="part">
          <b>After</b>
          <div class="fields">
            <Select
              size="sm"
              labelText="When it is done"
              selected={after.is}
              on:update={(e) => {
                if (e.detail === after.is) return;
                set(
                  {
                    after:
                      e.detail === 'minutes' ? { is: 'minutes', minutes: 2 } : { is: 'next day', at: 540 },
                  },
                  'when it is done',
                );
              }}
            >
              <SelectItem value="minutes" text="after so many minutes" />
              <SelectItem value="next day" text="on the next day, at" />
            </Select>
            {#if after.is === 'minutes'}
              <SecondsField
                label="Minutes"
                what="minutes"
                value={after.minutes}
                min={0}
                max={43200}
                narrow
                onchange={(minutes) => set({ after: { is: 'minutes', minutes } }, `after ${minutes} minutes`)}
              />
            {:else}
              <TimeField
                label="At"
                minute={after.at}
                keep={(at) => set({ after: { is: 'next day', at } }, 'when it is done')}
              />
            {/if}
            <SecondsField
              label="Days in which nobody gets it twice"
              what="days"
              value={followUp.pauseDays}
              min={0}
              max={365}
              narrow
              onchange={(pauseDays) => set({ pauseDays }, `a pause of ${pauseDays} days`)}
            />
            {#if isAboutACall(followUp)}
              <Checkbox
                labelText="Not where they were talked with by then"
                checked={followUp.unlessTalked}
                on:check={(e) => {
                  if (e.detail !== followUp.unlessTalked)
                    set(
                      { unlessTalked: e.detail },
                      e.detail ? 'not where they were talked with' : 'in any case',
                    );
                }}
              />
            {/if}
          </div>
        </div>
        {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
        <details>
          <summary class="small">What can stand in braces</summary>
          <ul class="small">
            {#each Object.entries(FOLLOW_FIELDS) as [field, what] (field)}<li>
                <code>{`{${field}}`}</code>
                {what}
              </li>{/each}
          </ul>
        </details>
      </div>
      {#if isAboutACall(followUp)}<Tried {followUp} />{/if}
    </div>
  {/if}
</section>

<style>
  .head {
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
  .sentence {
    max-width: 78ch;
    overflow-wrap: anywhere;
  }
  .rests .sentence {
    color: var(--ink-soft);
  }
  .open {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 28px;
    border-top: 2px solid var(--rule);
    margin-top: 10px;
  }
  .open.alone {
    grid-template-columns: minmax(0, 1fr);
  }
  .part {
    display: grid;
    grid-template-columns: 52px minmax(0, 1fr);
    gap: 10px;
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
  }
  .part > b {
    padding-top: 6px;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
    gap: 8px 12px;
    align-items: start;
    flex: 1;
  }
  /* What it waits for is said in whole words. */
  .whole {
    grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  }
  .line {
    display: flex;
    gap: 12px;
    align-items: start;
    padding-bottom: 8px;
  }
  .what {
    grid-column: 1 / -1;
    font-weight: 600;
    font-size: var(--text-body);
  }
  .add {
    max-width: 290px;
  }
  ul {
    columns: 2;
  }
  @media (max-width: 1000px) {
    .open {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
