<script lang="ts">
  import { Button, Checkbox, TextInput } from 'carbon-components-svelte';
  import { USUAL_SILENCE_SECONDS } from '$core/calls';
  import { readNumbers } from '$core/numbering';
  import { keptPin, pinProblem } from '$core/messages';
  import type { Mailbox, Standing, System } from '$core/system';
  import { saveBytes } from '../files/download';
  import EditField from '../fields/EditField.svelte';
  import { byWhom } from '../format';
  import Origin from '../reach/Origin.svelte';
  import TargetField from '../reach/TargetField.svelte';
  import { theBusiness } from '../window/session.svelte';
  import { setMailbox } from './edits';

  /** The rest of a mailbox: how a message ends, key 0, what is sent of it, the PIN, and all of it as a folder. */
  let { mailbox, system }: { mailbox: Mailbox; system: System } = $props();
  const mail = $derived(mailbox.mail ?? { sound: true, transcript: true });
  const pinSet = $derived(theBusiness().standing.pins?.[mailbox.id]);
  const listening = $derived(system.business.starCodes.find((c) => c.does === 'voicemail')?.code);
  let pin = $state('');
  let problem = $state('');

  function silence(text: string): string | undefined {
    if (!text) return setMailbox(mailbox, { silence: null }, 'silence ends no message');
    if (!/^\d+$/.test(text)) return 'Write a number of seconds, or nothing.';
    return setMailbox(mailbox, { silence: Number(text) }, `silence of ${text} s ends a message`);
  }
  function textTo(text: string): string | undefined {
    const read = readNumbers(text, system.business.country, system.business.outsideDigit);
    if (!read.ok) return read.message;
    const { numbers } = read;
    return setMailbox(mailbox, { textTo: numbers }, numbers.length ? 'told of by text' : 'no notice by text');
  }
  const setMail = (change: Partial<typeof mail>, words: string) =>
    setMailbox(mailbox, { mail: { ...mail, ...change } }, words);

  async function setPin(event: Event) {
    event.preventDefault();
    const extensions = mailbox.ownerIds.flatMap((id) => system.people[id]?.extension ?? []);
    problem = pinProblem(pin, extensions) ?? '';
    if (problem) return;
    const salt = Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) =>
      b.toString(16).padStart(2, '0'),
    );
    const entry = {
      value: keptPin(pin, salt.join('')),
      at: theBusiness().workspace.now(),
      by: byWhom(theBusiness().actorName),
    };
    const before = pinSet;
    await putPin(entry);
    pin = '';
    theBusiness().sayDone(
      { kind: 'success', title: `The PIN of ${mailbox.name} is set`, detail: 'It holds from now on.' },
      () => putPin(before),
    );
  }
  const putPin = (entry: NonNullable<Standing['pins']>[string] | undefined) =>
    theBusiness().workspace.changeStanding((s) => {
      const { [mailbox.id]: _, ...others } = s.pins ?? {};
      return { ...s, pins: entry ? { ...others, [mailbox.id]: entry } : others };
    });
  async function dropPin() {
    const entry = pinSet!;
    await putPin(undefined);
    theBusiness().sayDone({ kind: 'info', title: `${mailbox.name} has no PIN any more` }, () =>
      putPin(entry),
    );
  }
  async function save() {
    const { mailboxFolder } = await import('$core/formats/mailbox');
    const messages = theBusiness().view.messages.filter(
      (m) => m.mailboxId === mailbox.id && m.folder !== 'bin',
    );
    saveBytes(`${mailbox.name}.zip`, 'application/zip', mailboxFolder(messages));
  }
</script>

<details>
  <summary>How a message ends, key 0, mail and texts, the PIN</summary>
  <div class="grid">
    <section>
      <h4>Leaving a message</h4>
      <EditField
        label="Seconds of silence that end it"
        placeholder="never"
        helper={mailbox.silence === null ? 'Never: it goes on to the longest.' : ''}
        value={mailbox.silence === null ? '' : String(mailbox.silence ?? USUAL_SILENCE_SECONDS)}
        keep={silence}
      />
      <Checkbox
        labelText="a tone before it"
        checked={!mailbox.noTone}
        on:check={(e) =>
          e.detail === !!mailbox.noTone &&
          setMailbox(
            mailbox,
            { noTone: !e.detail },
            e.detail ? 'a tone before a message' : 'no tone before a message',
          )}
      />
      <TargetField
        label="Who presses 0 gets"
        target={mailbox.zero ?? null}
        personId=""
        {system}
        none="nobody: the key means nothing"
        onchange={(zero) =>
          void setMailbox(mailbox, { zero }, zero ? 'key 0 leads on' : 'key 0 means nothing')}
      />
      {#if mailbox.zero}<p class="small soft">Say so in the greeting: “for the office press 0”.</p>{/if}
    </section>
    <section>
      <h4>Telling of it</h4>
      <Checkbox
        labelText="mails carry the recording"
        checked={mail.sound}
        on:check={(e) =>
          e.detail !== mail.sound &&
          setMail({ sound: e.detail }, `mails ${e.detail ? 'with' : 'without'} the recording`)}
      />
      <Checkbox
        labelText="mails carry what was said, in words"
        checked={mail.transcript}
        on:check={(e) =>
          e.detail !== mail.transcript &&
          setMail({ transcript: e.detail }, `mails ${e.detail ? 'with' : 'without'} the words`)}
      />
      <EditField
        label="Notice by text to"
        placeholder="numbers, with commas between"
        value={(mailbox.textTo ?? []).map((n) => theBusiness().number(n)).join(', ')}
        keep={textTo}
      />
    </section>
    <section>
      <h4>Listening by phone</h4>
      <form onsubmit={(e) => void setPin(e)}>
        <TextInput
          size="sm"
          type="password"
          autocomplete="off"
          inputmode="numeric"
          labelText={pinSet ? 'Another PIN' : 'PIN'}
          bind:value={pin}
          invalid={!!problem}
          invalidText={problem}
        />
        <Button size="small" kind="tertiary" type="submit">Set</Button>
      </form>
      {#if pinSet}
        <Origin stamp={pinSet} />
        <p class="small">
          {listening ? `Dial ${listening} on a phone of the business` : 'Call'}, or press the star during the
          greeting from outside; then the PIN.
          <button class="linkish" type="button" onclick={() => void dropPin()}>Remove the PIN</button>
        </p>
      {:else}<p class="small soft">Without one nobody listens by phone.</p>{/if}
      <Button size="small" kind="ghost" on:click={() => void save()}>Save all messages as a zip</Button>
    </section>
  </div>
</details>

<style>
  details {
    margin-top: 12px;
    border-top: 1px solid var(--rule);
    padding-top: 8px;
  }
  summary {
    cursor: pointer;
    font-size: var(--text-body);
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 20px;
    margin-top: 10px;
  }
  h4 {
    font-size: var(--text-body);
    margin: 0 0 8px;
  }
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
    align-items: end;
  }
  p {
    margin: 6px 0;
  }
</style>
