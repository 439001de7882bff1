/** Saved means stored: what the browser cannot store is told, kept and tried again; nothing is lost without a word. */
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { openFresh as open, saved } from './bench';

const alarm = (page: Page) => page.getByTestId('storage-alarm');

/**
 * A browser with little room, in bytes. Set before anything is stored: the browser looks only now and then how much there is.
 * @returns gives it more room: what goes from a database is given back at the browser's leisure
 */
async function littleRoom(
  context: BrowserContext,
  page: Page,
  quotaSize = 20_000_000,
): Promise<() => Promise<void>> {
  await page.goto('/favicon.svg');
  const cdp = await context.newCDPSession(page);
  const { origin } = new URL(page.url());
  const room = async (bytes: number) => {
    await cdp.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: bytes });
  };
  await room(quotaSize);
  return () => room(10 * quotaSize);
}
/** Fills all the room there is with something else, to the last bytes. */
const fill = (page: Page) =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open('something else');
      open.onupgradeneeded = () => open.result.createObjectStore('junk', { autoIncrement: true });
      open.onsuccess = () => resolve(open.result);
    });
    const put = (bytes: number) =>
      new Promise<boolean>((resolve) => {
        const tx = db.transaction('junk', 'readwrite');
        tx.objectStore('junk').put(crypto.getRandomValues(new Uint8Array(Math.min(bytes, 65_536))));
        for (let more = bytes - 65_536; more > 0; more -= 65_536)
          tx.objectStore('junk').put(crypto.getRandomValues(new Uint8Array(Math.min(more, 65_536))));
        tx.oncomplete = () => resolve(true);
        tx.onabort = () => resolve(false);
      });
    let refused = 0;
    for (let size = 4_000_000; size >= 20; size = Math.floor(size / 2))
      for (let i = 0; i < 40 && (await put(size)); i++);
    // Room comes back while the database puts itself in order: it is full when five in a row are refused.
    for (let i = 0; i < 400 && refused < 5; i++) refused = (await put(20)) ? 0 : refused + 1;
    db.close();
    return refused;
  });
/** Does something to the database, past the product. */
const raw = (page: Page, store: string, key: string | null, value: Record<string, unknown>) =>
  page.evaluate(
    ([store, key, value]) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('upper-line');
        open.onsuccess = () => {
          const tx = open.result.transaction(store as string, 'readwrite');
          const objects = tx.objectStore(store as string);
          objects.put(value, ...(key === null ? [] : [key as string]));
          tx.oncomplete = () => {
            open.result.close();
            resolve();
          };
          tx.onerror = () => reject(tx.error!);
        };
      }),
    [store, key, value] as const,
  );

