<script lang="ts">
  import { Button, TextArea } from 'carbon-components-svelte';
  import { tick } from 'svelte';
  import type { About, Circle } from '$core/story';
  import type { System } from '$core/system';
  import type { TextFile } from '$standins/carrier/texting';
  import type { CircleRecord, WordsRecord } from '$workspace';
  import { bytesText, momentText } from '../../format';
  import { Remembered } from '../../remembered.svelte';
  import TextFiles from '../../texts/TextFiles.svelte';
  import Words from '../../texts/Words.svelte';
  import { here } from '../../window/session.svelte';
  import type { PhoneDesk } from '../desk.svelte';

  /** What colleagues wrote in one conversation, and writing in it. */
  interface Props {
    desk: PhoneDesk;
    system: System;
    me: string;
    to: { circleId: string } | { with: string[]; name?: string } | { groupId: string };
    /** Undefined is one that begins with the first words. */
    circle: Circle<CircleRecord, WordsRecord> | undefined;
    onwritten: (circleId: string) => void;
    ongather: (personIds: readonly string[]) => void;
    /** Shows what words are about. */
    onpoint: (about: About) => void;
  }
  let { desk, system, me, to, circle, onwritten, ongather, onpoint }: Props = $props();
  const key = $derived(circle?.kept.id ?? JSON.stringify(to));
  const drafts = new Remembered<Record<string, { text: string; files: TextFile[] }>>(
    `circle drafts ${here().id}`,
    {},
  );
  const begun = $derived(drafts.value[key] ?? { text: '', files: [] });
  const write = (change: Partial<typeof begun>) =>
    (drafts.value = { ...drafts.value, [key]: { ...begun, ...change } });
  const others = $derived(
    circle?.others ??
      ('with' in to
        ? to.with
        : 'groupId' in to
          ? (system.groups[to.groupId]?.members ?? []).flatMap((m) =>
              m.kind === 'person' && m.id !== me ? [m.id] : [],
            )
          : []),
  );
  const name = $derived(
    circle?.name ??
      ('with' in to && to.name
        ? to.name
        : 'groupId' in to
          ? (system.groups[to.groupId]?.name ?? 'a group')
          : others.map((id) => system.people[id]?.name ?? 'somebody').join(', ')),
  );
  const AT_ONCE = 60;
  let shown = $state(AT_ONCE);
  const words = $derived((circle?.words ?? []).slice(-shown));
  let problem = $state<{ field: string; message: string } | null>(null);
  let sending = $state(false);

  // What stands in sight has been seen.
  let told = 0;
  $effect(() => {
    const last = circle?.words.findLast((w) => w.by !== me)?.at ?? 0;
    if (!circle?.unread || last <= told) return;
    told = last;
    void desk.ask({ do: 'seen', circleId: circle.kept.id, at: last }).catch(() => {});
  });
  function toEnd(list: HTMLElement) {
    $effect(() => {
      void circle?.words.length;
      void tick().then(() => (list.scrollTop = list.scrollHeight));
    });
  }
  async function send(event: Event) {
    event.preventDefault();
    if (sending) return;
    sending = true;
    try {
      const done = await desk.ask({
        do: 'write',
        to,
        text: begun.text,
        ...(begun.files.length ? { files: begun.files } : {}),
        ...(desk.passing ? { about: $state.snapshot(desk.passing) } : {}),
      });
      problem = done.ok ? null : { field: done.field ?? 'text', message: done.message };
      if (!done.ok) return;
      write({ text: '', files: [] });
      desk.passing = null;
      onwritten(done.circleId);
      await tick();
      document.getElementById('words-being-written')?.focus();
    } catch (error) {
      problem = { field: 'text', message: error instanceof Error ? error.message : String(error) };
    } finally {
      sending = false;
    }
  }
  let chooser = $state<HTMLInputElement>();
  async function add(chosen: readonly File[]) {
    for (const file of chosen) {
      problem = null;
      try {
        const kept = await desk.keepFile(file.name, new Uint8Array(await file.arrayBuffer()));
        if (!kept.ok) problem = { field: 'files', message: kept.message };
        else write({ files: [...begun.files, kept.file] });
      } catch (error) {
        problem = { field: 'files', message: error instanceof Error ? error.message : String(error) };
      }
    }
  }
