/** In the real interface: from a key press in a seconds field to the redrawn ring chart, and what the first page weighs. */
import { bigBusiness } from './big';
import { LONG_PLAN, withLongPlan } from './long';
import { ms, quantiles } from './measure';
import { keysDrawn, readBusiness, withPage } from './served';

/** Rounds of key presses; the machine is shared, so the quietest round says most. */
const ROUNDS = 3;
const KEYS = 100;

await withPage(async (page, baseURL) => {
  const network = await page.context().newCDPSession(page);
  await network.send('Network.enable');
  let bytes = 0;
  network.on('Network.loadingFinished', (e) => (bytes += e.encodedDataLength));
  await page.goto(baseURL);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await page.waitForLoadState('networkidle');
  console.log(`first page, transferred: ${(bytes / 1000).toFixed(0)} kB`);

  await readBusiness(page, withLongPlan(bigBusiness()), 'Big Yard');
  await measured(
    'key press to redrawn ring chart, 500 people',
    '/answering/plan-7?step=ring-7',
    '[data-testid=ring-chart]',
  );
  await measured(
    'key press to redrawn sheet of 200 steps',
    `/answering/${LONG_PLAN}?step=k5-open-3`,
    '[data-step=k5-hours]',
  );

  /** Keys pressed in the seconds of a step, each timed until what it changes has been drawn. */
  async function measured(what: string, path: string, drawn: string): Promise<void> {
    await page.goto(baseURL + path);
    const field = page.getByLabel('For how many seconds');
    await page.locator(drawn).waitFor();
    await field.focus();
    const redrawn = await keysDrawn(page, drawn);
    for (let round = 1; round <= ROUNDS; round++) {
      await redrawn.evaluate((times: number[]) => times.splice(0));
      for (let i = 0; i < KEYS; i++) {
        await page.keyboard.press(i % 40 < 20 ? 'ArrowUp' : 'ArrowDown');
        await page.waitForTimeout(100);
      }
      const times = await redrawn.jsonValue();
      const { p50, p95 } = quantiles(times);
      console.log(
        `${what}, round ${round}: median ${ms(p50)}, 95th percentile ${ms(p95)} (${times.length} of ${KEYS})`,
      );
    }
  }
});
