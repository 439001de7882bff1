<script lang="ts">
  import { Button, TextInput, Toggle } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { presenceInWords } from '$core/phone';
  import { isOn, wordOf, type Person, type System } from '$core/system';
  import { dateText } from '../../format';
  import IfCalledNow from '../../people/IfCalledNow.svelte';
  import Origin from '../../reach/Origin.svelte';
  import type { Send } from '../../reach/settings.svelte';
  import UntilField from '../../reach/UntilField.svelte';
  import type { PhoneDesk } from '../desk.svelte';

  /** What happens if somebody calls, peace for a while, and what colleagues see of whoever has the phone. */
  let {
    desk,
    person,
    system,
    send,
    onreach,
  }: { desk: PhoneDesk; person: Person; system: System; send: Send; onreach: () => void } = $props();
  const dndSet = $derived(desk.standing.dnd[person.id]);
  const dnd = $derived(isOn(dndSet, desk.minute));
  const HOUR_MS = 3_600_000;
  const setDnd = (on: boolean, until: number | null = null) =>
    send(on ? 'Do not disturb is on' : 'Do not disturb is off', [
      { kind: 'do not disturb', personId: person.id, on, until },
    ]);
  const presence = $derived(desk.going.presence[person.id]);
  const word = $derived(wordOf(desk.standing.words?.[person.id], desk.minute));
  const until = $derived(desk.standing.words?.[person.id]?.until ?? null);
  let typed = $state(untrack(() => word));
  // What ends by itself, or was set elsewhere, shows here.
  $effect(() => void (typed = word));
  const say = (words: string, end: number | null) =>
    send(words ? `Colleagues see “${words}”` : 'Your own word is taken away', [
      { kind: 'own word', personId: person.id, words, until: words ? end : null },
    ]);
</script>

<div class="card">
  <h2>If somebody calls you now</h2>
  <IfCalledNow {person} {system} />
  <Toggle
    size="sm"
    labelText="Do not disturb"
    labelA="off"
    labelB="on: no phone of yours rings"
    toggled={dnd}
    on:toggle={(e) => e.detail.toggled !== dnd && void setDnd(e.detail.toggled)}
  />
  {#if dnd}
    <UntilField
      label="Do not disturb until"
      until={dndSet?.until ?? null}
      onchange={(end) => void setDnd(true, end)}
    />
    <Origin stamp={dndSet} />
  {:else}
    <p class="small">
      <button class="linkish" type="button" onclick={() => void setDnd(true, desk.now + HOUR_MS)}
        >Silent for an hour</button
      >
    </p>
  {/if}
  <h3>Colleagues see</h3>
  <p data-testid="own-presence">{presence ? presenceInWords(presence, dateText) : ''}</p>
  <form
    onsubmit={(e) => {
      e.preventDefault();
      if (typed.trim() !== word) void say(typed.trim(), until);
    }}
  >
    <TextInput
      size="sm"
      labelText="A word of your own"
      placeholder="at the dentist"
      maxlength={60}
      bind:value={typed}
    />
    <Button size="small" kind="tertiary" type="submit" disabled={typed.trim() === word}>Say it</Button>
  </form>
  {#if word}
    <UntilField label="It stands until" {until} onchange={(end) => void say(word, end)} />
    <p class="small">
      <button class="linkish" type="button" onclick={() => void say('', null)}>Take it away</button>
    </p>
  {/if}
  <p class="small gap">
    <button class="linkish" type="button" onclick={onreach}
      >How I am reached: phones, forwarding, quiet hours</button
    >
  </p>
</div>

<style>
  h3 {
    margin: 14px 0 4px;
    font-size: var(--text-body);
  }
  p {
    margin: 0 0 8px;
  }
  form {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 8px;
    align-items: end;
    margin-bottom: 8px;
  }
  .gap {
    margin: 12px 0 0;
  }
</style>
