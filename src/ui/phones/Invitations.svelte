<script lang="ts">
  import { Button, TextArea, TextInput } from 'carbon-components-svelte';
  import { usualInvitation, type InvitationWording } from '$core/system';
  import { PLACEHOLDERS, unknownPlaceholders } from '$standins/mail/invitation';
  import { businessNumber, letterFor, withdraw } from '$workspace';
  import { agoText, count, momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';
  import { inviteAllText, isInvited, sendInvitations } from './invite';
  import InviteButton from './InviteButton.svelte';
  import { whereItStands } from './where';

  /** Who has not paired yet and for how long, and what the letter says. */
  const system = $derived(theBusiness().system);
  const wording = $derived(system.business.invitation);
  const waiting = $derived(
    Object.values(system.phones)
      .flatMap((phone) => {
        const person = system.people[phone.personId ?? ''];
        if (!person || !isInvited(phone.kind) || theBusiness().standing.registrations[phone.id]) return [];
        const all = theBusiness().view.invitations.filter(
          (i) => i.phoneId === phone.id && i.personId === person.id,
        );
        const firstAt = Math.min(...all.map((i) => i.sentAt));
        const open = all.find((i) => i.state === 'open' && theBusiness().now < i.expiresAt);
        return [
          {
            person,
            phone,
            where: whereItStands(phone, person.id, theBusiness().known),
            letters: all.length,
            firstAt,
            open,
          },
        ];
      })
      .sort((a, b) => a.firstAt - b.firstAt),
  );
  const uninvited = $derived(waiting.filter((w) => !w.letters));
  const late = $derived(waiting.filter((w) => w.letters && !w.open));
  const open = $derived(waiting.filter((w) => w.open));
  let busy = $state(false);
  async function send(guests: typeof waiting) {
    busy = true;
    await sendInvitations(guests);
    busy = false;
  }

  /** What is typed and cannot be kept stays in its field, with why. */
  let typed = $state<Partial<Record<keyof InvitationWording, string>>>({});
  let problems = $state<Partial<Record<keyof InvitationWording, string>>>({});
  function keep(field: keyof InvitationWording, text: string) {
    const unknown = field === 'days' ? [] : unknownPlaceholders(text);
    const value = field === 'days' ? Number(text) : text;
    const problem = unknown.length
      ? `{${unknown[0]}} is not filled in by anything. Look at the list beside.`
      : theBusiness().keep('Change what invitations say', [
          { do: 'business.set', change: { invitation: { ...wording, [field]: value } } },
        ]);
    problems = { ...problems, [field]: problem };
    typed = { ...typed, [field]: problem ? text : undefined };
  }
  const shown = (field: keyof InvitationWording) => typed[field] ?? String(wording[field]);
  const example = $derived.by(() => {
    const guest = waiting[0] ?? {
      person: Object.values(system.people)[0],
      phone: Object.values(system.phones)[0],
    };
    if (!guest.person || !guest.phone) return null;
    const { person, phone } = guest;
    return {
      to: person,
      ...letterFor(
        system,
        { person, phone },
        wording,
        '123456',
        theBusiness().minute,
        `${location.origin}/phone`,
      ),
    };
  });
  const usual = $derived(JSON.stringify(wording) === JSON.stringify(usualInvitation()));
</script>

<div class="halves">
  <section>
    <div class="card">
      <div class="row head">
        <h2>Not paired yet</h2>
        {#if uninvited.length}<Button size="small" disabled={busy} on:click={() => void send(uninvited)}
            >{inviteAllText(uninvited.length)}</Button
          >{/if}
      </div>
      {#if !businessNumber(system)}<p class="warn">
          Get a number first: invitations name it, and phones are paired with it. <a href="/numbers/get"
            >Get one</a
          >
        </p>{/if}
      <table class="list">
        <thead
          ><tr
            ><th scope="col">Who</th><th scope="col">First invited</th><th scope="col">Stands</th><th
              scope="col"><span class="visually-hidden">Invitation</span></th
            ></tr
          ></thead
        >
        <tbody>
          {#each waiting as { person, phone, where, letters, firstAt } (phone.id)}
            <tr>
              <td
                ><a href="/people/{person.id}">{person.name}</a><br /><span class="soft small"
                  >{phone.name}</span
                ></td
              >
              <td
                >{letters ? agoText(firstAt, theBusiness().now) : 'never'}{#if letters > 1}<br /><span
                    class="soft small">{letters} letters</span
                  >{/if}</td
              >
              <td class:warn={where.problem !== 'Not paired yet'}
                >{where.problem}<br /><span class="small">{where.todo}</span></td
              >
              <td><InviteButton {person} {phone} /></td>
            </tr>
          {:else}<tr><td colspan="4" class="soft">Everybody has paired what is paired by a code.</td></tr
            >{/each}
        </tbody>
      </table>
      <div class="row">
        {#if late.length}<button
            class="linkish small"
            type="button"
            disabled={busy}
            onclick={() => void send(late)}
            >Send again to {count(late.length, 'person', 'people')} whose code no longer works</button
          >{/if}
        {#if open.length}<button
            class="linkish small"
            type="button"
            onclick={() =>
              void withdraw(
                theBusiness().workspace,
                open.map((w) => w.phone.id),
              )}
            >{open.length > 1
              ? `Take back all ${open.length} that are open`
              : 'Take back the one that is open'}</button
          >{/if}
      </div>
    </div>
  </section>
  <section>
    <div class="card fields">
      <div class="row head">
        <h2>What the mail says</h2>
        {#if !usual}<button
            class="linkish small"
            type="button"
            onclick={() => {
              typed = problems = {};
              theBusiness().edit(
                'Invitations say what they usually say',
                [{ do: 'business.set', change: { invitation: usualInvitation() } }],
                { withNotice: true },
              );
            }}>Take the usual words</button
          >{/if}
      </div>
      <TextInput
        size="sm"
        labelText="Subject"
        value={shown('subject')}
        invalid={!!problems.subject}
        invalidText={problems.subject ?? ''}
        on:change={(e) => keep('subject', String(e.detail ?? ''))}
      />
      <TextArea
        rows={9}
        labelText="Text"
        value={shown('text')}
        invalid={!!problems.text}
        invalidText={problems.text ?? ''}
        on:change={(e: Event) => keep('text', (e.target as HTMLTextAreaElement).value)}
      />
      <div class="two">
        <TextInput
          size="sm"
          labelText="The code is good for (days)"
          inputmode="numeric"
          value={shown('days')}
          invalid={!!problems.days}
          invalidText={problems.days ?? ''}
          on:change={(e) => keep('days', String(e.detail ?? ''))}
        />
        <p class="small soft">
          Filled in: {#each Object.entries(PLACEHOLDERS) as [name, words], i (name)}{i ? ', ' : ''}<span
              title={words}>{`{${name}}`}</span
            >{/each}
        </p>
      </div>
    </div>
    {#if example}
      <div class="card letter" data-testid="letter-preview">
        <p class="soft small">
          As {example.to.name} would get it, {momentText(theBusiness().minute, theBusiness().zone)}:
        </p>
        <h3>{example.subject}</h3>
        <pre>{example.text}</pre>
        <p class="soft small">Attached: a picture of the link for a camera, and a settings file.</p>
      </div>
    {/if}
  </section>
</div>

<style>
  .halves {
    display: grid;
    grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
    gap: 22px;
  }
  .row {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    align-items: center;
  }
  .head {
    margin-bottom: 8px;
  }
  .head h2 {
    margin: 0;
  }
  .row button {
    margin-top: 10px;
  }
  td {
    vertical-align: top;
  }
  .warn {
    color: var(--alarm);
  }
  .two {
    display: grid;
    grid-template-columns: 150px 1fr;
    gap: 16px;
  }
  .two p {
    margin: 0;
    align-self: center;
  }
  .letter p {
    margin: 0 0 6px;
  }
  pre {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font: inherit;
    font-size: var(--text-body);
    border-left: 3px solid var(--rule);
    margin: 6px 0 10px;
    padding: 2px 0 2px 12px;
  }
</style>
