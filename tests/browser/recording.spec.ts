/** A call is recorded: all hear it first, the sound is kept in two channels, played and deleted for good. */
import { readFile } from 'node:fs/promises';
import { expect } from '@playwright/test';
import wavefile from 'wavefile';
import { open, putInForce, saved } from './bench';
import { call, IDRIS, JONAH, staffPhone, test, TEST_TONE, toneAsMicrophone } from './talking';

const { WaveFile } = wavefile;

test('who may record is said by the administration; all are told, the sound is kept and goes for good', async ({
  context,
  page,
}) => {
  await open(page, '/numbers/dialling');
  const card = page.getByTestId('record-calls');
  await expect(card).toContainText('No phone offers it.');
  await card.getByLabel('Who may have a call recorded').selectOption('everybody');
  await expect(card).toContainText('Nobody is recorded unawares');
  await card.getByRole('button', { name: 'Whose consent is usual where' }).click();
  await expect(card.getByLabel('Consent in United States, WA')).toHaveValue('all');
  await saved(page);
  await page.goto('/changes');
  await page.getByRole('button', { name: 'Put in force', exact: true }).click();
  await expect(page.getByText('In force: callers get this')).toBeVisible();

  const idris = await staffPhone(context, IDRIS, (phone) => toneAsMicrophone(phone));
  const jonah = await staffPhone(context, JONAH, (phone) => toneAsMicrophone(phone, 440));
  await call(idris, 'jonah');
  await jonah
    .getByTestId('ringing')
    .getByRole('button', { name: /^Answer/ })
    .click();
  await expect(idris.getByTestId('talking')).toContainText('talked');
  await idris.keyboard.press('r');
  await expect(idris.getByTestId('recorded')).toHaveText('All hear that it is recorded; then it is.');
  await expect(jonah.getByTestId('talk-notice')).toHaveText('“This call is recorded.”');
  await expect(idris.getByTestId('recorded')).toHaveText('Recorded.');
  await expect(jonah.getByTestId('recorded')).toHaveText('Recorded by a colleague.');
  await idris.keyboard.press('g');
  await expect(idris.getByTestId('recorded')).toContainText('a gap');
  await idris.keyboard.press('g');
  await expect(idris.getByTestId('recorded')).toHaveText('Recorded.');
  // Some sound goes by.
  await expect
    .poll(() => idris.getByTestId('talking').innerText(), { timeout: 15_000 })
    .toMatch(/\b([6-9]|[1-5]\d) s talked/);
  // Keys that are pressed are left out; what is typed stands beside the sound.
  await idris.keyboard.press('k');
  for (const key of ['4', '7', '1', '1']) await idris.getByRole('button', { name: `Key ${key}` }).click();
  await idris.keyboard.press('k');
  await jonah.getByRole('button', { name: 'Type instead of speaking' }).click();
  await jonah.getByLabel('Type instead of speaking').fill('the mast is <i>cracked</i>');
  await jonah.getByLabel('Type instead of speaking').press('Enter');
  await expect(idris.getByTestId('words')).toContainText('the mast is');
  await idris.keyboard.press('n');
  await idris.getByLabel('Note to this call').fill('about the mast');
  await idris.keyboard.press('Enter');
  await expect(idris.getByTestId('note')).toHaveText('“about the mast”');
  await idris.keyboard.press('Escape');

  const kept = idris.getByTestId('call-sound');
  await expect(kept).toContainText('by Idris Okafor; everybody was told; kept until');
  await expect(idris.getByText('“about the mast”')).toBeVisible();
  await expect(kept).toContainText('Jonah Achterberg: “the mast is <i>cracked</i>”');
  await kept.getByRole('button', { name: 'Listen' }).click();
  // Both voices are drawn, each as it rose and fell; a click in the middle leads there.
  const waves = kept.getByTestId('waves');
  await expect(waves.getByRole('img')).toHaveCount(2);
  for (const voice of ['ours', 'theirs']) {
    const heights = await waves
      .locator(`path.${voice}`)
      .evaluate((path) =>
        [...path.getAttribute('d')!.matchAll(/M\S+ (\S+?)V(\S+?)(?=M|$)/g)].map(
          (m) => Number(m[2]) - Number(m[1]),
        ),
      );
    expect(heights).toHaveLength(240);
    expect(Math.max(...heights)).toBeGreaterThan(5);
  }
  const seconds = await kept.locator('audio').evaluate((player: HTMLAudioElement) => player.duration);
  await waves.getByRole('img').last().click();
  await expect
    .poll(() => kept.locator('audio').evaluate((player: HTMLAudioElement) => player.currentTime))
    .toBeGreaterThan(seconds * 0.3);
  // Ours is the test tone on the left, theirs the other on the right, read by a library for such files.
  const [download] = await Promise.all([
    idris.waitForEvent('download'),
    kept.getByRole('link', { name: 'Download, ours left, theirs right' }).click(),
  ]);
  const file = new WaveFile(new Uint8Array(await readFile(await download.path())));
  const [left, right] = file.getSamples(false, Float64Array) as unknown as [Float64Array, Float64Array];
  const power = (pcm: Float64Array, hz: number) => {
    let [re, im] = [0, 0];
    pcm.forEach((s, i) => {
      re += s * Math.cos((2 * Math.PI * hz * i) / 8000);
      im += s * Math.sin((2 * Math.PI * hz * i) / 8000);
    });
    return Math.hypot(re, im) / pcm.length;
  };
  // All four keys have 1,209 Hz (ITU-T Q.23), of which half of what is heard of a key is: no twentieth of a second has it.
  const share = (pcm: Float64Array) => {
    const level = Math.sqrt(pcm.reduce((sum, s) => sum + s * s, 0) / pcm.length);
    return level < 100 ? 0 : power(pcm, 1209) / level;
  };
  for (const pcm of [left, right])
    for (let i = 0; i + 400 <= pcm.length; i += 200)
      expect(share(pcm.subarray(i, i + 400))).toBeLessThan(0.3);
  const tones = {
    ours: [power(left, TEST_TONE), power(left, 440)],
    theirs: [power(right, 440), power(right, TEST_TONE)],
  };
  expect(tones.ours[0]!).toBeGreaterThan(10 * tones.ours[1]!);
  expect(tones.theirs[0]!).toBeGreaterThan(10 * tones.theirs[1]!);

  await page.goto('/numbers/dialling');
  await expect(page.getByTestId('recording-room')).toContainText(
    /recorded in 7 days.*30 days\s+need\s+\S+ kB more; this browser has .*B left/s,
  );

  await kept.getByRole('button', { name: 'Delete…' }).click();
  await kept.getByRole('button', { name: 'Delete it for good' }).click();
  await expect(kept).toHaveCount(0);
  await expect(idris.getByText(/A recording of .* was deleted .*, by Idris Okafor/)).toBeVisible();
});

