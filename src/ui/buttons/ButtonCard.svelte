<script lang="ts">
  import { Button, Checkbox, Select } from 'carbon-components-svelte';
  import { offeredAt, readable, snippetOf, stylesOf } from '$core/buttons';
  import { momentInFull, writingOf } from '$core/hours';
  import type { CallButton } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import SelectItem from '../fields/SelectItem.svelte';
  import { onMount } from 'svelte';
  import { exchangeKeys, visitLinkOf } from '$workspace';
  import { writeVisit } from '../../channel/visit';
  import { readSharing, type Sharing } from '../phones/apart/sharing';
  import { theBusiness } from '../window/session.svelte';

  /** A call button: what it offers, how it looks, and the HTML that is copied into a site. */
  let { button }: { button: CallButton } = $props();
  const system = $derived(theBusiness().system);
  const set = (change: Partial<Omit<CallButton, 'id'>>, words: string) =>
    theBusiness().keep(`${button.name}: ${words}`, [{ do: 'call button.set', id: button.id, change }]);
  const look = (change: Partial<CallButton['look']>) =>
    set({ look: { ...button.look, ...change } }, 'its look');
  const OFFERS = [
    ['call', 'to call from the page'],
    ['call back', 'to be called back'],
    ['book', 'to book a time'],
  ] as const;
  const number = $derived(system.numbers[button.numberId ?? '']);
  const seen = $derived(readable(button.look));
  const now = $derived(offeredAt(button, system, theBusiness().minute));
  const inForce = $derived(theBusiness().view.inForce.system.buttons[button.id]);
  /** Where the page is found from other machines, and how the exchange is from there. */
  let sharing = $state.raw<Sharing | null>(null);
  let exchange = $state('');
  onMount(async () => {
    sharing = await readSharing();
    if (!sharing?.address) return;
    const { workspace } = theBusiness();
    const keys = await exchangeKeys(workspace.db, workspace.changes, workspace.id, workspace.now());
    exchange = writeVisit(await visitLinkOf(keys));
  });
  const snippet = $derived(
    number
      ? snippetOf(button, {
          origin: sharing?.address ?? location.origin,
          businessId: theBusiness().id,
          number: number.e164,
          written: theBusiness().number(number.e164),
          exchange,
        })
      : '',
  );
  const sample = $derived(
    `/bench/site?${new URLSearchParams({
      business: theBusiness().id,
      number: number?.e164 ?? '',
      ...(exchange ? { exchange } : {}),
      button: JSON.stringify({ id: button.id, says: button.says, look: button.look }),
    })}`,
  );
  let copied = $state(false);
  async function copy() {
    await navigator.clipboard.writeText(snippet);
    copied = true;
    setTimeout(() => (copied = false), 3000);
  }
  function offer(what: CallButton['offers'][number], on: boolean) {
    const offers = OFFERS.map(([o]) => o).filter((o) => (o === what ? on : button.offers.includes(o)));
    return set({ offers }, 'what it offers');
  }
  let problem = $state('');
  const remove = () =>
    theBusiness().edit(`Remove the button ${button.name}`, [{ do: 'call button.remove', id: button.id }], {
      withNotice: true,
    });
</script>

