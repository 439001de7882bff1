/** Faxes: one comes to the mailbox of its number, is read, turned, given away; one goes page by page, and fails as real ones do. */
import type { Page } from '@playwright/test';
import { bench, open, putInForce, saved, visit } from './bench';
import { expect, test } from './seeded';

/** A PDF of so many empty pages (ISO 32000-1, 7.5), with a table of where its objects stand. */
function pdf(pages: number): Buffer {
  const kids = Array.from({ length: pages }, (_, i) => `${3 + i} 0 R`).join(' ');
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    `<< /Type /Pages /Kids [${kids}] /Count ${pages} >>`,
    ...Array.from({ length: pages }, () => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 300 400] >>'),
  ];
  let text = '%PDF-1.4\n';
  const at = objects.map((object, i) => {
    const offset = text.length;
    text += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return offset;
  });
  const table = text.length;
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n`;
  for (const offset of at) text += `${String(offset).padStart(10, '0')} 00000 n \n`;
  text += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${table}\n%%EOF\n`;
  return Buffer.from(text, 'latin1');
}
const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'application/octet-stream', buffer });

async function faxIn(page: Page, name: string, buffer: Buffer): Promise<void> {
  const drawer = await bench(page, 'Outside phone');
  const form = drawer.getByRole('form', { name: 'A fax from outside' });
  await form.getByLabel('What it faxes').setInputFiles(file(name, buffer));
  await expect(form.getByText(`${name} goes.`)).toBeVisible();
  await form.getByRole('button', { name: 'Fax it' }).click();
}

test('a fax comes to a number that takes them; its pages are seen, turned, given away and deleted', async ({
  page,
  context,
}) => {
  await open(page, '/messages/faxes');
  await expect(page.getByText('No faxes yet.')).toBeVisible();
  await faxIn(page, 'order.pdf', pdf(2));
  const form = page.getByRole('form', { name: 'A fax from outside' });
  await expect(form.getByText('there is no fax at this number')).toBeVisible();
  await form.getByLabel('What it faxes').setInputFiles(file('song.pdf', Buffer.from('a song')));
  await expect(form.getByText('song.pdf is no picture and no PDF')).toBeVisible();
  await page.getByRole('complementary', { name: 'Bench' }).getByRole('button', { name: 'Close' }).click();

  await page.getByText('Numbers that take faxes (0)').click();
  await page.getByLabel('Faxes to Main line come to').selectOption('Front desk');
  await saved(page);
  await putInForce(page);
  await visit(page, '/messages/faxes');
  await faxIn(page, 'order.pdf', pdf(2));
  await expect(form.getByText('It is there')).toBeVisible();
  await page.getByRole('complementary', { name: 'Bench' }).getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('1 fax waits for somebody to see to it.')).toBeVisible();
  await expect(page.getByTestId('fax-row')).toContainText('2 pages: order.pdf');
  const sheet = page.getByTestId('fax');
  await expect(sheet.getByRole('img', { name: 'Page 2' })).toBeVisible();
  await expect
    .poll(() => sheet.getByRole('img', { name: 'Page 2' }).evaluate((i: HTMLImageElement) => i.naturalWidth))
    .toBe(1000);
  await sheet.getByRole('button', { name: 'Turn the pages' }).click();
  await expect(sheet.getByRole('img', { name: 'Page 1' })).toHaveCSS('rotate', '90deg');
  await sheet.getByRole('button', { name: /^Give it to/ }).click();
  await sheet.getByLabel(/^Who sees to/).selectOption('Mei Tanaka');
  await expect(page.getByTestId('fax-row')).toContainText('Mei Tanaka sees to it');
  await page.reload();
  await expect(sheet.getByRole('img', { name: 'Page 1' })).toHaveCSS('rotate', '90deg');
  // Whoever hears the mailbox has it on their phone, and nobody else.
  const [rosa, noor] = [await context.newPage(), await context.newPage()];
  await rosa.goto('/phone?business=lantern-cove&as=rosa-mobile-app');
  await noor.goto('/phone?business=lantern-cove&as=noor-computer');
  await rosa.getByRole('button', { name: '(206) 555-0187: 2 pages' }).click();
  await expect(rosa.getByRole('img', { name: 'Page 2' })).toBeVisible();
  await expect(noor.getByRole('heading', { name: 'Messages' })).toBeVisible();
  await expect(noor.getByTestId('fax')).toHaveCount(0);
  await rosa.close();
  await noor.close();
  await sheet.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByText('None waits.')).toBeVisible();
  // It stands in the log as well.
  await visit(page, '/messages/log');
  await page.getByLabel('What is shown').selectOption('faxes');
  await expect(page.getByTestId('log-entry')).toContainText('faxed Main line');
  await visit(page, '/messages/faxes');
  await sheet.getByRole('button', { name: 'Delete for good…' }).click();
  await sheet.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByText('No faxes yet.')).toBeVisible();
});

test('a fax goes page by page; where there is no machine that is said, and it is sent again', async ({
  page,
}) => {
  await open(page, '/messages/faxes');
  const form = page.getByRole('form', { name: 'Send a fax' });
  await form.getByRole('button', { name: 'Send the fax' }).click();
  await expect(form.getByLabel('To the fax number')).toHaveAttribute('aria-invalid', 'true');
  await form.getByLabel('To the fax number').fill('206 555 0187');
  await form.getByRole('button', { name: 'Send the fax' }).click();
  await expect(form.getByText('Choose a picture or a PDF.')).toBeVisible();
  await form.getByLabel('A picture or PDF').setInputFiles(file('plan.pdf', pdf(3)));
  await expect(form.getByText('plan.pdf, 3 pages')).toBeVisible();
  // What was chosen is there again after a reload.
  await page.reload();
  await expect(form.getByText('plan.pdf, 3 pages')).toBeVisible();
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('When it is faxed, it').selectOption('busy');
  await drawer.getByRole('button', { name: 'Close' }).click();
  await form.getByRole('button', { name: 'Send the fax' }).click();
  const row = page.getByTestId('fax-row').first();
  await expect(row).toContainText('The line was busy.');
  const again = await bench(page, 'Outside phone');
  await again.getByLabel('When it is faxed, it').selectOption('takes them');
  await again.getByRole('button', { name: 'Close' }).click();
  await page.getByTestId('fax').getByRole('button', { name: 'Send it again' }).click();
  await expect(page.getByTestId('fax-row')).toHaveCount(2);
  await expect(row).toContainText('is called');
  await expect(row).toContainText('page 1 of 3 is on its way', { timeout: 40_000 });
});
