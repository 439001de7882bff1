<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { hundredOf, type MapCell } from '$core/numbering';
  import { extensionsInUse } from '$core/system';
  import { theBusiness } from '../../window/session.svelte';
  import { dialPlanOf } from './dial';
  import SelectItem from '../../fields/SelectItem.svelte';

  /** Every extension of the business's length, in hundreds: taken, free, reserved, or blocked and with what. */
  const system = $derived(theBusiness().system);
  const index = $derived(dialPlanOf(system).index);
  /** Slots in which calls wait are nobody's. */
  const business = $derived({
    ...system.business,
    reserved: [
      ...system.business.reserved,
      ...(system.business.park ? [{ ...system.business.park, note: 'parked calls' }] : []),
    ],
  });
  const length = $derived(system.business.extensionLength);
  /** Digits before the hundreds that are shown; there are more than ten hundreds from four digits on. */
  const inUse = $derived([
    ...new Set(extensionsInUse(system).map((e) => e.extension.slice(0, Math.max(0, length - 3)))),
  ]);
  const leads = $derived(
    length <= 3
      ? ['']
      : [
          ...new Set([
            ...inUse.filter((l) => l.length === length - 3),
            ...Array.from({ length: 10 }, (_, d) => String(d).padEnd(length - 3, '0')),
          ]),
        ].sort(),
  );
  let chosenLead = $state('');
  const lead = $derived(
    leads.includes(chosenLead) ? chosenLead : (inUse.find((l) => leads.includes(l)) ?? leads[0]!),
  );
  const heads = $derived(length === 2 ? [''] : Array.from({ length: 10 }, (_, d) => lead + d));
  const hundreds = $derived(heads.map((head) => ({ head, cells: hundredOf(head, index, business) })));
  const tally = $derived(
    hundreds
      .flatMap((h) => h.cells)
      .reduce<Record<string, number>>((t, c) => ({ ...t, [c.state]: (t[c.state] ?? 0) + 1 }), {}),
  );
  let looked = $state.raw<MapCell | null>(null);
  const shown = $derived(looked);
  /** One cell of the whole map is in the order of the Tab key; arrows move from there. */
  let at = $state<string | null>(null);
  const first = $derived(
    hundreds.flatMap((h) => h.cells).find((c) => c.state === 'taken')?.extension ??
      hundreds[0]?.cells[0]?.extension,
  );

  function keys(event: KeyboardEvent, cell: MapCell) {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 10, ArrowUp: -10 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = String(Number(cell.extension) + step).padStart(length, '0');
    const button = document.getElementById(`ext-${next}`);
    if (button) {
      at = next;
      button.focus();
    }
  }
</script>

<div class="card">
  <div class="head">
    <h2>Extensions</h2>
    {#if leads.length > 1}
      <Select
        size="sm"
        inline
        labelText="That begin with"
        selected={lead}
        on:update={(e) => (chosenLead = String(e.detail))}
      >
        {#each leads as l (l)}<SelectItem value={l} text={l} />{/each}
      </Select>
    {/if}
  </div>
  <ul class="legend">
    {#each ['taken', 'free', 'reserved', 'blocked'] as state (state)}
      <li><i class={state} aria-hidden="true"></i>{tally[state] ?? 0} {state}</li>
    {/each}
  </ul>
  <div class="map" role="group" aria-label="Extension map; arrow keys move from one to the next">
    {#each hundreds as { head, cells } (head)}
      <div class="hundred">
        <h3>{cells[0]!.extension}–{cells[99]!.extension}</h3>
        <div class="grid">
          {#each cells as cell (cell.extension)}
            <button
              type="button"
              id="ext-{cell.extension}"
              class={cell.state}
              tabindex={(at ?? first) === cell.extension ? 0 : -1}
              aria-label="{cell.extension}, {cell.state}: {cell.words}"
              onmouseenter={() => (looked = cell)}
              onfocus={() => {
                looked = cell;
                at = cell.extension;
              }}
              onkeydown={(e) => keys(e, cell)}
            ></button>
          {/each}
        </div>
      </div>
    {/each}
  </div>
  <p class="told" aria-live="polite">
    {#if shown}<b>{shown.extension}</b>
      {shown.state}{shown.state === 'free' ? '' : `: ${shown.words}`}{:else}<span class="soft"
        >Point at one to see whose it is, or what is in its way.</span
      >{/if}
  </p>
</div>

<style>
  .head {
    display: flex;
    justify-content: space-between;
  }
  .legend {
    display: flex;
    gap: 18px;
    list-style: none;
    padding: 0;
    margin: 0 0 10px;
    font-size: var(--text-body);
  }
  .legend li {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  .legend i {
    width: 12px;
    height: 12px;
    display: inline-block;
  }
  .map {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(136px, 1fr));
    gap: 12px 14px;
  }
  .hundred h3 {
    font-size: var(--text-small);
    font-weight: 400;
    color: var(--ink-soft);
    margin: 0 0 2px;
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(10, 1fr);
    gap: 1px;
  }
  .grid button {
    aspect-ratio: 1;
    padding: 0;
    cursor: default;
  }
  button,
  i {
    border: 1px solid var(--rule);
    background: var(--paper);
  }
  button:focus-visible {
    position: relative;
    outline: 2px solid var(--ink);
  }
  button.taken,
  i.taken {
    background: var(--copper);
    border-color: var(--copper);
  }
  button.reserved,
  i.reserved {
    background: repeating-linear-gradient(45deg, var(--held) 0 2px, var(--sheet) 2px 5px);
    border-color: var(--held-line);
  }
  button.blocked,
  i.blocked {
    background: linear-gradient(
      to top right,
      var(--ended-wash) 44%,
      var(--ended) 46% 54%,
      var(--ended-wash) 56%
    );
  }
  .told {
    min-height: 22px;
    margin: 10px 0 0;
  }
</style>
