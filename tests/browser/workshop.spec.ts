/** A workshop with a café, provisioned from nothing: as much as a small business needs, and how long it takes. */
import { saved } from './bench';
import { Hands } from './hands';
import { expect, test } from './seeded';

/** As a spreadsheet has them. */
const STAFF = `name\te-mail\tsite\tgroups
Ada Quill\tada@marrowandtide.example\tWorkshop\tOffice
Ben Stone\tben@marrowandtide.example\tWorkshop\tOffice
Cleo Marsh\tcleo@marrowandtide.example\tWorkshop\tBench
Dara Flint\tdara@marrowandtide.example\tWorkshop\tBench
Elin Moor\telin@marrowandtide.example\tWorkshop\tBench
Finn Alder\tfinn@marrowandtide.example\tWorkshop\tBench
Gwen Teal\tgwen@marrowandtide.example\tCafé\tCounter
Hana Birch\thana@marrowandtide.example\tCafé\tCounter
Ivo Reed\tivo@marrowandtide.example\tCafé\tCounter
Jude Heron\tjude@marrowandtide.example\tCafé\tKitchen
Kit Larch\tkit@marrowandtide.example\tCafé\tKitchen
Lou Sand\tlou@marrowandtide.example\tCafé\tKitchen`;

test('a workshop with a café, twelve people, six numbers and two sites: from nothing to in force', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const hands = new Hands(page);
  const { click, type, typeOn, choose, paste } = {
    click: hands.click.bind(hands),
    type: hands.type.bind(hands),
    typeOn: hands.typeOn.bind(hands),
    choose: hands.choose.bind(hands),
    paste: hands.paste.bind(hands),
  };
  const stop = (name: string) =>
    click(page.getByRole('navigation', { name: 'The way of the work' }).getByRole('link', { name }));
  const room = (name: string) => click(page.locator('nav').getByRole('link', { name, exact: true }));

  await page.goto('/');
  await test.step('begin', async () => {
    await click(page.getByRole('button', { name: 'Start with your own business' }));
    const dialog = page.getByRole('dialog');
    await type(dialog.getByLabel('Name'), 'Marrow & Tide');
    await click(dialog.getByRole('button', { name: 'Start', exact: true }));
    await click(page.getByRole('link', { name: 'Answer the questions' }));
    await click(page.getByRole('radio', { name: /Two sites with a menu/ }));
    await type(page.getByLabel('What is the first site called?'), 'Workshop');
    await type(page.getByLabel('Who answers there?').first(), 'Ada Quill, Ben Stone');
    await type(page.getByLabel('And the second?'), 'Café');
    await type(page.getByLabel('Who answers there?').last(), 'Gwen Teal, Hana Birch');
    await type(page.getByLabel('When are you open, Monday to Friday?'), '8-12, 13-17');
    await click(page.getByRole('button', { name: 'Make it so' }));
    await expect(page.getByTestId('step').first()).toBeVisible();
  });
  await test.step('twelve people, with their groups, from a list', async () => {
    await stop('People');
    await room('Read a list');
    await paste(page.getByLabel('Paste a list'), STAFF);
    await click(page.getByRole('button', { name: 'Read it' }));
    await click(page.getByRole('button', { name: 'Make them' }));
    await click(page.getByRole('button', { name: /^Apply \d+ rows/ }));
    await expect(page.getByText('12 people').first()).toBeVisible();
    await saved(page);
  });
  await test.step('six numbers', async () => {
    await stop('Numbers');
    await room('Get a number');
    const offers = page
      .getByRole('list', { name: 'Numbers on offer' })
      .getByRole('button', { name: /^Take/ });
    const aside = page.getByRole('list', { name: 'Numbers set aside' }).getByRole('listitem');
    for (let i = 1; i <= 6; i++) {
      const taken = await offers.first().textContent();
      await click(offers.first());
      await expect(aside).toHaveCount(i);
      await expect(offers.first()).not.toHaveText(taken!);
    }
    // Some are gone by the time they are ordered; the nearest one then.
    for (;;) {
      await click(page.getByRole('button', { name: /^Order/ }));
      const order = page.getByRole('status').filter({ hasText: 'Your order' });
      await expect(order).toHaveAttribute('aria-busy', 'false');
      await expect(aside).toHaveCount(0);
      const instead = page.getByRole('button', { name: 'Take this instead' });
      if (!(await instead.count())) break;
      for (let left = await instead.count(); left; left--) {
        await click(instead.first());
        await expect(instead).toHaveCount(left - 1);
      }
    }
    await click(page.getByRole('link', { name: /^Say what/ }));
    const held = page.locator('.held li');
    await expect(held).toHaveCount(6);
    const lines = [
      ['Workshop', 'Workshop', 'Ben Stone, then their voicemail'],
      ['Café', 'Café', 'Gwen Teal, then their voicemail'],
      ['Ada direct', 'Workshop', 'Ada Quill, then their voicemail'],
      ['Orders', 'Café', 'Hana Birch, then their voicemail'],
      ['Night', 'Workshop', 'a new plan'],
    ] as const;
    await click(held.first().getByRole('link').first());
    await choose(page.getByLabel('Site', { exact: true }), { label: 'Workshop' });
    for (const [i, [label, site, to]] of lines.entries()) {
      await click(
        held
          .nth(i + 1)
          .getByRole('link')
          .first(),
      );
      await type(page.getByLabel('Label'), label);
      await hands.press('Tab');
      await choose(page.getByLabel('Site', { exact: true }), { label: site });
      await choose(page.getByLabel(`Where calls to ${label} go`), { label: to });
      await saved(page);
    }
  });
  await test.step('two addresses for help', async () => {
    await stop('Numbers');
    await room('Sites');
    for (const [site, number, street, city] of [
      ['Workshop', '12', 'Ropewalk', 'Bellingham'],
      ['Café', '3', 'Harbour Street', 'Bellingham'],
    ]) {
      await click(page.getByRole('list', { name: 'Sites' }).getByRole('link', { name: site! }));
      await type(page.getByLabel('House number'), number!);
      await hands.press('Tab');
      await typeOn(street!);
      await typeOn(city!);
      await typeOn('WA');
      await typeOn('98225');
      await saved(page);
    }
  });
  await test.step('lunch and holidays', async () => {
    await stop('Hours');
    await type(page.getByLabel('Another kind of period'), 'Lunch');
    await click(page.getByRole('button', { name: 'Add kind' }));
    await type(page.getByLabel('Lunch, Mon'), '12-13');
    await hands.press('Tab');
    await click(page.getByRole('button', { name: 'Copy the day' }));
    await expect(page.getByLabel('Lunch, Fri')).toHaveValue('12-1pm');
    await room('Year and exceptions');
    await click(page.getByRole('button', { name: /^Public holidays of/ }));
    await click(page.getByRole('button', { name: /^Add \d+ holidays/ }));
    await saved(page);
  });
  /** Adds a step under the n-th list of the plan. */
  const add = async (n: number, name: string) => {
    await click(page.getByRole('button', { name: 'Add a step' }).nth(n));
    await page.getByRole('combobox', { name: 'Which step?' }).waitFor();
    await hands.keysFor(name);
    await hands.press('Enter');
  };
  const panel = page.locator('aside');
  const several = async (field: string, names: string[]) => {
    await click(panel.getByRole('combobox', { name: field, exact: true }));
    for (const name of names) await click(page.getByRole('option', { name: new RegExp(`^${name}`) }));
    await hands.press('Escape');
  };
  await test.step('a queue', async () => {
    await stop('Answering');
    await room('Queues');
    await click(page.getByRole('button', { name: 'Start a queue' }));
    const queue = page.getByRole('region', { name: 'Front desk' });
    await click(queue.getByRole('combobox', { name: 'Groups that serve it' }));
    await click(page.getByRole('option', { name: 'Bench' }));
    await hands.press('Escape');
    await saved(page);
  });
  await test.step('a rota of three', async () => {
    await stop('Hours');
    await room('Rotas');
    await click(page.getByRole('button', { name: 'Add a rota' }));
    for (let i = 1; i <= 3; i++) await click(page.getByRole('button', { name: 'Add a turn' }));
    await choose(page.getByLabel('Turn 1', { exact: true }), { label: 'Cleo Marsh' });
    await choose(page.getByLabel('Turn 2', { exact: true }), { label: 'Dara Flint' });
    await choose(page.getByLabel('Turn 3', { exact: true }), { label: 'Elin Moor' });
    await saved(page);
  });
  await test.step('the menu has a menu under it, and lunch a branch', async () => {
    await stop('Answering');
    await click(page.getByRole('link', { name: /^Main line/ }).first());
    await click(page.getByRole('button', { name: 'Add a branch for Lunch' }));
    await add(4, 'Voicemail');
    await choose(panel.getByLabel('Mailbox'), { label: 'Main line' });
    // The workshop: repairs, or what is done already.
    const rings = page.getByTestId('step').filter({ hasText: /^.*Ring/ });
    await click(rings.nth(0).getByRole('button', { name: /^Remove/ }));
    await click(rings.nth(0).getByRole('button', { name: /^Remove/ }));
    await add(0, 'Menu');
    await type(panel.getByLabel('Its words'), 'For repairs press 1. To ask after work press 2.');
    await hands.press('Tab');
    // The keys that its words name have their branches.
    await expect(panel.getByRole('button', { name: 'Key 2 has a branch' })).toBeVisible();
    await add(0, 'Ring');
    await several('Who', ['Ben Stone']);
    await add(1, 'Queue');
    await choose(panel.getByLabel('Queue'), { label: 'Front desk' });
    await saved(page);
  });
  await test.step('the night number rings whoever is on call', async () => {
    await click(page.getByRole('link', { name: /^Night/ }).first());
    await add(0, 'Ring');
    await several('Groups and rotas', ['On duty: On call']);
    await add(0, 'Voicemail');
    await choose(panel.getByLabel('Mailbox'), { label: 'Main line' });
    await saved(page);
  });
  await test.step('somebody is on leave', async () => {
    await stop('People');
    await click(page.getByRole('link', { name: 'Hana Birch' }));
    await page.getByRole('heading', { name: /Hana Birch/ }).waitFor();
    const away = page.locator('form', { hasText: 'Stands in' });
    await type(away.getByLabel('From'), '21 dec');
    await hands.press('Tab');
    await typeOn('2 jan');
    await choose(away.getByLabel('Stands in'), { label: 'Ivo Reed' });
    await click(away.getByRole('button', { name: 'Add', exact: true }));
    await expect(page.getByRole('list', { name: 'Days away' })).toContainText('Jan 2, 2027');
  });
  await test.step('twelve invitations', async () => {
    await stop('Phones');
    await click(page.getByRole('button', { name: /^Invite all 12/ }));
    await expect(page.getByText('Not paired yet').first()).toBeVisible();
  });
  await test.step('in force', async () => {
    await click(page.getByRole('link', { name: /^Review/ }));
    const button = page.getByRole('button', { name: 'Put in force', exact: true });
    await expect(button.or(page.getByText(/^In spite of/)).first()).toBeVisible();
    await expect(page.getByText('The promises are held against the draft')).toHaveCount(0, {
      timeout: 45_000,
    });
    await expect(page.getByRole('link', { name: /^The checks found \d things in the draft/ })).toBeVisible();
    // What the checks found is told once for all that have it, and leads to what is to be done.
    const found = page.locator('.finding');
    await expect(found.filter({ hasText: 'is not paired' }).first()).toContainText('The same of 11 more');
    const unpaired = found.filter({ hasText: 'The same of 11 more' });
    await unpaired.getByText('The same of 11 more').click();
    await expect(
      unpaired.getByRole('link', { name: 'Lou Sand: browser softphone is not paired' }),
    ).toBeVisible();
    await expect(page.getByText('has no emergency address')).toHaveCount(0);
    // Of many changes each part shows the first.
    await expect(page.getByTestId('net-changes')).toContainText('Show 8 more of 12');
    if (await page.getByText(/^In spite of/).isVisible()) await click(page.getByText(/^In spite of/));
    await click(button);
    await expect(page.getByText('In force: callers get this from now on.')).toBeVisible();
  });
  const after = page.getByTestId('after-force');
  await expect(after).toContainText(
    'You are on the rota On call. You serve the queue Front desk. Calls to Main line and Night ring you now.',
  );
  await expect(after.getByRole('button', { name: 'Mail 12 people what changes for them' })).toBeVisible();
  console.error(
    `A workshop with a café: ${hands.clicks} clicks, ${hands.keys} keys, ${hands.minutes.toFixed(1)} minutes.`,
  );
  expect(hands.minutes).toBeLessThan(10);
});