<section class="card" id={button.id} aria-label={button.name}>
  <div class="head">
    <h2>{button.name}</h2>
    {#if !inForce}<span class="small soft">In the draft only: its page opens once it is in force.</span>{/if}
    <span class="grow"></span>
    <button class="linkish small" type="button" aria-label="Remove {button.name}" onclick={remove}
      >Remove</button
    >
  </div>
  <div class="columns">
    <div class="fields">
      <EditField label="Name" value={button.name} keep={(text) => set({ name: text }, `called “${text}”`)} />
      <EditField
        label="What stands on it"
        value={button.says}
        keep={(says) => set({ says }, 'what stands on it')}
      />
      <Select
        size="sm"
        labelText="Number it calls"
        selected={button.numberId ?? ''}
        on:update={(e) => {
          const numberId = String(e.detail) || null;
          if (numberId !== button.numberId) set({ numberId }, 'its number');
        }}
      >
        <SelectItem value="" text="Choose…" />
        {#each Object.values(system.numbers) as n (n.id)}<SelectItem value={n.id} text={n.label} />{/each}
      </Select>
      <Select
        size="sm"
        labelText="Open"
        selected={button.hoursId ?? ''}
        on:update={(e) => {
          const hoursId = String(e.detail) || null;
          if (hoursId !== button.hoursId) set({ hoursId }, 'its hours');
        }}
      >
        <SelectItem value="" text="always" />
        {#each Object.values(system.hours) as h (h.id)}<SelectItem value={h.id} text={h.name} />{/each}
      </Select>
      <fieldset class="wide">
        <legend>A visitor is offered</legend>
        {#each OFFERS as [what, says] (what)}
          <Checkbox
            labelText={says}
            checked={button.offers.includes(what)}
            on:check={(e) => {
              if (e.detail !== button.offers.includes(what)) problem = offer(what, e.detail) ?? '';
            }}
          />
        {/each}
        {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
      </fieldset>
      {#if button.offers.includes('book')}
        <Select
          size="sm"
          labelText="Books in"
          selected={button.calendarId ?? ''}
          on:update={(e) => {
            const calendarId = String(e.detail) || null;
            if (calendarId !== button.calendarId) set({ calendarId }, 'its calendar');
          }}
        >
          <SelectItem value="" text="Choose…" />
          {#each Object.values(system.calendars) as c (c.id)}<SelectItem value={c.id} text={c.name} />{/each}
        </Select>
      {/if}
      {#if button.offers.includes('call back')}
        <Select
          size="sm"
          labelText="Who calls back"
          selected={button.personId ?? ''}
          on:update={(e) => {
            const personId = String(e.detail) || null;
            if (personId !== button.personId) set({ personId }, 'who calls back');
          }}
        >
          <SelectItem value="" text="anybody" />
          {#each Object.values(system.people) as p (p.id)}<SelectItem value={p.id} text={p.name} />{/each}
        </Select>
      {/if}
      {#if button.hoursId}
        <div class="wide">
          <EditField
            label="Outside these hours it says"
            value={button.closed}
            keep={(closed) => set({ closed }, 'its words when closed')}
          />
        </div>
      {/if}
    </div>
    <div class="look">
      <div class="page" data-testid="button-look">
        <span
          class="made"
          {@attach (node) => {
            for (const [name, value] of Object.entries(stylesOf(button.look)))
              node.style.setProperty(name, value);
          }}>{button.says}</span
        >
        <span class="beside">{number ? theBusiness().number(number.e164) : 'no number yet'}</span>
      </div>
      <p class="small" class:problem={seen.wrong.length > 0} aria-live="polite">
        {#if seen.wrong.length}{seen.wrong.join(' ')}{:else}Contrast {seen.text} to 1, and {seen.edge} to 1 on white:
          it can be read.{/if}
      </p>
      <div class="colours">
        <label class="small"
          >Colour <input
            type="color"
            value={button.look.background}
            onchange={(e) => void look({ background: e.currentTarget.value })}
          /></label
        >
        <label class="small"
          >Words <input
            type="color"
            value={button.look.ink}
            onchange={(e) => void look({ ink: e.currentTarget.value })}
          /></label
        >
        <Select
          size="sm"
          labelText="Size"
          selected={button.look.size}
          on:update={(e) => {
            const size = e.detail as CallButton['look']['size'];
            if (size !== button.look.size) look({ size });
          }}
        >
          {#each ['small', 'usual', 'large'] as s (s)}<SelectItem value={s} text={s} />{/each}
        </Select>
        <SecondsField
          label="Round corners"
          what="pixels"
          min={0}
          max={40}
          narrow
          value={button.look.corner}
          onchange={(corner) => look({ corner })}
        />
      </div>
      <p class="small">
        {#if now.open}Open now: a visitor may {[
            now.can.call ? 'call' : '',
            now.can.callBack ? 'ask to be called back' : '',
            now.can.book ? 'book' : '',
          ]
            .filter(Boolean)
            .join(', ') || 'do nothing'}.
        {:else}Closed now{now.opens
            ? ` until ${momentInFull(now.opens, theBusiness().zone, writingOf(system.business))}`
            : ''}: a call becomes a message.{/if}
      </p>
      {#if number}
        <label class="small" for="{button.id}-html">HTML for your site</label>
        <textarea id="{button.id}-html" readonly rows="5" value={snippet}></textarea>
        <div class="row">
          <Button size="small" kind="tertiary" on:click={() => void copy()}
            >{copied ? 'Copied' : 'Copy it'}</Button
          >
          <a class="small" href={sample} target="_blank" rel="noopener">See it on a plain page</a>
        </div>
        <p class="small soft" data-testid="visit-where">
          {#if exchange}Its page opens on every machine that finds <b>{sharing?.address}</b>, as long as a
            browser has this business open.
          {:else}Its page opens in this browser only, as long as the server serves this machine alone: begin
            with
            <code>npm start -- --share</code> for others.{/if}
        </p>
      {/if}
    </div>
  </div>
</section>

<style>
  .head {
    display: flex;
    gap: 10px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .grow {
    flex: 1;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 28px;
  }
  .fields {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 8px 14px;
    align-content: start;
  }
  .wide {
    grid-column: 1 / -1;
  }
  fieldset {
    border: 0;
    padding: 0;
  }
  legend {
    font-size: var(--text-small);
  }
  .page {
    background: #fff;
    border: 1px solid var(--rule);
    padding: 20px;
    overflow-wrap: anywhere;
  }
  .beside {
    margin-left: 12px;
    color: #00e;
    text-decoration: underline;
  }
  .colours {
    display: grid;
    grid-template-columns: repeat(4, auto);
    gap: 12px;
    align-items: end;
    justify-content: start;
  }
  .colours label {
    display: grid;
    gap: 4px;
  }
  textarea {
    width: 100%;
    font-family: monospace;
    font-size: var(--text-small);
    border: 1px solid var(--rule);
    background: var(--paper, #fff);
    padding: 6px;
  }
  .row {
    display: flex;
    gap: 14px;
    align-items: center;
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
