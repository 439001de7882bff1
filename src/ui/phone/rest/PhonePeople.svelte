<script lang="ts">
  import { Search } from 'carbon-components-svelte';
  import { colleague, presenceInWords, type Where } from '$core/phone';
  import { directory } from '$core/people';
  import { dateText } from '../../format';
  import AnswerBack from '../../messages/AnswerBack.svelte';
  import { lamp } from '../../people/lamp';
  import { here } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import type { Placing } from '../placing.svelte';

  /** Colleagues with what they are doing, and contacts of the business: found by name, called or texted in one tap. */
  let { desk, where, placing }: { desk: PhoneDesk; where: Where; placing: Placing } = $props();
  let query = $state('');
  const words = $derived(query.toLowerCase().split(/\s+/).filter(Boolean));
  const has = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const people = $derived(
    directory(where.system, where.phone.personId).filter(
      (e) =>
        e.kind !== 'group' &&
        e.id !== where.phone.personId &&
        has(`${e.name} ${e.extension} ${e.groups.join(' ')}`),
    ),
  );
  const contacts = $derived(
    Object.values(where.system.contacts)
      .filter((c) =>
        has(
          [c.name, c.firm ?? '', ...c.numbers, ...c.numbers.map((n) => here().number(n)), c.note ?? ''].join(
            ' ',
          ),
        ),
      )
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const AT_ONCE = 50;
  let shown = $state(AT_ONCE);
</script>

<Search
  size="sm"
  labelText="Search people"
  placeholder="Search: names, extensions, firms, numbers"
  bind:value={query}
/>
<div class="both">
  <section aria-label="Colleagues you can call">
    <h2>Colleagues</h2>
    <ul>
      {#each people as e (e.kind + e.id)}
        {@const p = desk.going.presence[e.id]}
        <li>
          <button
            class="row"
            type="button"
            aria-label="Call {e.name}, {e.extension}"
            onclick={() => placing.call(colleague(e.id, e.name, e.extension))}
          >
            <b>{e.name}</b><span>{e.extension}</span>
            {#if p}<em class={lamp(p)}>{presenceInWords(p, dateText)}</em>{/if}
          </button>
        </li>
      {:else}<li class="soft none">Nobody of us is found by that.</li>{/each}
    </ul>
  </section>
  <section aria-label="Contacts">
    <h2>Contacts</h2>
    <ul>
      {#each contacts.slice(0, shown) as c (c.id)}
        <li class="contact">
          <b>{c.name}</b>{#if c.firm}<span class="soft small">{c.firm}</span>{/if}
          {#each c.numbers as number (number)}
            <div class="number">
              <button class="linkish" type="button" onclick={() => placing.dial(number, c.name)}
                >{here().number(number)}<span class="visually-hidden">&nbsp;: call {c.name}</span></button
              >
              <AnswerBack {number} own={desk.phoneId} answered={() => Promise.resolve()} />
            </div>
          {/each}
          {#if c.note}<p class="small soft">{c.note}</p>{/if}
        </li>
      {:else}<li class="soft none">
          {words.length ? 'No contact is found by that.' : 'The business has no contacts yet.'}
        </li>{/each}
    </ul>
    {#if contacts.length > shown}
      <button class="linkish" type="button" onclick={() => (shown += AT_ONCE)}
        >Show more of {contacts.length.toLocaleString('en-US')}</button
      >
    {/if}
  </section>
</div>

<style>
  .both {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
    gap: 18px;
    margin-top: 12px;
  }
  h2 {
    margin: 0 0 8px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .row {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 8px;
    width: 100%;
    min-height: 48px;
    align-content: center;
    padding: 4px 10px;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  .row:hover {
    background: var(--hover);
  }
  .row span {
    color: var(--ink-soft);
    font-variant-numeric: tabular-nums;
  }
  em {
    grid-column: 1 / 3;
    font-style: normal;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  em.free {
    color: var(--group);
  }
  em.busy {
    color: var(--alarm);
  }
  .contact {
    display: grid;
    gap: 2px;
    padding: 8px 10px;
    background: var(--sheet);
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }
  .number {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
  }
  .contact p {
    margin: 2px 0 0;
    white-space: pre-wrap;
  }
  .none {
    padding: 10px;
  }
</style>
