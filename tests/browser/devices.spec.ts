/** A phone of one's own on another machine: invited, let in, called, talking, transferring, lost and shut out. */
import { StunServer } from '../fixtures/stun';
import { callFrom, open, putInForce, setClock, visit, withSoftphone } from './bench';
import { askIn, expect, invitedBy, letIn, test } from './devices';
import type { Page } from '@playwright/test';
import { call, levelAt, toneAsMicrophone, TEST_TONE } from './talking';

/** What a browser keeps where it is a phone, as somebody would find it who has the disk: by store. */
const keptOn = (device: Page) =>
  device.evaluate(
    () =>
      new Promise<{ own: number; told: string[] }>((resolve) => {
        const open = indexedDB.open('upper-line-device');
        open.onsuccess = () => {
          const tx = open.result.transaction(['own', 'told']);
          const found = { own: 0, told: [] as string[] };
          tx.objectStore('own').count().onsuccess = (e) =>
            (found.own = (e.target as IDBRequest<number>).result);
          tx.objectStore('told').getAll().onsuccess = (e) =>
            (found.told = (e.target as IDBRequest<{ sealed: Uint8Array }[]>).result.map((r) =>
              String.fromCharCode(...r.sealed.slice(0, 60_000)),
            ));
          tx.oncomplete = () => {
            open.result.close();
            resolve(found);
          };
        };
      }),
  );
/** Voices flow; how well they do on a busy machine is another matter. */
const HEARD = /sound: (?!connecting)/;
const answer = (phone: Page) =>
  phone
    .getByTestId('ringing')
    .getByRole('button', { name: /^Answer/ })
    .click();

test('scan, ring, talk, lose the phone, shut it out', async ({ page, context, machine }) => {
  const link = await invitedBy(page, 'idris', 'Idris');
  const device = await machine((phone) => toneAsMicrophone(phone));
  await askIn(device, link, 'Idris’s <b>tablet</b>');
  // The secret does not stay in the address, and nothing of the business is told before somebody has said yes.
  await expect(device.getByTestId('asking')).toContainText('Somebody at Lantern Cove Boatworks has to say');
  expect(device.url()).not.toContain('join');
  await expect(page.getByTestId('asks-in')).toContainText(
    'Idris’s <b>tablet</b> asks to be a phone of yours.',
  );
  await letIn(page, device, 'Idris’s <b>tablet</b>');
  await expect(page.getByTestId('devices')).toContainText('connected now');
  // Nothing of the administration is in that browser: its database was never made.
  const databases = await device.evaluate(async () => (await indexedDB.databases()).map((d) => d.name));
  expect(databases).toEqual(['upper-line-device']);

  // A caller from outside rings it, and is heard there.
  const caller = await callFrom(context, 'Main line');
  await device
    .getByTestId('ringing')
    .getByRole('button', { name: /^Answer/ })
    .click();
  await expect(device.getByTestId('talking')).toContainText('talked');
  await expect.poll(() => levelAt(caller, TEST_TONE), { timeout: 20_000 }).toBeGreaterThan(-40);
  await device.keyboard.press('Escape');
  await expect(caller.getByTestId('outside-ended')).toBeVisible();

  // Lost: one act, and it is no phone any more, and keeps nothing.
  await visit(page, '/phones/devices');
  await page.getByRole('button', { name: 'Shut out Idris’s <b>tablet</b>' }).click();
  await expect(device.getByTestId('shut-out')).toContainText('nothing of the business is kept on it');
  await expect(page.getByText('Sealed on it were the directory')).toBeVisible();
  expect(await keptOn(device)).toEqual({ own: 0, told: [] });
});

