<script lang="ts">
  import { NotificationActionButton, InlineNotification } from 'carbon-components-svelte';
  import { ui } from './open.svelte';
  import { session } from '../window/session.svelte';
</script>

<div class="notices" class:aside={ui.bench} aria-live="polite">
  {#each session.notices as notice (notice.id)}
    <InlineNotification
      lowContrast
      kind={notice.kind}
      title={notice.title}
      subtitle={notice.detail ?? ''}
      on:close={() => session.unsay(notice.id)}
    >
      <svelte:fragment slot="actions">
        {#if notice.undo}
          <NotificationActionButton
            on:click={() => {
              session.unsay(notice.id);
              notice.undo?.();
            }}>Undo</NotificationActionButton
          >
        {/if}
      </svelte:fragment>
    </InlineNotification>
  {/each}
</div>

<style>
  .notices {
    position: fixed;
    right: 20px;
    top: 84px;
    z-index: 6000;
    width: 360px;
  }
  .aside {
    right: 460px;
  }
  .notices :global(.bx--inline-notification) {
    background: var(--sheet);
    box-shadow: 0 2px 8px rgb(0 0 0 / 18%);
    margin: 0 0 8px;
  }
</style>
