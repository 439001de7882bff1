<script lang="ts">
  import { Select, TextInput } from 'carbon-components-svelte';
  import { presenceInWords, type Where } from '$core/phone';
  import { leadsTo, ShortCode, type Person, type Shortcut } from '$core/system';
  import { dateText } from '../../format';
  import SelectItem from '../../fields/SelectItem.svelte';
  import { lamp } from '../../people/lamp';
  import type { Send } from '../../reach/settings.svelte';
  import { here } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';
  import type { Placing } from '../placing.svelte';
  import { ownShortcuts, setShortcuts } from './shortcuts';

  /** Rows that call in one tap: one's own, and those of the business. */
  interface Props {
    desk: PhoneDesk;
    where: Where;
    placing: Placing;
    person: Person;
    send: Send;
  }
  let { desk, where, placing, person, send }: Props = $props();
  /** What was set here last, until the exchange has told it: a second change goes on from the first. */
  let latest = $state.raw<readonly Shortcut[] | null>(null);
  const told = $derived(ownShortcuts(desk, person.id));
  const own = $derived(latest ?? told);
  $effect(() => {
    if (latest && JSON.stringify(told) === JSON.stringify(latest)) latest = null;
  });
  const shared = $derived(Object.values(where.system.shortcuts));
  interface Group {
    name: string;
    rows: Shortcut[];
  }
  const groups = $derived.by((): Group[] => {
    const found = new Map<string, Shortcut[]>();
    for (const s of [...own, ...shared]) {
      const name = s.group || (own.includes(s) ? 'Mine' : 'Everybody’s');
      const rows = found.get(name);
      if (rows) rows.push(s);
      else found.set(name, [s]);
    }
    return [...found].map(([name, rows]) => ({ name, rows }));
  });
  let arranging = $state(false);
  let problem = $state<{ id: string; message: string } | null>(null);
  const set = async (shortcuts: Shortcut[]) => {
    latest = shortcuts;
    try {
      await setShortcuts(send, person.id, shortcuts);
    } catch {
      // What was not taken is not shown; sending says why.
      latest = null;
    }
  };
  const change = (id: string, to: Partial<Shortcut>) =>
    void set(own.map((s) => (s.id === id ? { ...s, ...to } : s)));
  function code(id: string, typed: string) {
    const value = typed.trim();
    problem = null;
    if (!value) return change(id, { code: null });
    const read = ShortCode.safeParse(value);
    if (!read.success) return (problem = { id, message: 'Two digits.' });
    if (own.some((s) => s.id !== id && s.code === value))
      return (problem = { id, message: 'Another of yours has it.' });
    change(id, { code: value });
  }
  function move(id: string, by: number) {
    const from = own.findIndex((s) => s.id === id);
    const to = from + by;
    if (to < 0 || to >= own.length) return;
    const next = [...own];
    next.splice(to, 0, ...next.splice(from, 1));
    void set(next);
  }
  const call = (s: Shortcut) => {
    const leads = leadsTo(s, where.system);
    if (leads) placing.dial(leads.digits, leads.name);
  };
  const NAMES = ['Mine', 'Work', 'Suppliers', 'Family'];
  const groupNames = $derived([...new Set([...own.map((s) => s.group).filter(Boolean), ...NAMES.slice(1)])]);
</script>

{#if groups.length}
  <section aria-label="Shortcuts">
    {#each groups as group (group.name)}
      <h2>{group.name}</h2>
      <ul>
        {#each group.rows as s (s.id)}
          {@const leads = leadsTo(s, where.system)}
          {@const p = leads?.personId ? desk.going.presence[leads.personId] : undefined}
          <li>
            <button
              class="row"
              type="button"
              disabled={!leads}
              aria-label={leads ? `Call ${leads.name}` : undefined}
              onclick={() => call(s)}
            >
              <b>{leads?.name ?? 'nobody any more'}</b>
              <span>{s.code ?? ''}</span>
              {#if p}<em class={lamp(p)}>{presenceInWords(p, dateText)}</em>
              {:else if leads && leads.digits.startsWith('+')}<em>{here().number(leads.digits)}</em>{/if}
            </button>
            {#if arranging && own.includes(s)}
              <div class="arrange">
                <TextInput
                  size="sm"
                  labelText="Short code"
                  inputmode="numeric"
                  value={s.code ?? ''}
                  invalid={problem?.id === s.id}
                  invalidText={problem?.message ?? ''}
                  on:change={(e) => code(s.id, String(e.detail ?? ''))}
                />
                <Select
                  size="sm"
                  labelText="Group"
                  selected={s.group}
                  on:update={(e) => {
                    if (e.detail !== s.group) change(s.id, { group: String(e.detail) });
                  }}
                >
                  <SelectItem value="" text="Mine" />
                  {#each groupNames as name (name)}<SelectItem value={name} text={name} />{/each}
                </Select>
                <button class="linkish small" type="button" onclick={() => move(s.id, -1)}
                  >Up<span class="visually-hidden">&nbsp;{leads?.name}</span></button
                >
                <button class="linkish small" type="button" onclick={() => move(s.id, 1)}
                  >Down<span class="visually-hidden">&nbsp;{leads?.name}</span></button
                >
                <button
                  class="linkish small"
                  type="button"
                  onclick={() => void set(own.filter((o) => o.id !== s.id))}
                  >Take away<span class="visually-hidden">&nbsp;{leads?.name}</span></button
                >
              </div>
            {/if}
          </li>
        {/each}
      </ul>
    {/each}
    {#if own.length}
      <button
        class="linkish small"
        type="button"
        aria-pressed={arranging}
        onclick={() => (arranging = !arranging)}>{arranging ? 'Done arranging' : 'Arrange mine'}</button
      >
    {/if}
  </section>
{/if}

<style>
  section {
    margin: 14px 0;
  }
  h2 {
    margin: 10px 0 6px;
    font-size: var(--text-body);
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 6px;
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
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  .row:hover {
    background: var(--hover);
  }
  .row:disabled {
    color: var(--ink-soft);
    cursor: default;
  }
  span {
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
  .arrange {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 12px;
    align-items: end;
    padding: 6px 0;
  }
  .arrange :global(.bx--form-item) {
    flex: 0 1 90px;
  }
</style>
