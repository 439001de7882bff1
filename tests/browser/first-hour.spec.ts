/**
 * From an empty business to the first answered call: once with the pointer, counting what it takes, and once by the keyboard
 * alone, where the focus may never be lost.
 */
import { expect, test } from './seeded';
import { Hands } from './hands';
import { codeInLetter, currentBusiness, saved, setUpPhone } from './bench';
import type { Locator, Page } from '@playwright/test';

/** Someone who has no pointer. */
class Keyboard {
  keys = 0;
  constructor(readonly page: Page) {}
  /** Presses a key; afterwards something has the focus. */
  async press(key: string): Promise<void> {
    this.keys++;
    await this.page.keyboard.press(key);
  }
  async type(text: string): Promise<void> {
    this.keys += text.length;
    await this.page.keyboard.insertText(text);
  }
  /** What has the focus; the body is nothing. */
  private focus(): Promise<string> {
    return this.page.evaluate(() => document.activeElement?.tagName ?? 'BODY');
  }
  /** After something was done the focus is somewhere. */
  async kept(after: string): Promise<void> {
    await expect.poll(() => this.focus(), { message: `the focus after ${after}` }).not.toBe('BODY');
  }
  /** Goes on with Tab until something has the focus. @param most Tabs that are few */
  async to(target: Locator, most: number, key = 'Tab'): Promise<void> {
    await target.first().waitFor();
    for (let i = 0; i <= most; i++) {
      if (await target.first().evaluate((el) => el === document.activeElement)) return;
      await this.press(key);
    }
    const at = await this.page.evaluate(() => document.activeElement?.outerHTML.slice(0, 120));
    throw new Error(`${most} Tabs do not lead to ${target.toString()}; the focus is on ${at ?? 'nothing'}`);
  }
  /** Finds something to do or a page, from anywhere. */
  async find(words: string): Promise<void> {
    await this.press('Control+k');
    await this.page.getByRole('searchbox', { name: 'A name, a number, or what to do' }).waitFor();
    await this.type(words);
    await this.page.getByRole('dialog').getByRole('listitem').first().waitFor();
    await this.press('Enter');
    await this.page.getByRole('dialog', { name: 'Find' }).waitFor({ state: 'hidden' });
  }
}

const offers = (page: Page) =>
  page
    .getByRole('list', { name: 'Numbers on offer' })
    .getByRole('listitem')
    .getByRole('button', { name: /^Take/ });

test('from an empty business to the first answered call, with few clicks and keys', async ({
  page,
  context,
}) => {
  test.setTimeout(150_000);
  const hands = new Hands(page);
  const { click, type } = { click: hands.click.bind(hands), type: hands.type.bind(hands) };
  await page.goto('/');
  await click(page.getByRole('button', { name: 'Start with your own business' }));
  const dialog = page.getByRole('dialog');
  await type(dialog.getByLabel('Name'), 'Marrow & Tide');
  await click(dialog.getByRole('button', { name: 'Start', exact: true }));
  await click(page.getByRole('link', { name: 'Answer the questions' }));
  await type(page.getByLabel('Who answers?'), 'Ada Quill');
  await hands.choose(page.getByLabel('And at all other times?'), 'Ring me all the same');
  await click(page.getByRole('button', { name: 'Make it so' }));
  await expect(page.getByTestId('step').first()).toBeVisible();
  await page.goto('/begin');
  await click(page.getByTestId('task-number').getByRole('link'));
  await expect(offers(page).first()).toBeVisible();
  while (!(await page.getByText('is yours and in the draft').isVisible())) {
    await click(offers(page).first());
    await click(page.getByRole('button', { name: 'Order it' }));
    await expect(page.getByRole('heading', { name: 'Your order' })).toBeVisible();
  }
  // It has the plan that waited for it.
  await click(page.getByRole('link', { name: 'People' }).first());
  await click(page.getByRole('link', { name: 'Ada Quill' }));
  // The page before has such a field, too.
  await page.getByRole('heading', { name: /Ada Quill/ }).waitFor();
  await type(page.getByLabel('E-mail'), 'ada@marrowandtide.example');
  await page.keyboard.press('Tab');
  await saved(page);
  await click(page.getByRole('button', { name: /^Invite Ada/ }));
  await click(page.getByRole('button', { name: 'Open the mail' }));
  await click(page.getByRole('button', { name: /Your phone at Marrow & Tide/ }));
  const code = await codeInLetter(page);
  const link = await page.getByTestId('mail-text').innerText();
  await click(page.getByRole('complementary', { name: 'Bench' }).getByRole('button', { name: 'Close' }));
  const staff = await context.newPage();
  await staff.goto(/http\S+\/phone\?\S+/.exec(link)![0]);
  await expect(staff.getByLabel('Code')).toHaveValue(code);
  await click(staff.getByRole('button', { name: 'Pair', exact: true }));
  await setUpPhone(staff);

  await click(page.getByRole('link', { name: /^Review/ }));
  const button = page.getByRole('button', { name: 'Put in force', exact: true });
  await expect(button.or(page.getByText(/^In spite of/)).first()).toBeVisible();
  await expect(page.getByText('The promises are held against the draft')).toHaveCount(0, { timeout: 45_000 });
  if (await page.getByText(/^In spite of/).isVisible()) await click(page.getByText(/^In spite of/));
  await click(button);
  const after = page.getByTestId('after-force');
  await expect(after).toContainText('Ada Quill');
  const [outside] = await Promise.all([
    context.waitForEvent('page'),
    click(after.getByRole('link', { name: /^Call Main line/ })),
  ]);
  await click(staff.getByRole('button', { name: /^Answer/ }));
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Ada Quill');
  await click(staff.getByRole('button', { name: 'Hang up' }));
  await page.goto('/begin');
  await expect(page.getByTestId('task-first call')).toContainText('1 call');
  await expect(page.getByTestId('task-pair')).toContainText('1 of 1 phone');
  console.error(
    `From empty to the first answered call: ${hands.clicks} clicks, ${hands.keys} keys, ${hands.minutes.toFixed(1)} minutes.`,
  );
  // Each is a decision that nobody else can make; more is a step backwards.
  expect(hands.clicks).toBeLessThan(40);
  expect(await currentBusiness(page)).not.toBe('lantern-cove');
});

