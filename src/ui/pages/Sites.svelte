<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import type { Site } from '$core/system';
  import { freshId } from '../ids';
  import { session } from '../session.svelte';

  const system = $derived(session.system!);
  const sites = $derived(Object.values(system.sites));
  /** Parts of a civic address by their names in RFC 5139. */
  const PARTS = [
    ['HNO', 'House number'],
    ['RD', 'Street'],
    ['A3', 'City'],
    ['A1', 'State or region'],
    ['PC', 'Postal code'],
  ] as const;
  const blank = () => ({ name: '', HNO: '', RD: '', A3: '', A1: '', PC: '' });
  let open = $state<string | null>(null);
  let fields = $state(blank());
  let problems = $state<Record<string, string>>({});

  function show(site: Site | null) {
    open = site?.id ?? 'new';
    fields = site ? { name: site.name, ...site.address } : blank();
    problems = {};
  }
  function keep(event: Event) {
    event.preventDefault();
    const { name, ...parts } = fields;
    problems = Object.fromEntries(
      [['name', 'Name'] as const, ...PARTS.filter(([part]) => part !== 'PC')]
        .filter(([field]) => !fields[field].trim())
        .map(([field, label]) => [field, `${label} is missing: help must find the door.`]),
    );
    if (Object.keys(problems).length) return;
    const address = { ...parts, country: system.business.country };
    const result =
      open === 'new'
        ? session.edit(
            `Add the site ${name.trim()}`,
            [
              {
                do: 'site.add',
                value: { id: freshId('site'), name, timeZone: system.business.timeZone, address },
              },
            ],
            { quiet: true },
          )
        : session.edit(
            `Change the site ${name.trim()}`,
            [{ do: 'site.set', id: open!, change: { name, address } }],
            { quiet: true },
          );
    if (result.ok) open = null;
    else problems = Object.fromEntries(result.problems.map((p) => [p.field, p.message]));
  }
</script>

<div class="card">
  <h2>Sites</h2>
  <p class="small soft">Where help is sent when somebody at a number calls for it.</p>
  {#each sites as site (site.id)}
    <div class="site">
      <div>
        <b>{site.name}</b>
        <span class="soft small"
          >{site.address.HNO} {site.address.RD}, {site.address.A3} {site.address.A1} {site.address.PC}</span
        >
      </div>
      <button class="linkish small" type="button" onclick={() => show(site)}
        >Change<span class="visually-hidden">&nbsp;{site.name}</span></button
      >
    </div>
  {/each}
  {#if open}
    <form onsubmit={keep}>
      {#each [['name', 'Name'] as const, ...PARTS] as [field, label] (field)}
        <TextInput
          size="sm"
          labelText={label}
          bind:value={fields[field]}
          invalid={!!problems[field]}
          invalidText={problems[field] ?? ''}
        />
      {/each}
      <div class="row">
        <Button size="small" type="submit">Keep</Button>
        <Button size="small" kind="ghost" on:click={() => (open = null)}>Not now</Button>
      </div>
    </form>
  {:else}
    <Button size="small" kind="ghost" on:click={() => show(null)}>Add a site</Button>
  {/if}
</div>

<style>
  .site {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  .site span.soft {
    display: block;
  }
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
    margin-top: 12px;
  }
  .row {
    display: flex;
    gap: 8px;
  }
</style>
