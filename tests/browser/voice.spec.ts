/** Voice between windows: what goes into one microphone comes out at the other’s loudspeaker, as far as it should. */
import { expect } from '@playwright/test';
import { toSection } from './bench';
import { call, IDRIS, JONAH, levelAt, outsidePhone, staffPhone, test, toneAsMicrophone } from './talking';

/** A tone is heard well above this, and far below it where it is not (dB of full scale). */
const HEARD = -50;

test('a test tone is heard at the other end, is silent on hold and muted, and goes on when both are put together', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const withTone = await staffPhone(context, JONAH, toneAsMicrophone);
  const idris = await staffPhone(context, IDRIS);
  await call(withTone, '202');
  await idris
    .getByTestId('ringing')
    .getByRole('button', { name: /^Answer/ })
    .click();
  await expect.poll(() => levelAt(idris), { timeout: 20_000 }).toBeGreaterThan(HEARD);
  await expect(withTone.getByTestId('sound')).toContainText('sound');

  await idris.getByTestId('talking').getByRole('button', { name: /^Hold/ }).click();
  await expect.poll(() => levelAt(idris)).toBeLessThan(HEARD);
  await idris
    .getByTestId('talking')
    .getByRole('button', { name: /^Take back/ })
    .click();
  await expect.poll(() => levelAt(idris)).toBeGreaterThan(HEARD);

  await withTone.getByTestId('talking').getByRole('button', { name: /^Mute/ }).click();
  await expect(withTone.getByTestId('talking')).toContainText('you are muted');
  await expect.poll(() => levelAt(idris)).toBeLessThan(HEARD);
  await withTone.keyboard.press('m');
  await expect.poll(() => levelAt(idris)).toBeGreaterThan(HEARD);

  // A third hears it, too.
  const outside = await outsidePhone(context, '(604) 555-0126');
  await idris.getByTestId('talking').getByRole('button', { name: 'Add…' }).click();
  await idris.getByRole('combobox', { name: /^Add/ }).fill('604 555 0126');
  await idris.getByRole('combobox', { name: /^Add/ }).press('Enter');
  await outside.getByRole('button', { name: 'Lift' }).click();
  await expect.poll(() => levelAt(outside), { timeout: 20_000 }).toBeGreaterThan(HEARD);
  await expect.poll(() => levelAt(idris)).toBeGreaterThan(HEARD);
  // Somebody without a microphone is not shut out.
  await outside.getByLabel('Type instead of speaking').fill('I can only <b>type</b>.');
  await outside.getByLabel('Type instead of speaking').press('Enter');
  await expect(idris.getByTestId('words')).toContainText('I can only <b>type</b>.');
});

test('whoever hears a mailbox listens while somebody speaks into it, and takes the call; what was said is kept', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const idris = await staffPhone(context, IDRIS, toneAsMicrophone);
  const jonah = await staffPhone(context, JONAH);
  await call(idris, 'jonah');
  await jonah
    .getByTestId('ringing')
    .getByRole('button', { name: /^Let them leave/ })
    .click();
  const near = jonah.getByTestId('near');
  await expect(near).toContainText('Idris Okafor speaks into Jonah Achterberg', { timeout: 20_000 });
  await near.getByRole('button', { name: 'Listen' }).click();
  await expect(near).toContainText('is heard as they speak');
  await expect.poll(() => levelAt(jonah), { timeout: 20_000 }).toBeGreaterThan(HEARD);
  // What is shorter than two seconds is no message.
  await expect(near).toContainText(/\b([3-9]|\d\d) s/);
  await near.getByRole('button', { name: 'Take the call' }).click();
  await expect(idris.getByTestId('talking')).toContainText('Jonah Achterberg');
  await jonah.getByTestId('talking').press('Escape');
  await expect(idris.getByTestId('talking')).toHaveCount(0);
  // The message stands among those of the mailbox, with the seconds that were spoken.
  await toSection(jonah, 'Messages');
  await expect(jonah.getByTestId('message').filter({ hasText: 'Idris Okafor' })).toHaveCount(1);
});
