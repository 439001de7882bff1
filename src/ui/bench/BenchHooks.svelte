<script lang="ts">
  import { Select } from 'carbon-components-svelte';
  import { onMount } from 'svelte';
  import { emptyHookBook, HookHabit, type HookBook } from '$standins/hooks/receiver';
  import { readHookBook, setHookHabit } from '$workspace';
  import SelectItem from '../fields/SelectItem.svelte';
  import { momentText } from '../format';
  import { theBusiness } from '../window/session.svelte';

  /** The programs behind the addresses of web hooks: what they took, and how they fail. */
  let book = $state.raw<HookBook | null>(null);
  const read = async () => (book = await readHookBook(theBusiness().db, theBusiness().id));
  onMount(() => void read());
  // What was told comes with what was done.
  $effect(() => {
    void theBusiness().view.errands;
    void read();
  });
  const urls = $derived([
    ...new Set([
      ...[theBusiness().system, theBusiness().view.inForce.system].flatMap((s) =>
        Object.values(s.followUps).flatMap((f) => f.then.flatMap((t) => (t.do === 'hook' ? t.url : []))),
      ),
      ...(book?.received ?? []).map((r) => r.url),
    ]),
  ]);
  const WORDS: Record<HookHabit, string> = {
    'takes them': 'takes what comes',
    refuses: 'refuses it (422)',
    'is broken': 'is broken (503)',
    'never answers': 'never answers',
    'answers late': 'takes it, and answers too late',
  };
  async function set(url: string, habit: HookHabit) {
    await setHookHabit(theBusiness().db, theBusiness().id, url, habit);
    await read();
  }
</script>

{#if book && urls.length}
  <h3>Records elsewhere</h3>
  {#each urls as url (url)}
    {@const habit = book.habits[url] ?? 'takes them'}
    <Select
      size="sm"
      labelText={url}
      selected={habit}
      on:update={(e) => {
        if (e.detail !== habit) void set(url, e.detail as HookHabit);
      }}
    >
      {#each HookHabit.options as value (value)}<SelectItem {value} text={WORDS[value]} />{/each}
    </Select>
  {/each}
  <ul class="slips" aria-label="What records elsewhere were told">
    {#each (book ?? emptyHookBook()).received.toReversed().slice(0, 30) as one (one.key)}
      <li class="small">
        {momentText(one.at, theBusiness().zone)}, {one.signed ? 'signature right' : 'signature wrong'}
        <code>{one.body}</code>
      </li>
    {:else}<li class="small soft">Nothing was told yet.</li>{/each}
  </ul>
{/if}

<style>
  h3 {
    margin: 22px 0 6px;
  }
  code {
    display: block;
    overflow-wrap: anywhere;
  }
</style>