</script>

<div class="top">
  <h2>{name}</h2>
  {#if others.length}<button class="linkish" type="button" onclick={() => ongather(others)}
      >{others.length > 1 ? 'Call them all' : 'Call'}<span class="visually-hidden">&nbsp;: {name}</span
      ></button
    >{/if}
</div>
{#if others.length > 1}<p class="soft small">
    {others.map((id) => system.people[id]?.name ?? 'somebody').join(', ')}
  </p>{/if}
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<ol aria-label="What was written, the oldest first" data-testid="words" tabindex="0" {@attach toEnd}>
  {#if (circle?.words.length ?? 0) > shown}
    <li>
      <button class="linkish small" type="button" onclick={() => (shown += AT_ONCE)}>Show older ones</button>
    </li>
  {/if}
  {#each words as w (w.id)}
    <li class:mine={w.by === me}>
      {#if w.text}<p><Words text={w.text} /></p>{/if}
      {#if w.about}
        {@const about = w.about}
        <p class="about small">
          About
          {#if desk.knows(about)}<button class="linkish" type="button" onclick={() => onpoint(about)}
              >{about.words}</button
            >{:else}<span title="It is not on this phone.">{about.words}</span>{/if}
        </p>
      {/if}
      {#if w.files}<TextFiles files={w.files} />{/if}
      <span class="soft small"
        >{w.by === me ? 'you' : (system.people[w.by]?.name ?? 'somebody removed')} · {momentText(
          w.at,
          desk.zone,
        )}</span
      >
    </li>
  {/each}
</ol>
<form onsubmit={(e) => void send(e)}>
  <TextArea
    id="words-being-written"
    rows={2}
    labelText="Words"
    value={begun.text}
    invalid={problem !== null && problem.field !== 'files'}
    invalidText={problem?.message ?? ''}
    on:input={(e: Event) => write({ text: (e.target as HTMLTextAreaElement).value })}
    on:keydown={(e: KeyboardEvent) => {
      if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void send(e);
    }}
  />
  {#if desk.passing}
    <span class="small" data-testid="passing"
      >With it: {desk.passing.words}
      <button class="linkish small" type="button" onclick={() => (desk.passing = null)}>Leave it out</button
      ></span
    >
  {/if}
  {#each begun.files as file, i (i)}
    <span class="small"
      >{file.name}, {bytesText(file.size)}
      <button
        class="linkish small"
        type="button"
        onclick={() => write({ files: begun.files.filter((_, j) => j !== i) })}
        >Leave it out<span class="visually-hidden">&nbsp;{file.name}</span></button
      ></span
    >
  {/each}
  {#if problem?.field === 'files'}<p class="problem small" role="alert">{problem.message}</p>{/if}
  <div class="send">
    <Button size="small" type="submit" disabled={sending}>Send</Button>
    <button class="linkish small" type="button" onclick={() => chooser?.click()}>Add a picture or file</button
    >
    <input
      bind:this={chooser}
      class="visually-hidden"
      type="file"
      multiple
      tabindex="-1"
      aria-label="Picture or file for colleagues"
      onchange={(e) => {
        const input = e.currentTarget;
        void add([...(input.files ?? [])]).then(() => (input.value = ''));
      }}
    />
  </div>
</form>

<style>
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: baseline;
  }
  h2 {
    margin: 0;
  }
  ol {
    list-style: none;
    margin: 8px 0;
    padding: 0;
    max-height: 46vh;
    overflow-y: auto;
  }
  li {
    padding: 6px 12px;
    border-left: 3px solid var(--message);
    margin-bottom: 8px;
    overflow-wrap: anywhere;
  }
  li.mine {
    border-left-color: var(--rule);
  }
  li p {
    margin: 0;
    white-space: pre-wrap;
  }
  form {
    display: grid;
    gap: 8px;
  }
  .send {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    align-items: center;
  }
  .problem {
    color: var(--alarm);
    margin: 0;
  }
</style>
