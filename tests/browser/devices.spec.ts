/** A phone of one's own on another machine: invited, let in, called, talking, transferring, lost and shut out. */
import { callFrom, visit } from './bench';
import { askIn, expect, invitedBy, letIn, test } from './devices';
import { levelAt, toneAsMicrophone, TEST_TONE } from './talking';

test('scan, ring, talk, lose the phone, shut it out', async ({ page, context, machine }) => {
  const link = await invitedBy(page, 'idris', 'Idris');
  const device = await machine((phone) => toneAsMicrophone(phone));
  await askIn(device, link, 'Idris’s <b>tablet</b>');
  // The secret does not stay in the address, and nothing of the business is told before somebody has said yes.
  await expect(device.getByTestId('asking')).toContainText('Somebody at Lantern Cove Boatworks has to say');
  expect(device.url()).not.toContain('join');
  await expect(page.getByTestId('asks-in')).toContainText('Idris’s <b>tablet</b> asks to be a phone of yours.');
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
  const kept = await device.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const open = indexedDB.open('upper-line-device');
        open.onsuccess = () => {
          const tx = open.result.transaction(['own', 'told']);
          let n = 0;
          for (const store of ['own', 'told'])
            tx.objectStore(store).count().onsuccess = (e) => (n += (e.target as IDBRequest<number>).result);
          tx.oncomplete = () => {
            open.result.close();
            resolve(n);
          };
        };
      }),
  );
  expect(kept).toBe(0);
});
