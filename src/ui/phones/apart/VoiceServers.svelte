<script lang="ts">
  import { Button, Checkbox, TextInput } from 'carbon-components-svelte';
  import { iceServers, passesOn, VoiceServer } from '$core/system';
  import { tryServer } from '$media';
  import { theBusiness } from '../../window/session.svelte';

  /** Servers by which voice finds its way between networks; none is that it stays within one. */
  const servers = $derived(theBusiness().system.business.voiceServers ?? []);
  const FRESH = { uri: '', user: '', password: '', visitors: false };
  let fresh = $state({ ...FRESH });
  let problem = $state<{ field: string; message: string } | null>(null);
  let said = $state<Record<string, string>>({});

  const set = (voiceServers: readonly VoiceServer[], words: string) =>
    theBusiness().keep(words, [{ do: 'business.set', change: { voiceServers: [...voiceServers] } }]);
  function add(event: Event) {
    event.preventDefault();
    const typed = { ...fresh, uri: fresh.uri.trim(), user: fresh.user.trim() };
    const read = VoiceServer.safeParse(typed);
    if (!read.success) {
      const [issue] = read.error.issues;
      problem = { field: String(issue!.path[0] ?? 'uri'), message: issue!.message };
      return;
    }
    if (servers.some((s) => s.uri === typed.uri)) {
      problem = { field: 'uri', message: 'This server is in the list already.' };
      return;
    }
    const why = set([...servers, read.data], `Voice finds its way by ${typed.uri}`);
    problem = why ? { field: 'uri', message: why } : null;
    if (!why) fresh = { ...FRESH };
  }
  async function attempt(server: VoiceServer) {
    const { uri } = server;
    said = { ...said, [uri]: 'It is asked…' };
    const passes = passesOn(server);
    const tried = await tryServer(iceServers({ voiceServers: [server] })[0]!, passes);
    said = {
      ...said,
      [uri]: {
        answers: () =>
          passes
            ? 'It answers, and would pass voice on.'
            : tried.is === 'answers' && tried.address
              ? `It answers: this machine is seen at ${tried.address}.`
              : 'It answers: this machine is seen from there as it is.',
        refuses: () => `It refuses: ${tried.is === 'refuses' ? tried.why : ''}.`,
        silent: () => 'It does not answer. Is the address right, and may this machine reach it?',
      }[tried.is](),
    };
  }
</script>

<section class="card" aria-label="Voice between networks">
  <h2>Voice between networks</h2>
  <p class="small soft">
    Machines of one network talk directly, and nobody outside is asked for anything. Between networks voice
    needs a server that tells each how it is seen (STUN), or one that passes voice on where that is not enough
    (TURN). It holds for calls that begin once it is in force.
  </p>
  {#if servers.length}
    <ul>
      {#each servers as s (s.uri)}
        <li data-testid="voice-server">
          <b>{s.uri}</b>
          {#if passesOn(s)}<span class="small soft"
              >as {s.user}{s.visitors ? ', visitors of a site too' : ', not for visitors of a site'}</span
            >{/if}
          <button class="linkish small" type="button" onclick={() => void attempt(s)}
            >Try it<span class="visually-hidden"> {s.uri}</span></button
          >
          <button
            class="linkish small"
            type="button"
            onclick={() =>
              set(
                servers.filter((x) => x !== s),
                `Voice no longer by ${s.uri}`,
              )}>Remove<span class="visually-hidden"> {s.uri}</span></button
          >
          {#if said[s.uri]}<span class="small" role="status">{said[s.uri]}</span>{/if}
        </li>
      {/each}
    </ul>
  {:else}<p class="small">None: voice stays within a network.</p>{/if}
  <form onsubmit={add} aria-label="Add a server">
    <TextInput
      size="sm"
      labelText="Address"
      placeholder="stun:voice.example:3478"
      bind:value={fresh.uri}
      invalid={problem?.field === 'uri'}
      invalidText={problem?.message ?? ''}
    />
    {#if passesOn(fresh)}
      <TextInput
        size="sm"
        labelText="User name"
        autocomplete="off"
        bind:value={fresh.user}
        invalid={problem?.field === 'user'}
        invalidText={problem?.message ?? ''}
      />
      <TextInput size="sm" labelText="Password" autocomplete="off" bind:value={fresh.password} />
      <Checkbox
        labelText="Visitors of a site use it too: anybody can read this password then"
        bind:checked={fresh.visitors}
      />
    {/if}
    <Button size="small" kind="tertiary" type="submit">Add it</Button>
  </form>
</section>

<style>
  ul {
    display: grid;
    gap: 6px;
    margin: 8px 0;
  }
  li {
    display: flex;
    gap: 10px;
    align-items: baseline;
    flex-wrap: wrap;
    overflow-wrap: anywhere;
  }
  form {
    display: flex;
    gap: 12px;
    align-items: start;
    flex-wrap: wrap;
    margin-top: 10px;
  }
  form > :global(.bx--btn) {
    margin-top: 20px;
  }
  form > :global(.bx--form-item) {
    flex: 0 1 260px;
  }
</style>
