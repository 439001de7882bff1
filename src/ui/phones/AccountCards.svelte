<script lang="ts">
  import { Button, CopyButton } from 'carbon-components-svelte';
  import type { AccountDetails } from '$standins/registrar/accounts';
  import { PASSWORD_BITS } from '$standins/registrar/accounts';
  import { saveText } from '../files/download';
  import { accountFile, accountLines, accountText } from './account-file';

  /** Account details with their passwords, shown once: to print, to copy, to save. */
  let { accounts, done }: { accounts: AccountDetails[]; done: () => void } = $props();
</script>

<div class="head">
  <p>
    <b>Shown once.</b> Each password is of {PASSWORD_BITS} bits and is kept nowhere else: print, copy or save it
    now. Lost, it is made anew.
  </p>
  <div class="row">
    <Button size="small" on:click={() => window.print()}>Print</Button>
    <Button
      size="small"
      kind="tertiary"
      on:click={() => saveText('accounts.json', 'application/json', accountFile(accounts))}
      >Save as a file</Button
    >
    <Button size="small" kind="ghost" on:click={done}>I have them</Button>
  </div>
</div>
<div class="cards">
  {#each accounts as a (a.account)}
    <article aria-label="Account of {a.owner}">
      <h3>{a.owner} <span class="soft">{a.extension}</span></h3>
      <dl>
        {#each accountLines(a) as [label, text] (label)}
          <dt>{label}</dt>
          <dd class:code={label === 'Password' || label === 'User' || label === 'Authentication name'}>
            {text}
          </dd>
        {/each}
      </dl>
      <span class="copy"
        ><CopyButton text={accountText(a)} iconDescription="Copy the details of {a.owner}" /></span
      >
    </article>
  {/each}
</div>

<style>
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 20px;
    margin-bottom: 10px;
  }
  .head p {
    margin: 0;
  }
  .row {
    display: flex;
    gap: 8px;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
    gap: 14px;
  }
  article {
    position: relative;
    background: var(--sheet);
    border: 1px solid var(--rule);
    border-top: 3px solid var(--copper);
    padding: 12px 14px;
    break-inside: avoid;
  }
  .copy {
    position: absolute;
    right: 6px;
    top: 6px;
  }
  dl {
    display: grid;
    grid-template-columns: 128px 1fr;
    gap: 3px 10px;
    margin: 6px 0 0;
    font-size: var(--text-body);
  }
  dt {
    color: var(--ink-soft);
  }
  dd {
    margin: 0;
    overflow-wrap: anywhere;
  }
  .code {
    font-weight: 650;
    letter-spacing: 0.4px;
  }
  @media print {
    .head,
    .copy {
      display: none;
    }
  }
</style>
