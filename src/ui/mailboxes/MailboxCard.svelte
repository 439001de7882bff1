<script lang="ts">
  import { Button, Select } from 'carbon-components-svelte';
  import { greetingAt } from '$core/answering';
  import { everybodyAway } from '$core/calls';
  import { localTime } from '$core/hours';
  import { allSteps, withOwn, type Mailbox } from '$core/system';
  import EditField from '../fields/EditField.svelte';
  import { freshId } from '../ids';
  import { listed } from '$core/calls';
  import PeopleField from '../fields/PeopleField.svelte';
  import Listen from '../recordings/Listen.svelte';
  import SecondsField from '../fields/SecondsField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { removeMailbox, setGreetings, setMailbox } from './edits';
  import GreetingRow from './GreetingRow.svelte';
  import MailboxMore from './MailboxMore.svelte';
  import SelectItem from '../fields/SelectItem.svelte';

  let { mailbox }: { mailbox: Mailbox } = $props();
  const system = $derived(theBusiness().system);
  const greetings = $derived(mailbox.greetings ?? []);
  const usual = $derived(mailbox.greetingId ? system.recordings[mailbox.greetingId] : undefined);
  /** What a caller nobody knows hears at this moment when nobody answers. */
  const playing = $derived(
    greetingAt(mailbox, {
      date: localTime(theBusiness().zone, theBusiness().minute).date,
      occasion: 'not answered',
      listIds: [],
      away: everybodyAway(mailbox, withOwn(system, theBusiness().standing.own), theBusiness().minute),
    }),
  );
  const usedBy = $derived([
    ...Object.values(system.plans)
      .filter((p) => [...allSteps(p.steps)].some((s) => s.kind === 'voicemail' && s.mailboxId === mailbox.id))
      .map((p) => p.name),
    ...Object.values(system.people)
      .filter((p) => p.mailboxId === mailbox.id)
      .map((p) => p.name),
  ]);
  const waiting = $derived(
    theBusiness().view.messages.filter((m) => m.mailboxId === mailbox.id && !m.folder),
  );

  function keepFor(text: string): string | undefined {
    if (!text)
      return setMailbox(mailbox, { keepDays: null }, 'messages are kept until somebody deletes them');
    if (!/^\d+$/.test(text)) return 'Write a number of days, or nothing.';
    return setMailbox(mailbox, { keepDays: Number(text) }, `messages are kept ${text} days`);
  }
  function mailTo(text: string): string | undefined {
    const addresses = text.split(/[\s,;]+/).filter(Boolean);
    return setMailbox(mailbox, { mailTo: addresses }, `mailed to ${listed(addresses) || 'its people only'}`);
  }
  const add = () =>
    setGreetings(
      mailbox,
      [
        ...greetings,
        { id: freshId('greeting'), when: { on: 'occasion', occasion: 'busy' }, recordingId: null },
      ],
      'a greeting for an occasion',
    );
</script>

<section class="card" id={mailbox.id} aria-label={mailbox.name} data-testid="mailbox">
  <div class="head">
    <EditField
      hideLabel
      label="Name of the mailbox"
      value={mailbox.name}
      keep={(name) => setMailbox(mailbox, { name }, `called “${name}”`)}
    />
    <span class="small soft"
      >{waiting.filter((m) => !m.heard).length} new of {waiting.length}; {usedBy.length
        ? `calls come from ${listed(usedBy)}`
        : 'no call comes here'}</span
    >
    <button class="linkish small" type="button" onclick={() => removeMailbox(mailbox)}>Remove</button>
  </div>
  <div class="two">
    <PeopleField
      label="Who hears it"
      people={system.people}
      chosen={mailbox.ownerIds}
      none="nobody"
      onchange={(ownerIds) =>
        setMailbox(
          mailbox,
          { ownerIds },
          `heard by ${listed(ownerIds.map((id) => system.people[id]?.name ?? '')) || 'nobody'}`,
        )}
    />
    <EditField
      label="Extension"
      value={mailbox.extension ?? ''}
      placeholder="none"
      keep={(text) =>
        setMailbox(
          mailbox,
          { extension: text || null },
          text ? `extension ${text}: its people listen, others leave a message` : 'without an extension',
        )}
    />
    <EditField label="Mailed to these addresses as well" value={mailbox.mailTo.join(', ')} keep={mailTo} />
    <SecondsField
      label="Longest message, in seconds"
      value={mailbox.longest}
      min={10}
      onchange={(longest) => setMailbox(mailbox, { longest }, `messages up to ${longest} s`)}
    />
    <EditField
      label="Kept for days"
      placeholder="until deleted"
      value={mailbox.keepDays ? String(mailbox.keepDays) : ''}
      keep={keepFor}
    />
  </div>
  <h3>Greetings</h3>
  <div class="usual" class:now={!playing} data-testid="usual-greeting">
    <span>The usual one</span>
    <Select
      size="sm"
      hideLabel
      labelText="The usual greeting"
      selected={mailbox.greetingId ?? ''}
      on:update={(e) => {
        if (e.detail !== (mailbox.greetingId ?? ''))
          setMailbox(mailbox, { greetingId: String(e.detail) || null }, 'another usual greeting');
      }}
    >
      <SelectItem value="" text="The plain greeting" />
      {#each Object.values(system.recordings) as r (r.id)}<SelectItem value={r.id} text={r.name} />{/each}
    </Select>
    <span class="acts">
      {#if !playing}<b class="mark">plays now</b>{/if}
      {#if usual}<Listen recording={usual} />{/if}
    </span>
  </div>
  {#each greetings as g (g.id)}
    <GreetingRow {mailbox} greeting={g} {system} now={playing?.id === g.id} />
  {/each}
  <Button kind="ghost" size="small" on:click={add}>Add a greeting for an occasion</Button>
  <p class="small soft">
    “Plays now” is for somebody new whom nobody answers. Of several that fit: some days, then lists, away, the
    period, the reason.
  </p>
  <MailboxMore {mailbox} {system} />
</section>

<style>
  .head {
    display: grid;
    grid-template-columns: 260px 1fr auto;
    gap: 14px;
    align-items: center;
    margin-bottom: 10px;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) 110px minmax(0, 1.2fr) 170px 150px;
    gap: 14px;
    align-items: start;
  }
  h3 {
    font-size: var(--text-body);
    font-weight: 650;
    margin: 14px 0 6px;
  }
  .usual {
    display: grid;
    grid-template-columns: 1fr 1fr 180px;
    gap: 6px 10px;
    align-items: center;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
    font-size: var(--text-lead);
  }
  .acts {
    display: flex;
    gap: 10px;
    justify-content: flex-end;
  }
  .mark {
    font-size: var(--text-small);
    color: var(--message);
  }
</style>