test('the same by the keyboard alone: nothing is out of reach, and the focus is never lost', async ({
  page,
}) => {
  test.setTimeout(150_000);
  const keyboard = new Keyboard(page);
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  // A link leads past the wire.
  await keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'To the page' });
  await expect(skip).toBeFocused();
  await expect(skip).toBeVisible();
  await keyboard.press('Enter');
  await expect(page.locator('main')).toBeFocused();

  await keyboard.find('start own business');
  const name = page.getByRole('dialog').getByLabel('Name');
  await expect(name).toBeFocused();
  await keyboard.type('Marrow & Tide');
  await keyboard.press('Enter');
  await page.getByTestId('how-far').waitFor();
  await keyboard.kept('starting a business');

  await keyboard.find('begin as');
  await page.getByRole('heading', { name: 'Begin as a kind of business' }).waitFor();
  await keyboard.to(page.getByRole('radio', { name: /^One person/ }), 8);
  await keyboard.to(page.getByLabel('Who answers?'), 4);
  await keyboard.type('Ada Quill');
  await keyboard.press('Enter');
  await page.getByTestId('step').first().waitFor();
  await keyboard.kept('beginning as a kind');

  await keyboard.find('get a number');
  await page.getByRole('heading', { name: 'Get a number' }).waitFor();
  await keyboard.to(offers(page), 16);
  await keyboard.press('Enter');
  await keyboard
    .to(page.getByRole('button', { name: 'Order it' }), 12, 'Shift+Tab')
    .catch(() => keyboard.to(page.getByRole('button', { name: 'Order it' }), 60));
  await keyboard.press('Enter');
  await expect(
    page
      .getByText('is yours and in the draft')
      .or(page.getByText(/gone|taken/i))
      .first(),
  ).toBeVisible();
  await keyboard.kept('ordering a number');

  await keyboard.find('add a person');
  const form = page.locator('form', { hasText: 'Add one' });
  await keyboard.to(form.getByLabel('Name'), 3);
  await keyboard.type('Ben Stone');
  await keyboard.press('Enter');
  await expect(form.getByLabel('Name')).toBeFocused();
  await expect(form.getByLabel('Name')).toHaveValue('');
  await keyboard.to(form.getByRole('link', { name: 'Ben Stone' }), 4, 'Shift+Tab');
  await keyboard.press('Control+z');
  await expect(page.getByRole('link', { name: 'Ben Stone' })).toHaveCount(0);
  await keyboard.kept('undoing');

  await keyboard.find('Ada Quill');
  await page.getByRole('heading', { name: /Ada Quill/ }).waitFor();
  await keyboard.to(page.getByLabel('E-mail'), 12);
  await keyboard.type('ada@marrowandtide.example');
  await keyboard.press('Tab');
  await saved(page);

  await keyboard.find('opening hours');
  await page.getByRole('heading', { name: 'Hours', exact: true }).or(page.locator('h1')).first().waitFor();
  await keyboard.kept('opening hours');

  await keyboard.find('review changes');
  const put = page.getByRole('button', { name: 'Put in force', exact: true });
  await put.waitFor();
  await expect(page.getByText('The promises are held against the draft')).toHaveCount(0, { timeout: 45_000 });
  const spite = page.getByRole('checkbox', { name: /^In spite of/ });
  if (await spite.isVisible()) {
    await keyboard.to(spite, 60);
    await keyboard.press('Space');
  }
  await keyboard.to(put, 60);
  await keyboard.press('Enter');
  await expect(page.getByText('In force: callers get this from now on.')).toBeVisible();
  await keyboard.kept('putting in force');
  console.error(`By the keyboard alone: ${keyboard.keys} keys.`);
});
