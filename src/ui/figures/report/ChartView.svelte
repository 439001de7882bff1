<script lang="ts">
  import type { Chart } from '$core/traffic';
  import { saveBlob } from '../../files/download';
  import { partText } from '../value';
  import { valueText } from '$core/traffic';
  import type { Drawn } from './chart';

  /** A chart, and its figures as a table for whoever does not see it. */
  interface Props {
    chart: Chart;
    currency: string;
    file: string;
    onbehind: (key: string, title: string) => void;
  }
  let { chart, currency, file, onbehind }: Props = $props();
  let canvas = $state<HTMLCanvasElement>();
  let drawn = $state.raw<Drawn | null>(null);
  let problem = $state('');
  const isEmpty = $derived(!chart.series.some((s) => s.values.some(Boolean)));

  $effect(() => {
    const [on, of, money] = [canvas, chart, currency];
    if (!on || isEmpty) return;
    let over = false;
    let mine: Drawn | undefined;
    import('./chart')
      .then(({ draw }) => {
        if (!over) drawn = mine = draw(on, of, money, onbehind);
      })
      .catch(() => (problem = 'The chart could not be drawn. Its figures stand in the table.'));
    return () => {
      over = true;
      mine?.destroy();
      drawn = null;
    };
  });
  async function png() {
    const blob = await drawn?.png();
    if (blob) saveBlob(`${file}.png`, blob);
  }
</script>

<figure aria-label={chart.title}>
  <figcaption>
    {chart.title}
    {#if drawn}<button class="linkish small" type="button" onclick={() => void png()}>as PNG</button>{/if}
  </figcaption>
  {#if isEmpty}
    <p class="soft">There is nothing to draw.</p>
  {:else}
    {#if problem}<p role="alert">{problem}</p>{/if}
    <div class="canvas" data-testid="chart" data-drawn={drawn ? 'yes' : 'no'}>
      <canvas bind:this={canvas} aria-hidden="true"></canvas>
    </div>
    <details>
      <summary>The figures of the chart</summary>
      <div class="scroll">
        <table class="list">
          <thead>
            <tr>
              <th scope="col">{chart.title}</th>
              {#each chart.series as s (s.name)}<th scope="col">{s.name}</th>{/each}
            </tr>
          </thead>
          <tbody>
            {#each chart.labels as label, i (i)}
              <tr>
                <th scope="row">{partText(label)}</th>
                {#each chart.series as s (s.name)}<td
                    >{valueText(s.values[i] ?? null, chart.unit, currency)}</td
                  >{/each}
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    </details>
  {/if}
</figure>

<style>
  figure {
    margin: 10px 0;
    padding: 10px 12px;
    background: var(--sheet);
    border: 1px solid var(--rule);
  }
  figcaption {
    display: flex;
    gap: 12px;
    align-items: baseline;
    font-weight: 700;
  }
  .canvas {
    position: relative;
    height: 240px;
  }
  .scroll {
    max-height: 320px;
    overflow: auto;
  }
  summary {
    font-size: var(--text-small);
    color: var(--ink-soft);
    cursor: pointer;
  }
  @media print {
    figcaption button,
    summary {
      display: none;
    }
  }
</style>
