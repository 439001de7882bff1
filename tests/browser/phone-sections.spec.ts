/** A staff phone's sections: recent, texts, people; with a thumb at 390, and on a desk. */
import type { BrowserContext, Page } from '@playwright/test';
import { bench, open } from './bench';
import { expect, test } from './seeded';

/** A phone in a window as small as a real one. */
async function phoneOf(context: BrowserContext, id: string, width = 390): Promise<Page> {
  const phone = await context.newPage();
  await phone.setViewportSize({ width, height: 844 });
  await phone.goto(`/phone?business=lantern-cove&as=${id}`);
  await phone.getByTestId('phone-state').waitFor();
  return phone;
}
const section = (phone: Page, name: string) =>
  phone
    .getByRole('navigation', { name: 'Sections of the phone' })
    .getByRole('button', { name: new RegExp(`^${name}\\b`) });

test('a text is answered on a phone: who has it stands in the office at once, and what it gets, too', async ({
  page,
  context,
}) => {
  await open(page, '/messages/texts');
  const phone = await phoneOf(context, 'noor-computer');
  await expect(section(phone, 'Texts')).toContainText('1');
  await section(phone, 'Texts').click();
  await phone.getByTestId('conversation').filter({ hasText: '(206) 555-0176' }).click();
  await phone.getByLabel('Text', { exact: true }).pressSequentially('Yes, ');
  const inOffice = page.getByTestId('conversation').filter({ hasText: '(206) 555-0176' });
  await expect(inOffice).toContainText('Noor Haddad has it');
  await phone.getByLabel('Ready-made answer', { exact: true }).selectOption({ label: 'We call you' });
  await expect(phone.getByLabel('Text', { exact: true })).toHaveValue(
    'Yes, Thank you. We call you back today. Noor, Lantern Cove Boatworks',
  );
  await phone.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(phone.getByTestId('thread').getByRole('listitem').last()).toContainText('Noor Haddad');
  await inOffice.click();
  await expect(page.getByTestId('thread')).toContainText('We call you back today');
  await expect(inOffice).not.toContainText('waits since');
  await expect(section(phone, 'Texts')).toHaveText('Texts');
  // Back to the list, whose entry has the focus.
  await phone.getByRole('button', { name: 'All conversations' }).click();
  await expect(phone.getByTestId('conversation').first()).toBeFocused();
  // A reload comes back to the section.
  await phone.reload();
  await expect(phone.getByTestId('conversation').first()).toBeVisible();
  await phone.close();
});

test('people: colleagues and contacts are found by words, and called in one tap', async ({
  page,
  context,
}) => {
  await open(page, '/');
  const phone = await phoneOf(context, 'noor-computer');
  await section(phone, 'People').click();
  await phone.getByRole('searchbox', { name: 'Search people' }).fill('harrow');
  await expect(phone.getByText('Nobody of us is found by that.')).toBeVisible();
  const contacts = phone.getByRole('region', { name: 'Contacts' });
  await expect(contacts.getByRole('listitem')).toHaveCount(1);
  await phone.getByRole('searchbox', { name: 'Search people' }).fill('204');
  await phone.getByRole('button', { name: 'Call Tomas Brandt, 204' }).click();
  await expect(phone.getByTestId('talking')).toContainText('Tomas Brandt');
  await phone.getByRole('button', { name: 'Stop calling' }).click();
  // What was, among the recent ones, is found by a word of it.
  await section(phone, 'Recent').click();
  await expect(phone.getByText('To Tomas Brandt', { exact: true })).toBeVisible();
  await phone.getByRole('searchbox', { name: 'Search calls' }).fill('nobody of that name');
  await expect(phone.getByText('None is found by that.')).toBeVisible();
  await phone.close();
});

test('at 360 wide nothing is cut off, and on a desk the same stands side by side', async ({
  page,
  context,
}) => {
  await open(page, '/');
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('What they write').fill('x'.repeat(300));
  await drawer.getByRole('button', { name: 'Text it' }).click();
  await expect(drawer.getByText('It is there')).toBeVisible();
  const phone = await phoneOf(context, 'noor-computer', 360);
  for (const name of ['Call', 'Recent', 'Messages', 'Texts', 'People', 'Me']) {
    await section(phone, name).click();
    await expect(section(phone, name)).toHaveAttribute('aria-current', 'page');
    expect(
      await phone.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      name,
    ).toBeLessThanOrEqual(0);
  }
  await section(phone, 'Texts').click();
  await phone.setViewportSize({ width: 1280, height: 800 });
  await expect(phone.getByTestId('conversation').first()).toBeVisible();
  await expect(phone.getByTestId('thread')).toBeVisible();
  await phone.close();
});

