<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { ROLE_ACTS, may, type Act } from '$core/people';
  import { goto } from '$app/navigation';
  import { Role, type Person } from '$core/system';
  import { theBusiness } from '$ui/window/session.svelte';

  const acts = Object.entries(ROLE_ACTS) as [Act, string][];
  const people = $derived(Object.values(theBusiness().system.people).filter((p) => p.role !== 'shared room'));

  /** Leads to a page that they may see. */
  async function lookAs(person: Person) {
    theBusiness().lookAs(person.id);
    await goto(may(person.role, 'see the system') ? '/' : `/people/${person.id}`);
  }
</script>

<svelte:head><title>Roles · People · Upper Line</title></svelte:head>

<h1>Roles</h1>
<p class="sub">
  What the pages offer to each. All data is in this one browser: whoever can use it can see everything,
  whatever their role. Roles keep the pages simple; they keep no secret.
</p>
<div class="columns">
  <table class="list">
    <thead>
      <tr
        ><th scope="col">May</th>{#each Role.options as role (role)}<th scope="col">{role}</th>{/each}</tr
      >
    </thead>
    <tbody>
      {#each acts as [act, words] (act)}
        <tr>
          <th scope="row">{words}</th>
          {#each Role.options as role (role)}
            <td>{may(role, act) ? 'yes' : '–'}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
  <div class="card">
    <h2>Look at the pages as</h2>
    <ul>
      {#each people as p (p.id)}
        <li>
          <span><a href="/people/{p.id}">{p.name}</a> <span class="soft">{p.role}</span></span>
          <Button size="small" kind="ghost" on:click={() => void lookAs(p)}
            >Look<span class="visually-hidden">&nbsp;as {p.name}</span></Button
          >
        </li>
      {:else}<li class="soft">Nobody here yet.</li>{/each}
    </ul>
    <p class="small soft">This window then offers what they are offered. A bar at the top takes you back.</p>
  </div>
</div>

<style>
  th[scope='row'] {
    color: var(--ink);
    font-size: var(--text-lead);
  }
  td {
    width: 110px;
  }
  ul {
    list-style: none;
    margin: 0;
    padding: 0;
    max-height: 420px;
    overflow-y: auto;
  }
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    border-bottom: 1px solid var(--rule);
  }
</style>
