<script lang="ts">
  import { Button, Select, TextArea, TextInput } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import { readNumber } from '$core/numbering';
  import { conversationKey, type Conversation } from '$core/story';
  import { fieldsLeft, filled } from '$core/texting';
  import { CARRIED, MOST_BYTES, MOST_FILES, type TextFile } from '$standins/carrier/texting';
  import SelectItem from '../fields/SelectItem.svelte';
  import { bytesText, fieldText, momentTyped } from '../format';
  import { Remembered } from '../remembered.svelte';
  import { here } from '../window/session.svelte';
  import PartsLine from './PartsLine.svelte';
  import Quiet from './Quiet.svelte';
  import { madeSmaller } from './smaller';
  import WhenField from '../fields/WhenField.svelte';

  /** Writing a text: words and files, now or later. What is begun stays, conversation by conversation. */
  interface Props {
    /** Undefined is one to a number that there was nothing with yet. */
    conversation: Conversation | undefined;
    /** Sent or kept for later. @param key of the conversation it is in */
    onsent: (key: string) => void;
    to?: string;
  }
  let { conversation, onsent, to = '' }: Props = $props();
  interface Begun {
    text: string;
    files: TextFile[];
    /** As the field holds it; empty is now. */
    later: string;
  }
  const NOTHING: Begun = { text: '', files: [], later: '' };
  const drafts = new Remembered<Record<string, Begun>>(`text drafts ${here().id}`, {});
  const form = new Remembered(`new text ${here().id}`, { from: '', to: '' });
  const key = $derived(conversation?.key ?? 'new');
  const begun = $derived({ ...NOTHING, ...drafts.value[key] });
  const write = (change: Partial<Begun>, of = key) =>
    (drafts.value = { ...drafts.value, [of]: { ...NOTHING, ...drafts.value[of], ...change } });
  const lines = $derived(here().texting.lines);
  const from = $derived(
    conversation?.ours ?? lines.find((n) => n.e164 === form.value.from)?.e164 ?? lines[0]?.e164 ?? '',
  );
  const typedTo = $derived(form.value.to || to);
  let problem = $state<{ field: string; message: string } | null>(null);
  let sending = $state(false);
  const me = $derived(here().me);
  const other = $derived(
    conversation?.assignedTo && conversation.assignedTo !== me && !conversation.closed
      ? (here().system.people[conversation.assignedTo]?.name ?? 'Somebody')
      : null,
  );

  /** Whoever begins to answer what waits has it, so that nobody else does. */
  let taking = '';
  function takes() {
    if (!conversation || conversation.waitsSince === null || conversation.assignedTo || !me) return;
    if (taking === key) return;
    taking = key;
    void here()
      .deeds.changeThread(conversation, { does: 'give', to: me, seen: undefined })
      .then((done) => {
        if (!done.ok) problem = { field: 'who', message: done.message };
      });
  }

  async function send(event: Event) {
    event.preventDefault();
    if (sending) return;
    const { text, files, later } = begun;
    let theirs = conversation?.theirs;
    const { country, outsideDigit } = here().system.business;
    if (!theirs) {
      const read = readNumber(typedTo, country, outsideDigit);
      if (!read.ok) return (problem = { field: 'to', message: read.message });
      theirs = read.number.e164;
    }
    const left = fieldsLeft(text);
    if (left.length)
      return (problem = {
        field: 'text',
        message: `${left.join(', ')} is still in it: nothing is known for it.`,
      });
    const moment = later ? momentTyped(later, here().zone, here().now) : null;
    if (moment && !moment.ok) return (problem = { field: 'sendAt', message: moment.message });
    sending = true;
    const done = await here()
      .deeds.text({
        from,
        to: theirs,
        text,
        ...(files.length ? { files: $state.snapshot(files) } : {}),
        ...(moment ? { sendAt: moment.at } : {}),
      })
      .catch((error: unknown) => ({
        ok: false as const,
        field: 'text',
        message: error instanceof Error ? error.message : String(error),
      }));
    sending = false;
    problem = done.ok ? null : { field: done.field ?? 'text', message: done.message };
    if (!done.ok) return;
    write(NOTHING);
    form.value = { ...form.value, to: '' };
    onsent(conversationKey(from, theirs));
    await tick();
    document.getElementById('text-being-written')?.focus();
  }
  function onkeydown(event: KeyboardEvent) {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey))
      // As its button does: not while a field of it is wrong.
      (event.currentTarget as HTMLElement).closest('form')?.requestSubmit();
  }

  const wordings = $derived(
    Object.values(here().system.wordings).sort((a, b) => a.name.localeCompare(b.name)),
  );
  function take(id: string) {
    const wording = here().system.wordings[id];
    if (!wording) return;
    const { text } = filled(wording.text, {
      contact: conversation?.contact,
      business: here().system.business,
      by: here().system.people[me ?? '']?.name,
      from,
    });
    write({ text: begun.text ? `${begun.text.trimEnd()} ${text}` : text });
    takes();
    document.getElementById('text-being-written')?.focus();
  }

  /** A file that is too large and may be made smaller. */
  let large = $state.raw<File | null>(null);
  async function add(chosen: readonly File[]) {
    const of = key;
    for (const file of chosen) {
      problem = null;
      if ((drafts.value[of]?.files.length ?? 0) >= MOST_FILES)
        return (problem = { field: 'files', message: `At most ${MOST_FILES} files.` });
      // What is far too large is not read: its size says enough.
      if (file.size > 60 * MOST_BYTES)
        return (problem = {
          field: 'files',
          message: `${file.name} has ${bytesText(file.size)}: texts carry 1 MB together.`,
        });
      await keep(file.name, new Uint8Array(await file.arrayBuffer()), of, file);
    }
  }
  async function keep(name: string, bytes: Uint8Array, of: string, file?: File) {
    try {
      const kept = await here().deeds.keepFile(name, bytes);
      if (!kept.ok) {
        problem = { field: 'files', message: kept.message };
        large = kept.tooLarge && file?.type.startsWith('image/') ? file : null;
        return;
      }
      write({ files: [...(drafts.value[of]?.files ?? []), kept.file] }, of);
    } catch (error) {
      problem = { field: 'files', message: error instanceof Error ? error.message : String(error) };
    }
  }
  async function shrink(file: File) {
    const of = key;
    const others = begun.files.reduce((n, f) => n + f.size, 0);
    const bytes = await madeSmaller(file, MOST_BYTES - others);
    if (!bytes)
      return (problem = {
        field: 'files',
        message: `${file.name} cannot be made small enough to be texted.`,
      });
    problem = null;
    large = null;
    await keep(file.name.replace(/\.\w+$/, '') + '.jpg', bytes, of);
  }
  function onpaste(event: ClipboardEvent) {
    const files = [...(event.clipboardData?.files ?? [])];
    if (!files.length) return;
    event.preventDefault();
    void add(files);
  }
  function ondrop(event: DragEvent) {
    const files = [...(event.dataTransfer?.files ?? [])];
    if (!files.length) return;
    event.preventDefault();
    void add(files);
  }
  let chooser = $state<HTMLInputElement>();