test('colleagues write to each other, see what is new, and one tap brings them all into a call', async ({
  page,
  context,
}) => {
  await open(page, '/');
  const [noor, rosa, idris] = await Promise.all([
    phoneOf(context, 'noor-computer'),
    phoneOf(context, 'rosa-mobile-app'),
    phoneOf(context, 'mei-mobile-app'),
  ]);
  const words = (phone: Page) => phone.getByTestId('words');
  const colleagues = async (phone: Page) => {
    await section(phone, 'Texts').click();
    await phone.getByRole('button', { name: /^Colleagues/ }).click();
  };
  await colleagues(noor);
  await noor.getByRole('button', { name: 'Write to colleagues' }).click();
  await expect(noor.getByRole('button', { name: 'Write to them' })).toBeDisabled();
  for (const name of ['Rosa Delgado', 'Mei Tanaka']) await noor.locator('label', { hasText: name }).click();
  await noor.getByLabel('A name for it, or none').fill('Launch on Friday');
  await noor.getByRole('button', { name: 'Write to them' }).click();
  await noor.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(noor.getByText('Write something.')).toBeVisible();
  await noor.getByLabel('Words', { exact: true }).fill('Who is there <b>at eight</b>?');
  await noor.getByLabel('Words', { exact: true }).press('Control+Enter');
  await expect(words(noor)).toContainText('Who is there <b>at eight</b>?');

  // It is new for the others until they have looked, and of nobody else's concern.
  await expect(section(rosa, 'Texts')).toContainText('2');
  await colleagues(rosa);
  await expect(rosa.getByTestId('circle')).toContainText('1 new');
  await rosa.getByTestId('circle').click();
  await expect(words(rosa)).toContainText('at eight');
  await rosa.getByRole('button', { name: 'All conversations' }).click();
  await expect(rosa.getByTestId('circle')).not.toContainText('new');
  await rosa.getByTestId('circle').click();
  await rosa.getByLabel('Words', { exact: true }).fill('I am.');
  await rosa.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(words(noor)).toContainText('I am.');
  const other = await phoneOf(context, 'callum-mobile-app');
  await colleagues(other);
  await expect(other.getByText('Nobody of us has written yet.')).toBeVisible();
  await other.close();

  // Words lead to what they are about, on a phone that knows it; elsewhere they only name it.
  await section(rosa, 'Messages').click();
  const message = rosa.getByTestId('message').first();
  const from = await message.locator('b').first().innerText();
  await message.getByRole('button', { name: /^Tell a colleague/ }).click();
  await expect(rosa.getByRole('status').filter({ hasText: 'Choose a conversation' })).toContainText(from);
  await rosa.getByTestId('circle').click();
  await expect(rosa.getByTestId('passing')).toContainText(`the message of ${from}`);
  await rosa.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(rosa.getByTestId('passing')).toHaveCount(0);
  await expect(words(noor)).toContainText(`the message of ${from}`);
  await expect(words(noor).getByRole('button', { name: /^the message of/ })).toHaveCount(0);
  await words(rosa)
    .getByRole('button', { name: /^the message of/ })
    .click();
  await expect(rosa.getByTestId('pointed')).toContainText(from);
  await expect(rosa.getByTestId('message')).toHaveCount(1);
  await rosa.getByRole('button', { name: 'All messages' }).click();
  await expect(rosa.getByTestId('pointed')).toHaveCount(0);
  await section(noor, 'People').click();
  await noor.getByRole('button', { name: 'Tell a colleague of Harrow Point Sailing Club' }).click();
  await noor.getByTestId('circle').click();
  await noor.getByLabel('Words', { exact: true }).fill('Call them first');
  await noor.getByRole('button', { name: 'Send', exact: true }).click();
  // On a phone the conversation that was open is open again.
  await section(rosa, 'Texts').click();
  await words(rosa).getByRole('button', { name: 'Harrow Point Sailing Club' }).click();
  await expect(rosa.getByTestId('pointed')).toContainText('Harrow Point Sailing Club');
  await rosa.getByRole('button', { name: 'All contacts' }).click();

  // Into a call, one after the other.
  await colleagues(noor);
  await noor.getByRole('button', { name: /^Call them all/ }).click();
  const lift = async (phone: Page) => {
    await phone.getByRole('button', { name: /^Answer/ }).click();
    await expect(phone.getByTestId('talking')).toBeVisible();
  };
  await lift(rosa);
  await lift(idris);
  for (const phone of [noor, rosa, idris])
    await expect(phone.getByTestId('talking')).toContainText(phone === noor ? 'Rosa Delgado' : 'Noor Haddad');
  await expect(noor.getByTestId('talking')).toContainText('Mei Tanaka');
  for (const phone of [noor, rosa, idris]) await phone.close();
});
