<script lang="ts">
  import { Button, TextInput } from 'carbon-components-svelte';
  import { newGroup } from '$core/system';
  import { freshId } from '$ui/ids';
  import Nearby from '$ui/drawn/Nearby.svelte';
  import GroupCard from '$ui/people/GroupCard.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const groups = $derived(Object.values(theBusiness().system.groups));
  let name = $state('');
  let problem = $state('');

  async function add(event: Event) {
    event.preventDefault();
    problem =
      (await theBusiness().keepStored(`Make group ${name.trim()}`, [
        { do: 'group.add', value: newGroup({ id: freshId('group'), name: name.trim() }) },
      ])) ?? '';
    if (!problem) name = '';
  }
</script>

<svelte:head><title>Groups · People · Upper Line</title></svelte:head>

<h1>Groups</h1>
<p class="sub">
  People who are rung together or in turn: by a plan, or by dialling the group’s extension. Their own
  forwarding is left alone then.
</p>
<form onsubmit={add}>
  <TextInput
    size="sm"
    labelText="Name of a new group"
    bind:value={name}
    invalid={!!problem}
    invalidText={problem}
  />
  <Button size="small" type="submit" kind={groups.length ? 'tertiary' : 'primary'}>Make a group</Button>
</form>
{#if groups.length}
  <div class="cards">
    {#each groups as group, i (group.id)}
      <Nearby id={group.id} name={group.name} place={i} height={420}><GroupCard {group} /></Nearby>
    {/each}
  </div>
{:else}
  <div class="empty">
    <h2>No groups yet</h2>
    <p>Make one for each team that shares its calls: the front desk, the workshop, the night watch.</p>
  </div>
{/if}

<style>
  form {
    display: grid;
    grid-template-columns: 260px auto;
    gap: 10px;
    align-items: end;
    justify-content: start;
    margin-bottom: 16px;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(430px, 1fr));
    gap: 0 18px;
    align-items: start;
  }
</style>
