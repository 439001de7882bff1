/** In the real interface: an inbox of ten thousand messages opened and searched. */
import { bigBusiness } from './big';
import { manyMessages } from './many-messages';
import { ms, quantiles } from './measure';
import { keysDrawn, readBusiness, typeWords, withPage } from './served';

const whole = bigBusiness();
const { id: businessId } = whole.business;
whole.messages = manyMessages(['front']).map((m) => ({
  ...m,
  businessId,
  seconds: 12,
  sound: null,
}));

await withPage(async (page, baseURL) => {
  await page.goto(baseURL);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await readBusiness(page, whole, 'Big Yard');
  const from = performance.now();
  await page.goto(`${baseURL}/messages`);
  await page.getByTestId('message').first().waitFor();
  console.log(`an inbox of 10,000 messages opens in ${ms(performance.now() - from)}`);
  const drawn = await keysDrawn(page, '[data-testid=inbox]', true);
  const field = page.getByRole('searchbox', { name: 'Search messages' });
  await typeWords(page, field, ['mast anchor', 'quote', '0112', 'paint sail']);
  const times = await drawn.jsonValue();
  const { p50, p95 } = quantiles(times);
  console.log(
    `search key press to drawn inbox: median ${ms(p50)}, p95 ${ms(p95)}, longest ${ms(Math.max(...times))} of ${times.length} keys that changed it (aim under 50 ms)`,
  );
});