test('a talk is transferred from one machine to another; each keeps only what its person may see, and that sealed', async ({
  page,
  context,
  machine,
}) => {
  const idris = await machine();
  await askIn(idris, await invitedBy(page, 'idris', 'Idris'), 'his mobile');
  await letIn(page, idris, 'his mobile');
  const jonah = await machine((phone) => toneAsMicrophone(phone, 440));
  await askIn(jonah, await invitedBy(page, 'jonah', 'Jonah'), 'workshop tablet');
  await letIn(page, jonah, 'workshop tablet');

  const caller = await callFrom(context, 'Main line');
  await answer(idris);
  await expect(idris.getByTestId('talking')).toContainText('talked');
  await idris.keyboard.press('t');
  const field = idris.getByRole('combobox', { name: /^Transfer to/ });
  await field.fill('jonah');
  await idris.getByRole('option').first().waitFor();
  await field.press('Enter');
  await idris.getByRole('button', { name: 'Transfer at once' }).click();
  await answer(jonah);
  await expect(caller.getByTestId('outside-call')).toContainText('You talk with Jonah Achterberg');
  await expect.poll(() => levelAt(caller, 440), { timeout: 20_000 }).toBeGreaterThan(-40);
  await expect(idris.getByTestId('talking')).toBeHidden();
  await caller.getByRole('button', { name: 'Hang up' }).click();

  await expect.poll(async () => (await keptOn(jonah)).told.length).toBeGreaterThan(3);
  for (const sealed of (await keptOn(jonah)).told)
    for (const word of ['Lantern', 'people', '+1360']) expect(sealed).not.toContain(word);
});

test('over the network by HTTPS: the exchange goes away and comes back, and so does the server in the middle of a talk', async ({
  page,
  context,
  machine,
  ownServer,
}) => {
  test.slow();
  const { here, shared } = ownServer;
  await page.goto(here);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  const link = await invitedBy(page, 'idris', 'Idris', here);
  expect(link).toContain(shared);
  const device = await machine((phone) => toneAsMicrophone(phone), shared);
  await askIn(device, link, 'his mobile');
  await letIn(page, device, 'his mobile');
  await visit(page, '/phones/devices');
  await expect(page.getByTestId('sharing')).toContainText(shared);
  await expect(page.getByTestId('sharing')).toContainText(/([0-9A-F]{2}:){31}[0-9A-F]{2}/);

  // The server ends in the middle of a talk: voice does not pass it.
  const caller = await context.newPage();
  await caller.goto(`${here}/bench/phone?business=lantern-cove`);
  await caller.getByRole('button', { name: 'Main line', exact: true }).click();
  await caller.getByRole('button', { name: 'Call', exact: true }).click();
  await answer(device);
  await expect(device.getByTestId('talking')).toContainText(HEARD);
  await expect.poll(() => levelAt(caller, TEST_TONE), { timeout: 20_000 }).toBeGreaterThan(-40);
  await ownServer.stop();
  await expect(device.getByTestId('cut-off')).toContainText('The server is not reached');
  expect(await levelAt(caller, TEST_TONE)).toBeGreaterThan(-40);
  await ownServer.start();
  await expect(device.getByTestId('cut-off')).toBeHidden();
  await device.keyboard.press('Escape');
  await expect(caller.getByTestId('outside-ended')).toBeVisible();
  await caller.close();

  // Nobody has the business open: the phone says so, and keeps what is set.
  await page.goto('about:blank');
  await expect(device.getByTestId('cut-off')).toContainText('nobody has the business open');
  await expect(device.getByTestId('phone-state')).toContainText('cut off');
  await device.reload();
  await expect(device.getByTestId('phone-state')).toContainText('cut off');
  await device.getByRole('button', { name: /^Me\b/ }).click();
  await device.getByText('off', { exact: true }).first().click();
  await expect(device.getByText('Kept on this phone')).toBeVisible();
  await page.goto(`${here}/people/idris`);
  await expect(device.getByTestId('phone-state')).toContainText('do not disturb');
});

