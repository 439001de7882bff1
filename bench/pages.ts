/** The four businesses in the real interface: how long until pages are there, what follows an edit, and how long the page stands still. */
import type { Page } from '@playwright/test';
import { ms } from './measure';
import { readBusiness, withPage } from './served';
import { businessOf, SIZES } from './sizes';

const PAGES = [
  '/numbers',
  '/people',
  '/people/groups',
  '/phones',
  '/hours',
  '/answering',
  '/answering/queues',
  '/messages',
];
const sizes = SIZES.filter(({ name }) => (process.env.SIZES ?? 'S M L XL').split(' ').includes(name));

/** At the third size pages stand still for less than this, in milliseconds; so often more is chance on a shared machine. */
const STILL_MS = 100;
const BY_CHANCE = 4;
let stoodStill = 0;

await withPage(async (page, baseURL) => {
  await page.addInitScript(() => {
    const long: number[] = [];
    Object.assign(window, { long });
    new PerformanceObserver((list) => long.push(...list.getEntries().map((e) => e.duration))).observe({
      entryTypes: ['longtask'],
    });
  });
  for (const size of sizes) {
    const say = (what: string, took: number, frozen: readonly number[] = []) => {
      if (size.name === 'L') stoodStill += frozen.filter((f) => f > 1.5 * STILL_MS).length;
      console.log(
        `${size.name}, ${what}: ${ms(took)}${frozen.length ? `; stood still ${frozen.map(ms).join(', ')}` : ''}`,
      );
    };
    await page.goto(baseURL);
    await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
    let from = performance.now();
    await readBusiness(page, businessOf(size), 'Big Yard');
    await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
    say('read a file until it is shown', performance.now() - from);
    await page.getByTestId('saved').getByText('Saved', { exact: true }).waitFor();
    from = performance.now();
    await page.reload();
    await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
    say('open again', performance.now() - from, await settled(page));
    for (const path of PAGES) {
      await frozenOf(page);
      say(`to ${path}`, await timed(page, path), await settled(page));
    }
    await timed(page, '/people/p3');
    await settled(page);
    const name = page.getByLabel('Name', { exact: true }).first();
    await name.fill('Another Name');
    await frozenOf(page);
    from = performance.now();
    await name.blur();
    await page.getByRole('heading', { name: 'Another Name' }).waitFor();
    await page.getByTestId('saved').getByText('Saved', { exact: true }).waitFor();
    say('a person renamed, drawn and stored', performance.now() - from, await settled(page));
    await timed(page, '/changes');
    from = performance.now();
    await page
      .getByText(/Nothing differs|thing differs|things differ/)
      .or(page.getByTestId('difference').first())
      .first()
      .waitFor();
    say('what differs, first words', performance.now() - from);
    await page.getByText(/looked at so far|is worked out/).waitFor({ state: 'detached' });
    say('what differs, all of it', performance.now() - from, await settled(page));
  }
});
if (stoodStill > BY_CHANCE) {
  console.log(
    `With ${SIZES[2]!.people} people pages stood still ${stoodStill} times for longer than they should.`,
  );
  process.exitCode = 1;
}

/** How long the page stood still since this was asked last, in milliseconds. */
function frozenOf(page: Page): Promise<number[]> {
  return page.evaluate(() => (window as unknown as { long: number[] }).long.splice(0));
}

/** The same, once nothing has stood still for a while. */
async function settled(page: Page): Promise<number[]> {
  const all: number[] = [];
  for (let quiet = 0; quiet < 3;) {
    await page.waitForTimeout(400);
    const more = await frozenOf(page);
    quiet = more.length ? 0 : quiet + 1;
    all.push(...more);
  }
  return all;
}

/** From a click on a link to the frame in which the page behind it is drawn, in milliseconds. */
function timed(page: Page, path: string): Promise<number> {
  return page.evaluate(async (to) => {
    const from = performance.now();
    const before = document.querySelector('h1');
    const link = document.createElement('a');
    link.href = to;
    document.body.append(link);
    link.click();
    link.remove();
    while (
      location.pathname !== to ||
      document.querySelector('h1') === before ||
      !document.querySelector('h1')
    )
      await new Promise((next) => requestAnimationFrame(() => setTimeout(next)));
    return performance.now() - from;
  }, path);
}