test('with storage full an edit is shown as not saved, holds back the next, and is saved by itself when there is room', async ({
  context,
  page,
}) => {
  const makeRoom = await littleRoom(context, page);
  await open(page, '/people/rosa');
  await saved(page);
  expect(await fill(page)).toBeGreaterThan(0);
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Rosa Delgado-Finch');
  await name.blur();
  await expect(alarm(page)).toContainText('Not saved: 1 change. The browser has no room left for it.');
  await expect(alarm(page)).toContainText('Change the name of Rosa Delgado');
  await expect(page.getByTestId('saved')).toHaveText('Not saved');
  await expect(name).toHaveValue('Rosa Delgado-Finch');
  // What comes next is held back beside its field, and stays there.
  const extension = page.getByLabel('Extension', { exact: true });
  await extension.fill('377');
  await extension.blur();
  await expect(page.getByText('What was done before is not stored yet').first()).toBeVisible();
  await expect(extension).toHaveValue('377');
  // Undo says that it is not done, and does nothing.
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Not done', { exact: true })).toBeVisible();
  await expect(name).toHaveValue('Rosa Delgado-Finch');
  // A file holds what could not be saved.
  await alarm(page).getByRole('button', { name: 'Save everything as a file' }).click();
  const dialog = page.getByRole('dialog', { name: 'Save everything as a file' });
  await expect(dialog).toContainText('what could not be saved in this browser');
  const download = page.waitForEvent('download');
  await dialog.getByRole('button', { name: /^Save \d/ }).click();
  expect(gunzipSync(readFileSync(await (await download).path())).toString()).toContain('Rosa Delgado-Finch');

  await makeRoom();
  await expect(page.getByTestId('saved')).toHaveText('Saved', { timeout: 15_000 });
  await expect(alarm(page)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Rosa Delgado-Finch' })).toBeVisible();
});

test('with storage full nothing is put in force or deleted that is not, and leaving is asked about', async ({
  context,
  page,
}) => {
  const makeRoom = await littleRoom(context, page);
  await open(page, '/messages');
  const before = await page.getByTestId('message').count();
  await fill(page);
  await page
    .getByTestId('message')
    .first()
    .getByRole('button', { name: /^Delete/ })
    .click();
  await expect(alarm(page)).toContainText('Not saved: 1 change');
  expect(await page.getByTestId('message').count()).toBe(before);
  let asked = '';
  page.on('dialog', (dialog) => {
    asked = dialog.type();
    void dialog.dismiss();
  });
  await page.evaluate(() => setTimeout(() => location.reload()));
  await expect.poll(() => asked).toBe('beforeunload');
  await alarm(page).getByRole('button', { name: 'Give up what is not saved' }).click();
  await alarm(page).getByRole('button', { name: 'Yes, give up 1 change' }).click();
  await expect(alarm(page)).toHaveCount(0);
  expect(await page.getByTestId('message').count()).toBe(before);
  await makeRoom();
  await page
    .getByTestId('message')
    .first()
    .getByRole('button', { name: /^Delete/ })
    .click();
  await expect(page.getByTestId('message')).toHaveCount(before - 1);
});

test('a window whose data is deleted under it says so at once, changes nothing more, and gives a file', async ({
  page,
}) => {
  await open(page, '/people/rosa');
  await saved(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const gone = indexedDB.deleteDatabase('upper-line');
        gone.onsuccess = () => resolve();
      }),
  );
  await expect(alarm(page)).toContainText('Nothing can be saved. The data of this browser was deleted.');
  await expect(page.getByTestId('saved')).toHaveText('Not saved');
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Rosa Delgado-Finch');
  await name.blur();
  await expect(page.getByText('Nothing more is changed until then').first()).toBeVisible();
  await alarm(page).getByRole('button', { name: 'Save everything as a file' }).click();
  const dialog = page.getByRole('dialog', { name: 'Save everything as a file' });
  const download = page.waitForEvent('download');
  await dialog.getByRole('button', { name: /^Save \d/ }).click();
  const file = (await (await download).path())!;
  await alarm(page).getByRole('button', { name: 'Reload' }).click();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  await page.getByLabel('A file saved by Upper Line').setInputFiles(file);
  await page
    .getByRole('dialog', { name: 'Open Lantern Cove Boatworks?' })
    .getByRole('button', { name: 'Put it in its place' })
    .click();
  await expect(page.getByText('Read Lantern Cove Boatworks from the file.')).toBeVisible();
});

test('an extension given in two windows at once is refused where it was typed, and stays there', async ({
  context,
  page,
}) => {
  await open(page, '/people/rosa');
  const other = await context.newPage();
  await other.goto('/people/pia');
  const [one, two] = [page, other].map((p) => p.getByLabel('Extension', { exact: true }));
  await two!.waitFor();
  // Storage is held by somebody else while both are typed, so that neither window knows of the other.
  await page.evaluate(() => {
    void navigator.locks.request(
      'upper-line:write',
      () => new Promise<void>((resolve) => Object.assign(window, { letGo: resolve })),
    );
  });
  await one!.fill('377');
  await one!.blur();
  await expect(page.getByTestId('saved')).toHaveText('Saving…');
  await two!.fill('377');
  await two!.blur();
  await expect(other.getByTestId('saved')).toHaveText('Saving…');
  await page.evaluate(() => (window as unknown as { letGo: () => void }).letGo());
  await saved(page);
  await expect(other.getByText('377 belongs to Rosa Delgado.')).toBeVisible();
  await expect(two!).toHaveValue('377');
  await expect(one!).toHaveValue('377');
  await other.reload();
  await expect(other.getByLabel('Extension', { exact: true })).not.toHaveValue('377');
});