test('a link that is used a second time suspends the first device until the owner has said whose it is', async ({
  page,
  machine,
}) => {
  const link = await invitedBy(page, 'idris', 'Idris');
  const device = await machine();
  await askIn(device, link, 'his mobile');
  await letIn(page, device, 'his mobile');
  const thief = await machine();
  await askIn(thief, link, 'somebody else');
  await expect(thief.getByRole('alert')).toContainText('works once');
  await expect(device.getByTestId('suspended')).toContainText('used a second time');
  const waiting = page.getByRole('region', { name: 'Waiting for your word' });
  await expect(waiting).toContainText('somebody else has read the invitation');
  await waiting.getByRole('button', { name: 'It may go on his mobile' }).click();
  await expect(device.getByTestId('phone-state')).toContainText('this phone is ready');
});

test('the exchange moves to another machine by a link: a talk between two phones goes on, and they are there again', async ({
  page,
  machine,
}) => {
  test.slow();
  const idris = await machine((phone) => toneAsMicrophone(phone));
  await askIn(idris, await invitedBy(page, 'idris', 'Idris'), 'his mobile');
  await letIn(page, idris, 'his mobile');
  const jonah = await machine();
  await askIn(jonah, await invitedBy(page, 'jonah', 'Jonah'), 'workshop tablet');
  await letIn(page, jonah, 'workshop tablet');
  await call(idris, 'jonah');
  await answer(jonah);
  await expect(jonah.getByTestId('talking')).toContainText(HEARD);
  await expect.poll(() => levelAt(jonah, TEST_TONE), { timeout: 20_000 }).toBeGreaterThan(-40);

  await page.goto('/exchange');
  await expect(page.getByTestId('exchange-state')).toContainText('Calls are switched here');
  await expect(page.getByTestId('calls-now')).toHaveText('1');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByTestId('move-link').innerText();
  const other = await machine();
  await other.goto(link.replace(/.$/, (last) => (last === 'A' ? 'B' : 'A')));
  await expect(other.getByRole('alert')).toContainText('That is not the link');
  await other.goto('about:blank');
  await other.goto(link);
  await expect(other.getByRole('status')).toContainText('Somebody at the machine of Lantern Cove Boatworks');
  expect(other.url()).not.toContain('move=');
  await page.getByRole('button', { name: 'Give it to them' }).click();

  await expect(other.getByTestId('exchange-state')).toContainText('Calls are switched here');
  await expect(page.getByTestId('exchange-state')).toContainText('has moved to');
  await expect(other.getByTestId('calls-now')).toHaveText('1');
  await expect(other.getByText('2 of 2')).toBeVisible();
  // The talk went on all the while, and is ended from either side.
  await expect.poll(() => levelAt(jonah, TEST_TONE)).toBeGreaterThan(-40);
  await expect(jonah.getByTestId('cut-off')).toBeHidden();
  await idris.keyboard.press('Escape');
  await expect(jonah.getByTestId('talking')).toBeHidden();
  await expect(other.getByTestId('calls-now')).toHaveText('0');
});

