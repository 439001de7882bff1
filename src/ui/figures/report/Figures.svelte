<script lang="ts">
  import { DEFINITIONS, type Figure, type Rules } from '$core/traffic';
  import { changeText, valueText } from '$core/traffic';

  /** The figures a report begins with, each with what it is and what it was. */
  interface Props {
    figures: readonly Figure[];
    rules: Rules;
    currency: string;
    chosen: string | null;
    onbehind: (key: string, title: string) => void;
  }
  let { figures, rules, currency, chosen, onbehind }: Props = $props();
</script>

<dl>
  {#each figures as { measure, value, before, key } (measure)}
    {@const { unit, words } = DEFINITIONS[measure]}
    <div data-testid="figure">
      <dt>{measure}</dt>
      <dd class="value">
        {#if key}
          <button type="button" aria-pressed={chosen === key} onclick={() => onbehind(key, measure)}
            >{valueText(value, unit, currency)}</button
          >
        {:else}{valueText(value, unit, currency)}{/if}
        {#if before !== undefined}
          <span class="soft small"
            >{changeText(value, before, unit)}{before === null
              ? ''
              : ` (${valueText(before, unit, currency)})`}</span
          >
        {/if}
      </dd>
      <dd class="soft small">{words(rules)}</dd>
    </div>
  {/each}
</dl>

<style>
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 8px;
    margin: 10px 0;
  }
  div {
    padding: 8px 12px;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  dt {
    font-weight: 700;
  }
  dt::first-letter {
    text-transform: uppercase;
  }
  dd {
    margin: 0;
  }
  .value {
    display: flex;
    flex-wrap: wrap;
    gap: 0 10px;
    align-items: baseline;
    font-size: var(--text-heading);
    font-variant-numeric: tabular-nums;
  }
  button {
    padding: 0;
    border: 0;
    background: none;
    color: var(--copper);
    font: inherit;
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--copper-wash);
  }
</style>
