<script lang="ts">
  import { Button, InlineLoading } from 'carbon-components-svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { usesOf } from '$core/answering';
  import { count } from '$ui/format';
  import { addRecording } from '$ui/recordings/edits';
  import { lengthInWords } from '$ui/recordings/lengths';
  import { keepSound, speak, stopMaking } from '$ui/recordings/maker';
  import RecordingCard from '$ui/recordings/RecordingCard.svelte';
  import Respellings from '$ui/recordings/Respellings.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const recordings = $derived(
    Object.values(system.recordings).sort((a, b) => a.name.localeCompare(b.name, 'en')),
  );
  const chosen = $derived(recordings.find((r) => r.id === page.url.searchParams.get('of')) ?? recordings[0]);
  const silent = $derived(recordings.filter((r) => !r.sound && r.text));
  let speaking = $state(0);
  let stopped = false;
  let problem = $state('');

  const open = (id: string) => goto(`?of=${id}`, { noScroll: true, keepFocus: true });
  async function speakAll() {
    const all = [...silent];
    problem = '';
    stopped = false;
    for (const [i, { id }] of all.entries()) {
      if (stopped) break;
      // As it is by now: it may have been changed while others were spoken.
      const recording = theBusiness().system.recordings[id];
      if (!recording) continue;
      speaking = i + 1;
      const made = await speak(recording);
      problem = made.ok ? ((await keepSound(recording, made.sound, 'spoken')) ?? '') : made.message;
      if (problem) break;
    }
    speaking = 0;
  }
  function stop() {
    stopped = true;
    stopMaking();
  }
</script>

<svelte:head><title>Recordings · Messages · Upper Line</title></svelte:head>

<div class="columns">
  <section>
    <h1>Recordings</h1>
    <p class="sub">
      Everything callers hear: greetings, menus, notices and music, as the telephone carries it.
    </p>
    <nav aria-label="Recordings">
      {#each recordings as r (r.id)}
        <a href="?of={r.id}" data-sveltekit-noscroll aria-current={r.id === chosen?.id ? 'true' : undefined}>
          <b>{r.name}</b>
          <span>{lengthInWords(r)} · heard in {count(usesOf(system, r.id).length, 'place')}</span>
        </a>
      {:else}<p class="soft">None yet. Make one, or type words into a step of a plan.</p>{/each}
    </nav>
    <Button size="small" kind="tertiary" on:click={() => void open(addRecording('New recording', ''))}
      >Make a recording</Button
    >
    {#if speaking}
      <InlineLoading description="Speaking {speaking} of {speaking + silent.length - 1}" />
      <Button size="small" kind="ghost" on:click={stop}>Stop</Button>
    {:else if silent.length}
      <Button size="small" kind="ghost" on:click={() => void speakAll()}
        >Speak the {silent.length} without a sound</Button
      >
    {/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  </section>
  <aside>
    {#if chosen}<RecordingCard recording={chosen} onremove={() => void goto('/messages/recordings')} />{/if}
    <Respellings />
  </aside>
</div>

<style>
  .columns {
    grid-template-columns: 380px minmax(0, 1fr);
  }
  nav {
    background: var(--sheet);
    border: 1px solid var(--rule);
    margin-bottom: 10px;
  }
  nav a {
    display: block;
    padding: 7px 12px;
    border-left: 3px solid transparent;
    border-bottom: 1px solid var(--rule);
    color: var(--ink);
    text-decoration: none;
  }
  nav a:last-child {
    border-bottom: 0;
  }
  nav span {
    display: block;
    font-size: var(--text-small);
    color: var(--ink-soft);
  }
  nav b {
    font-weight: 500;
  }
  [aria-current] {
    border-left-color: var(--copper);
    background: var(--copper-wash);
  }
  [aria-current] b {
    font-weight: 650;
  }
</style>