test('a call button of a site leads visitors of other machines to the business: they book, call and talk, and are told of nobody', async ({
  page,
  context,
  machine,
  ownServer,
}) => {
  test.slow();
  const { here, shared } = ownServer;
  await page.goto(here);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  await visit(page, '/by-itself/buttons');
  await expect(page.getByTestId('visit-where')).toContainText(shared);
  const html = await page.getByLabel('HTML for your site').inputValue();
  const address = new URL(
    /href="(https:[^"]+)"/.exec(html)![1]!.replaceAll('&#38;', '&').replaceAll('&amp;', '&'),
  );
  expect(address.hash).toMatch(/^#at=/);

  const visitor = await machine((there) => toneAsMicrophone(there), shared);
  await visitor.goto(address.href);
  await expect(visitor.getByRole('heading', { name: 'Lantern Cove Boatworks' })).toBeVisible();
  // Nothing of the business is kept there, and no phone is made of it.
  expect(await visitor.evaluate(async () => (await indexedDB.databases()).length)).toBe(0);
  await visitor.getByRole('button', { name: 'Book a time' }).click();
  const form = visitor.getByRole('form');
  await form.getByLabel('Your name').fill('Ada <b>Ferris</b>');
  await form.getByLabel('Your number').fill('206 555 0101');
  await form.getByRole('button', { name: 'Book it' }).click();
  await expect(visitor.getByRole('status')).toContainText(/Booked: .* Write OFF \d{5}/);
  await visit(page, '/by-itself/bookings');
  await expect(page.getByTestId('booking')).toContainText('Ada <b>Ferris</b>');

  // Somebody of ours is there, and their voices are heard, in a call that shows no number.
  const staff = await withSoftphone(context, page, here);
  await visitor.getByRole('button', { name: 'Call the yard' }).click();
  await expect(staff.getByTestId('ringing')).toContainText('Hidden number');
  await answer(staff);
  await expect(visitor.getByTestId('visit-call')).toContainText('You are connected.');
  await expect(staff.getByTestId('talking')).toContainText(HEARD);
  await expect.poll(() => levelAt(staff, TEST_TONE), { timeout: 20_000 }).toBeGreaterThan(-40);
  // The page is loaded anew in the middle of it: the call goes on.
  await visitor.reload();
  await expect(visitor.getByTestId('visit-call')).toContainText('You are connected.');
  await expect(staff.getByTestId('talking')).toContainText(HEARD);
  await visitor.getByRole('button', { name: 'Hang up' }).click();
  await expect(visitor.getByTestId('visit-ended')).toContainText('The call is over.');
  await expect(staff.getByTestId('talking')).toHaveCount(0);

  // Nobody has the business open: the number to dial stands there.
  await staff.close();
  await page.goto('about:blank');
  await expect(visitor.getByText('Nobody is reached just now.')).toBeVisible();
  await visitor.reload();
  await expect(visitor.getByRole('heading', { name: 'Not reachable from here' })).toBeVisible();
  await expect(visitor.getByRole('link', { name: '+13605550142' })).toBeVisible();
});

test('a server for voice between networks is added, tried, asked in a call, and taken away by one undo', async ({
  page,
  context,
}) => {
  const stun = await StunServer.start();
  try {
    await open(page, '/phones/devices');
    const card = page.getByRole('region', { name: 'Voice between networks' });
    await expect(card).toContainText('None: voice stays within a network.');
    await card.getByLabel('Address').fill('https://voice.example');
    await card.getByRole('button', { name: 'Add it' }).click();
    await expect(card.getByText('Write an address such as stun:')).toBeVisible();
    await card.getByLabel('Address').fill('turn:voice.example');
    await card.getByRole('button', { name: 'Add it' }).click();
    await expect(card.getByText('asks for a user name and a password')).toBeVisible();
    await card.getByLabel('Address').fill(stun.uri);
    await card.getByRole('button', { name: 'Add it' }).click();
    const one = card.getByTestId('voice-server');
    await expect(one).toContainText(stun.uri);
    stun.silent = true;
    await one.getByRole('button', { name: 'Try it' }).click();
    await expect(one.getByRole('status')).toContainText('It does not answer.');
    expect(stun.asked).toBeGreaterThan(0);
    stun.silent = false;
    await one.getByRole('button', { name: 'Try it' }).click();
    await expect(one.getByRole('status')).toContainText('It answers');
    // In a field the keys are the field's own.
    await page.getByRole('heading', { name: 'On other machines' }).click();
    await page.keyboard.press('Control+z');
    await expect(one).toHaveCount(0);
    await page.getByRole('heading', { name: 'On other machines' }).click();
    await page.keyboard.press('Control+Shift+z');
    await expect(one).toHaveCount(1);

    // In force, every talk asks it.
    await putInForce(page);
    const staff = await withSoftphone(context, page);
    const before = stun.asked;
    const caller = await callFrom(context, 'Main line');
    await answer(staff);
    await expect(caller.getByTestId('outside-call')).toContainText('You talk with');
    await expect(staff.getByTestId('talking')).toContainText(HEARD);
    expect(stun.asked).toBeGreaterThan(before);
  } finally {
    stun.stop();
  }
});