test('a meeting is joined from one’s own phone in one act, and recorded by its host with everybody told', async ({
  context,
  page,
}) => {
  await open(page, '/numbers/dialling');
  await page.getByTestId('record-calls').getByLabel('Who may have a call recorded').selectOption('everybody');
  await saved(page);
  await page.goto('/answering/rooms');
  const room = page.getByRole('region', { name: 'The loft' });
  await room.getByLabel('Host', { exact: true }).selectOption('Idris Okafor');
  await putInForce(page);
  const idris = await staffPhone(context, IDRIS, (phone) => toneAsMicrophone(phone));
  const jonah = await staffPhone(context, JONAH, (phone) => toneAsMicrophone(phone, 440));
  await expect(jonah.getByTestId('next-meetings')).toBeHidden();
  await page.goto('/answering/rooms');
  await room.getByRole('button', { name: 'Plan a meeting' }).click();
  const form = page.getByRole('form', { name: 'Plan a meeting' });
  await form.getByLabel('What it is about').fill('Winter store');
  await form.getByLabel('When').fill('Tue 24 Nov 2026, 11:00');
  await form.getByLabel('When').press('Tab');
  await form.getByRole('combobox', { name: 'Colleagues' }).click();
  await form.getByRole('option', { name: /^Jonah Achterberg/ }).click();
  await form.getByLabel('What it is about').click();
  await form.getByRole('button', { name: 'Ask them' }).click();

  // Whoever is asked types the PIN by one tap, and never sees it; the host needs none.
  await jonah.getByRole('button', { name: 'Join Winter store' }).click();
  await expect(jonah.getByText('You wait for the host, and hear music.')).toBeVisible();
  await idris.getByRole('button', { name: 'Join Winter store' }).click();
  await expect(idris.getByTestId('talking')).toContainText('in the meeting The loft');
  await expect(jonah.getByText('You are in the meeting The loft, with Idris Okafor.')).toBeVisible();
  await idris.getByRole('button', { name: /^Record/ }).click();
  await expect(jonah.getByTestId('talk-notice')).toHaveText('“This call is recorded.”');
  await expect(idris.getByTestId('recorded')).toHaveText('Recorded.');
  await expect(jonah.getByText(/It is recorded\./)).toBeVisible();
  // Some sound goes by.
  const since = await idris.evaluate(() => performance.now());
  await expect.poll(() => idris.evaluate(() => performance.now())).toBeGreaterThan(since + 2500);
  await idris.getByRole('button', { name: /^Leave/ }).click();
  await expect(idris.getByTestId('call-sound')).toContainText('by Idris Okafor; everybody was told');
  await expect(jonah.getByText('It is recorded.')).toBeHidden();
});
