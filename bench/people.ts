/** A business of 2,000 people: reading a list of them, one edit, a key press in the filter, scrolling. */
import { previewPeople, tableOf, writePeopleCsv } from '../src/core/formats/people';
import { applyEdit, emptySystem, newBusiness } from '../src/core/system';
import { filterPeople, searchable } from '../src/ui/people/filter';
import { takeStep } from '../src/workspace/draft';
import { bigBusiness } from './big';
import { ms, quantiles, spread } from './measure';
import { keysDrawn, readBusiness, typeWords, withPage } from './served';

const PEOPLE = 2000;
const whole = bigBusiness(PEOPLE, 50);
const { system } = whole.draft;
const options = { rule: 'next free', makeGroups: true, phones: ['browser'], outside: [] } as const;
let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const text = writePeopleCsv(system);
const preview = (into: typeof system) => {
  const table = tableOf(text);
  if ('message' in table) throw new Error(table.message);
  return previewPeople(
    table.rows,
    table.fields,
    table.faults,
    { ...options, phones: ['browser'], outside: [] },
    into,
    freshId,
  );
};
const empty = emptySystem(
  newBusiness({ name: 'Empty', country: 'US', timeZone: 'America/Los_Angeles', extensionLength: 4 }),
);
const fresh = spread(5, () => void preview(empty));
const known = spread(5, () => void preview(system));
console.log(`a list of 2,000 read: all new ${ms(fresh.p50)}, all known ${ms(known.p50)} (aim under 1 s)`);
const { commands } = preview(empty);
const applied = spread(3, () => {
  const result = applyEdit(empty, { words: 'list', commands });
  if (!result.ok) throw new Error(result.problems[0]!.message);
});
console.log(
  `and applied as one edit of ${commands.length.toLocaleString('en')} commands: ${ms(applied.p50)}`,
);

const state = { record: whole.draft, edits: [] };
const edit = spread(200, (i) => {
  const step = {
    kind: 'edit',
    edit: { words: 'name', commands: [{ do: 'person.set', id: `p${i}`, change: { name: `New ${i}` } }] },
    at: 0,
  } as const;
  const result = takeStep(state, { ...step, edit: { ...step.edit, commands: [...step.edit.commands] } }, 'r');
  if (!result.ok) throw new Error('refused');
});
console.log(
  `one edit among 2,000 people, checked and taken: median ${ms(edit.p50)}, p95 ${ms(edit.p95)} (aim under 20 ms)`,
);
const all = searchable(system);
const filtered = spread(500, (i) => void filterPeople(all, `person ${i}`));
console.log(`filtering 2,000: median ${ms(filtered.p50)}, p95 ${ms(filtered.p95)}`);

await withPage(async (page, baseURL) => {
  await page.goto(baseURL);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await readBusiness(page, whole, 'Big Yard');
  await page.goto(`${baseURL}/people`);
  await page
    .getByRole('row', { name: /Person 0/ })
    .first()
    .waitFor();
  const drawn = await keysDrawn(page, '[role=grid]');
  const field = page.getByRole('searchbox', { name: 'Filter people' });
  await typeWords(page, field, ['person 12', 'big', 'staff 21', '1999', 'p15']);
  const keys = quantiles(await drawn.jsonValue());
  console.log(
    `filter key press to drawn table, 2,000 people: median ${ms(keys.p50)}, p95 ${ms(keys.p95)} (aim under 50 ms)`,
  );

  // Scrolling: time between frames while the wheel turns.
  const gaps = await page.evaluate(async () => {
    const box = document.querySelector('.body')!;
    const times: number[] = [];
    let last = performance.now();
    for (let i = 0; i < 120; i++) {
      box.scrollTop += 300;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      times.push(performance.now() - last);
      last = performance.now();
    }
    return times;
  });
  const frames = quantiles(gaps);
  console.log(`scrolling the table, from frame to frame: median ${ms(frames.p50)}, p95 ${ms(frames.p95)}`);

  // One cell changed, until the frame says it is stored.
  await field.fill('');
  await page.evaluate(() => (document.querySelector('.body')!.scrollTop = 0));
  await page.getByRole('gridcell', { name: '2000', exact: true }).click();
  const times: number[] = [];
  for (let i = 0; i < 8; i++) {
    await page.keyboard.press('F2');
    await page.keyboard.type(String(6000 + i));
    times.push(
      await page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const saved = document.querySelector('[data-testid=saved]')!;
            let from = 0;
            addEventListener('keydown', (e) => (from ||= e.timeStamp), { once: true, capture: true });
            new MutationObserver((_, observer) => {
              if (saved.textContent !== 'Saved') return;
              observer.disconnect();
              resolve(performance.now() - from);
            }).observe(saved, { childList: true, characterData: true, subtree: true });
            setTimeout(() =>
              document.activeElement!.dispatchEvent(
                new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }),
              ),
            );
          }),
      ),
    );
    await page.waitForTimeout(100);
  }
  const stored = quantiles(times);
  console.log(
    `one cell changed until it is drawn and stored, 2,000 people: median ${ms(stored.p50)}, p95 ${ms(stored.p95)}`,
  );
});