</script>

{#if other}
  <p class="other" role="status">{other} has it. What you send goes out all the same.</p>
{/if}
<form onsubmit={(e) => void send(e)} {onpaste} {ondrop} ondragover={(e) => e.preventDefault()}>
  {#if !conversation}
    <Select
      size="sm"
      labelText="From"
      selected={from}
      on:update={(e) => (form.value = { ...form.value, from: String(e.detail) })}
    >
      {#each lines as n (n.id)}<SelectItem value={n.e164} text="{n.label}, {here().number(n.e164)}" />{/each}
    </Select>
    <TextInput
      size="sm"
      labelText="To"
      type="tel"
      value={typedTo}
      invalid={problem?.field === 'to'}
      invalidText={problem?.message ?? ''}
      on:input={(e) => (form.value = { ...form.value, to: String(e.detail ?? '') })}
    />
  {/if}
  <TextArea
    id="text-being-written"
    rows={3}
    labelText="Text"
    value={begun.text}
    invalid={problem !== null &&
      !['files', 'sendAt', ...(conversation ? [] : ['to'])].includes(problem.field)}
    invalidText={problem?.message ?? ''}
    on:input={(e: Event) => {
      write({ text: (e.target as HTMLTextAreaElement).value });
      takes();
    }}
    on:keydown={onkeydown}
  />
  <PartsLine text={begun.text} files={begun.files.length} onchange={(text) => write({ text })} />
  {#if conversation}
    <Quiet
      theirs={conversation.theirs}
      {conversation}
      onlater={(at) => write({ later: fieldText(at, here().zone) })}
    />
  {/if}
  {#if begun.files.length}
    <ul aria-label="Files that go with it">
      {#each begun.files as file, i (i)}
        <li class="small">
          {file.name}, {CARRIED[file.type]}, {bytesText(file.size)}
          <button
            class="linkish small"
            type="button"
            onclick={() => write({ files: begun.files.filter((_, j) => j !== i) })}
            >Leave it out<span class="visually-hidden">&nbsp;{file.name}</span></button
          >
        </li>
      {/each}
    </ul>
  {/if}
  {#if problem?.field === 'files'}
    <p class="problem small" role="alert">
      {problem.message}
      {#if large}
        {@const file = large}
        <button class="linkish" type="button" onclick={() => void shrink(file)}>Make it smaller</button>
      {/if}
    </p>
  {/if}
  {#if begun.later}
    <div class="later">
      <WhenField
        label="It goes"
        time
        value={begun.later}
        problem={problem?.field === 'sendAt' ? (problem?.message ?? '') : ''}
        onvalue={(value) => write({ later: value })}
      />
      <button class="linkish small" type="button" onclick={() => write({ later: '' })}
        >Send it now instead</button
      >
    </div>
  {/if}
  <div class="send">
    <Button size="small" type="submit" disabled={sending}>{begun.later ? 'Keep it for then' : 'Send'}</Button>
    <span class="soft small">or Ctrl + Enter</span>
    {#if wordings.length}
      <Select
        size="sm"
        inline
        hideLabel
        labelText="Ready-made answer"
        selected=""
        on:update={(e) => take(String(e.detail))}
      >
        <SelectItem value="" text="Ready-made answer…" />
        {#each wordings as w (w.id)}<SelectItem value={w.id} text={w.name} />{/each}
      </Select>
    {/if}
    <button class="linkish small" type="button" onclick={() => chooser?.click()}>Add a picture or file</button
    >
    <input
      bind:this={chooser}
      class="visually-hidden"
      type="file"
      multiple
      tabindex="-1"
      aria-label="Picture or file to go with it"
      accept={Object.keys(CARRIED).join(',')}
      onchange={(e) => {
        const input = e.currentTarget;
        void add([...(input.files ?? [])]).then(() => (input.value = ''));
      }}
    />
    {#if !begun.later}
      <button
        class="linkish small"
        type="button"
        onclick={() => write({ later: fieldText(here().minute + 3_600_000, here().zone) })}
        >Send it later</button
      >
    {/if}
  </div>
</form>

<style>
  form {
    display: grid;
    gap: 8px;
    justify-items: start;
  }
  form > :global(*) {
    width: 100%;
  }
  .other {
    color: var(--copper);
    font-weight: 600;
    margin: 4px 0;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
  }
  .problem {
    color: var(--alarm);
    margin: 0;
  }
  .later {
    display: flex;
    gap: 12px;
    align-items: end;
  }
  .send {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    align-items: center;
  }
</style>