test('a message that cannot be read lies aside with a notice and a raw file; the rest opens', async ({
  page,
}) => {
  await open(page, '/messages');
  const shown = await page.getByTestId('message').count();
  const businessId = 'lantern-cove';
  await raw(page, 'messages', null, { id: 'bad', businessId, at: 'noon', sound: 'data:text/html,<b>' });
  await page.reload();
  await expect(page.getByTestId('message')).toHaveCount(shown);
  await expect(page.getByTestId('data-notes')).toContainText('1 record could not be read and lies aside.');
  await page.getByTestId('data-notes').getByRole('link', { name: 'Where your data is' }).click();
  const card = page.getByTestId('unread');
  await expect(card).toContainText('a message');
  const letGo = card.getByRole('button', { name: 'Let go of it' });
  await expect(letGo).toBeDisabled();
  const download = page.waitForEvent('download');
  await card.getByRole('button', { name: 'Save as a raw file' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('"noon"');
  await letGo.click();
  await expect(card).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Where your data is' })).toBeVisible();
  await expect(page.getByTestId('data-notes')).toHaveCount(0);
});

test('a draft whose last edits cannot be read opens nothing older by itself, and has ways on', async ({
  page,
}) => {
  await open(page, '/people/rosa');
  const businessId = 'lantern-cove';
  await raw(page, 'heads', null, { businessId, base: 'x', revision: 'y', done: 1, patches: [] });
  await page.reload();
  await expect(
    page.getByRole('heading', { name: 'The stored data of this business is damaged' }),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Go on without the last edits' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('"base": "x"');
  await expect(page.getByRole('heading', { name: 'Rosa Delgado' })).toBeVisible();
  await expect(page.getByTestId('data-notes')).toContainText('1 record could not be read');
});

test('a copy goes by itself to a file that was chosen once, and restores everything', async ({
  page,
  browser,
}) => {
  // The browser's own dialogue for a file cannot be driven: a file of its private folder stands in for what it gives.
  await page.addInitScript(() => {
    Object.assign(window, {
      showSaveFilePicker: async ({ suggestedName }: { suggestedName: string }) =>
        (await navigator.storage.getDirectory()).getFileHandle(suggestedName, { create: true }),
    });
  });
  await open(page, '/data');
  await expect(page.getByTestId('copy-age')).toContainText('There is none yet');
  await page.getByRole('button', { name: 'Choose a file for copies' }).click();
  await expect(page.getByTestId('copy-age')).toContainText(
    'The last copy was made just now. Nothing has changed since.',
  );
  await page.getByRole('link', { name: 'People' }).click();
  await page.goto('/people/rosa');
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Rosa Delgado-Finch');
  await name.blur();
  await saved(page);
  await page.getByTestId('saved').click();
  await expect(page.getByTestId('copy-age')).toContainText('Something has changed since');
  // By itself, a little after.
  await expect(page.getByTestId('copy-age')).toContainText('Nothing has changed since', { timeout: 40_000 });
  const bytes = await page.evaluate(async () => {
    const file = await (
      await (
        await navigator.storage.getDirectory()
      ).getFileHandle('lantern-cove-boatworks-copy.upper-line.gz')
    ).getFile();
    return [...new Uint8Array(await file.arrayBuffer())];
  });

  const elsewhere = await browser.newContext();
  const fresh = await elsewhere.newPage();
  await fresh.goto('/');
  await fresh.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await fresh
    .getByLabel('A file saved by Upper Line')
    .setInputFiles({ name: 'copy.upper-line.gz', mimeType: 'application/gzip', buffer: Buffer.from(bytes) });
  await fresh.getByRole('button', { name: 'Put it in its place' }).click();
  await expect(fresh.getByText('Read Lantern Cove Boatworks from the file.')).toBeVisible();
  await fresh.goto('/people/rosa');
  await expect(fresh.getByRole('heading', { name: 'Rosa Delgado-Finch' })).toBeVisible();
  // Compared record by record: what is saved from there is what was in the copy.
  await fresh.getByRole('button', { name: 'Businesses and files' }).click();
  await fresh.getByRole('menuitem', { name: 'Save everything as a file' }).click();
  const download = fresh.waitForEvent('download');
  await fresh.getByRole('button', { name: /^Save \d/ }).click();
  const lines = (file: Buffer) => gunzipSync(file).toString().split('\n').slice(1);
  expect(lines(readFileSync(await (await download).path()))).toEqual(lines(Buffer.from(bytes)));
  await elsewhere.close();
});
