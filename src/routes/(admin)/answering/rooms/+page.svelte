<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import { onDestroy } from 'svelte';
  import { newRoom, type Command } from '$core/system';
  import { freshId } from '$ui/ids';
  import RoomCard from '$ui/meetings/RoomCard.svelte';
  import { freeName } from '$ui/parted';
  import { Line } from '$ui/phone/line.svelte';
  import { theBusiness } from '$ui/window/session.svelte';

  const system = $derived(theBusiness().system);
  const all = $derived(Object.values(system.rooms));
  const line = new Line(theBusiness().id);
  onDestroy(() => line.close());
  /** Two PINs that are not the same, by chance. */
  const pin = () => String(1000 + (crypto.getRandomValues(new Uint16Array(1))[0]! % 9000));
  function add() {
    const name = freeName(
      'Meeting room',
      all.map((r) => r.name),
    );
    const host = theBusiness().actor || null;
    const room = {
      ...newRoom({ id: freshId('room'), name }),
      pin: pin(),
      hostPin: `${pin()}${pin().slice(0, 2)}`,
      hostId: host,
    };
    const plan = {
      id: freshId('plan'),
      name: freeName(
        name,
        Object.values(system.plans).map((p) => p.name),
      ),
      steps: [{ id: freshId('step'), kind: 'meeting' as const, roomId: room.id }],
    };
    const commands: Command[] = [
      { do: 'meeting room.add', value: room },
      { do: 'plan.add', value: plan },
    ];
    theBusiness().edit(`Meeting room: ${name}`, commands);
  }
</script>

<svelte:head><title>Meeting rooms · Answering · Upper Line</title></svelte:head>

<h1>Meeting rooms</h1>
<p class="sub">
  Several people meet by telephone: they dial the number or the extension of the room’s plan and type its PIN;
  with music until the host is there. Whoever is in it stands here while it goes on.
</p>
{#each all as room (room.id)}
  <RoomCard {room} {line} />
{:else}
  <div class="empty">
    <h2>No room yet</h2>
    <p>Make one: it gets PINs and a plan that leads there; give the plan a number or an extension.</p>
  </div>
{/each}
<Button size="small" kind="tertiary" on:click={add}>Make a room</Button>
