<script lang="ts">
  import { DAY_NAMES, writeTime } from '$core/hours';
  import type { WeekMap } from '$core/traffic';
  import { valueText } from '$core/traffic';

  /** A figure for each hour of the week: the darker, the more; the number stands in it. */
  interface Props {
    map: WeekMap;
    currency: string;
    chosen: string | null;
    onbehind: (key: string, title: string) => void;
  }
  let { map, currency, chosen, onbehind }: Props = $props();
  const most = $derived(Math.max(0, ...map.values.map((v) => v ?? 0)));
  /** Hours in which there is anything on some day, and those between. */
  const hours = $derived.by(() => {
    const used = Array.from({ length: 24 }, (_, h) => h).filter((h) =>
      DAY_NAMES.some((_, day) => map.values[day * 24 + h]),
    );
    return used.length ? Array.from({ length: used.at(-1)! - used[0]! + 1 }, (_, i) => used[0]! + i) : [];
  });
  const shade = (value: number | null) => (most > 0 && value ? Math.ceil((value / most) * 5) : 0);
  const short = (value: number | null) => {
    if (value === null || value === 0) return '';
    return map.unit === 'share'
      ? String(Math.round(value * 100))
      : value < 10
        ? value.toFixed(1)
        : value.toFixed(0);
  };
</script>

<section>
  <h3>{map.title}{map.unit === 'share' ? ', in %' : ''}</h3>
  {#if hours.length}
    <div class="scroll">
      <table data-testid="week-map">
        <thead>
          <tr>
            <th scope="col"><span class="bx--visually-hidden">Day</span></th>
            {#each hours as hour (hour)}<th scope="col">{writeTime(hour * 60).replace(':00', '')}</th>{/each}
          </tr>
        </thead>
        <tbody>
          {#each DAY_NAMES as name, day (name)}
            <tr>
              <th scope="row">{name}</th>
              {#each hours as hour (hour)}
                {@const at = day * 24 + hour}
                {@const value = map.values[at] ?? null}
                {@const key = map.keys[at]}
                {@const title = `${name} ${writeTime(hour * 60)}`}
                <td class="s{shade(value)}">
                  {#if key}
                    <button
                      type="button"
                      aria-label="{title}: {valueText(value, map.unit, currency)}"
                      aria-pressed={chosen === key}
                      onclick={() => onbehind(key, title)}>{short(value)}</button
                    >
                  {:else}{short(value)}{/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {:else}<p class="soft">There is nothing to show for any hour.</p>{/if}
</section>

<style>
  h3 {
    margin: 14px 0 4px;
    font-size: var(--text-lead);
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    border-collapse: separate;
    border-spacing: 2px;
    font-size: var(--text-small);
    font-variant-numeric: tabular-nums;
  }
  th {
    padding: 2px 6px;
    font-weight: 400;
    color: var(--ink-soft);
  }
  td {
    min-width: 38px;
    height: 26px;
    padding: 0;
    text-align: center;
    vertical-align: middle;
    background: var(--paper);
    color: var(--ink);
  }
  /* Fuller, not only darker: each step has a thicker foot, so that it can be told without colour. */
  .s1 {
    background: color-mix(in srgb, var(--copper) 10%, var(--sheet));
  }
  .s2 {
    background: color-mix(in srgb, var(--copper) 20%, var(--sheet));
    box-shadow: inset 0 -1px 0 var(--copper);
  }
  .s3 {
    background: color-mix(in srgb, var(--copper) 30%, var(--sheet));
    box-shadow: inset 0 -2px 0 var(--copper);
  }
  .s4 {
    background: color-mix(in srgb, var(--copper) 38%, var(--sheet));
    box-shadow: inset 0 -4px 0 var(--copper);
  }
  .s5 {
    background: color-mix(in srgb, var(--copper) 46%, var(--sheet));
    box-shadow: inset 0 -6px 0 var(--copper);
  }
  button {
    display: block;
    width: 100%;
    height: 26px;
    padding: 0;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    outline: 2px solid var(--ink);
  }
  @media print {
    td {
      print-color-adjust: exact;
    }
  }
</style>
