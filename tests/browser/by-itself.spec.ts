/** What happens by itself: follow-ups seen on the last month before they do anything, done once they are in force, and tasks. */
import { callFrom, bench, open, putInForce, saved, setClock, visit } from './bench';
import { expect, test } from './seeded';
import type { Page } from '@playwright/test';

/** A month of calls comes into the log. */
async function layDown(page: Page): Promise<void> {
  const drawer = await bench(page, 'Clock');
  await drawer.getByLabel('How many days').selectOption('30');
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText('stand in the log')).toBeVisible({ timeout: 45_000 });
  await drawer.getByRole('button', { name: 'Close' }).click();
}
const card = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

test('a follow-up is written as a sentence and tried on the last month with every edit', async ({ page }) => {
  await open(page, '/by-itself');
  await layDown(page);
  await page.getByLabel('Begin with').selectOption('Thank new customers the day after');
  await page.getByRole('button', { name: 'Write it' }).click();
  const one = card(page, 'Thank new customers the day after');
  await expect(one).toContainText('In the draft only');
  await expect(one.getByTestId('follow-up-sentence')).toContainText('on the next day at 10:00');
  // Whoever writes one is in its first field.
  await expect(one.getByLabel('Name')).toBeFocused();
  const tried = one.getByTestId('tried');
  await expect(tried).toContainText('it would have applied to');
  const applied = async () => Number(await tried.locator('b').innerText());
  const before = await applied();
  expect(before).toBeGreaterThan(0);
  const first = one.getByRole('table').getByRole('row').nth(1);
  await expect(first).toContainText('Lantern Cove Boatworks: thank you for your call.');
  await expect(first).toContainText('10:00');
  // A harder condition: fewer, and it is said why.
  await one.getByLabel('Seconds', { exact: true }).fill('120');
  await expect.poll(applied).toBeLessThan(before);
  await expect(one).toContainText('not: it was not so that the talk took longer than 2 minutes');
  await one.getByLabel('Add a condition').selectOption('it was about certain numbers');
  await expect(one.getByTestId('follow-up-sentence')).toContainText('it was about Main line');
  // What cannot be is refused beside its field, and stays there.
  await one
    .getByLabel('Minutes')
    .or(one.getByLabel('At', { exact: true }))
    .fill('noonish');
  await one.getByLabel('At', { exact: true }).press('Tab');
  await expect(one.getByText('Write a time such as 17:30 or 5pm.')).toBeVisible();
  await one.getByLabel('What the text says').fill('Hi {boat}');
  await one.getByLabel('What the text says').press('Tab');
  await expect(one.getByText('{boat} is nothing that is filled in')).toBeVisible();
  await expect(one.getByRole('table').getByRole('row').nth(1)).toContainText('Nothing is known for {boat}.');
  // One undo for each.
  await page.getByRole('heading', { name: 'Follow-ups' }).click();
  await page.keyboard.press('Control+z');
  await expect(one.getByRole('table').getByRole('row').nth(1)).toContainText('thank you for your call');
});

test('an answer to every text is refused, and so is a circle of tags', async ({ page }) => {
  await open(page, '/by-itself');
  await page.getByLabel('Begin with').selectOption('Prices by text');
  await page.getByRole('button', { name: 'Write it' }).click();
  const one = card(page, 'Prices by text');
  await one.getByLabel('Add what is done').selectOption('text them');
  await one.getByLabel('Days in which nobody gets it twice').fill('0');
  await one.getByLabel('With one of the words').fill('');
  await one.getByLabel('With one of the words').press('Tab');
  await expect(one.getByText('It would answer the answer to its own text, without end')).toBeVisible();
  await expect(one.getByTestId('follow-up-sentence')).toContainText('“price”');
  await one.getByLabel('When', { exact: true }).selectOption('a call is tagged');
  await one.getByLabel('Add what is done').selectOption('tag the call');
  await one.getByLabel('The word', { exact: true }).fill('urgent');
  await one.getByLabel('The word', { exact: true }).press('Tab');
  await expect(one.getByText('It would set itself off again and again.')).toBeVisible();
});

test('a follow-up puts callers on a call list that is chosen by name', async ({ page }) => {
  await open(page, '/by-itself');
  await page.getByLabel('Begin with').selectOption('Thank new customers the day after');
  await page.getByRole('button', { name: 'Write it' }).click();
  const one = card(page, 'Thank new customers the day after');
  await one.getByLabel('Add what is done').selectOption('put them on a call list');
  await expect(one.getByTestId('follow-up-sentence')).toContainText('the call list “that is not chosen”');
  await expect(one.getByRole('link', { name: 'Make a call list first' })).toBeVisible();
  await visit(page, '/by-itself/lists');
  const form = page.getByRole('form', { name: 'A new call list' });
  await form.getByLabel('What it is called').fill('Spring <b>lift</b>');
  await form.getByRole('button', { name: 'Make the list' }).click();
  await expect(page.getByRole('heading', { name: 'Spring <b>lift</b>' })).toBeVisible();
  await visit(page, '/by-itself');
  await card(page, 'Thank new customers the day after').getByRole('button', { name: 'Change it' }).click();
  await one.getByLabel('Which call list').selectOption('Spring <b>lift</b>');
  await expect(one.getByTestId('follow-up-sentence')).toContainText(
    'put them on the call list “Spring <b>lift</b>”',
  );
  await saved(page);
});

test('what waits of a follow-up that is changed is pointed out once it is in force, and called off', async ({
  page,
  context,
}) => {
  await open(page, '/by-itself');
  const sorry = card(page, 'Sorry we missed you');
  await sorry.getByRole('button', { name: 'Change it' }).click();
  await sorry.getByLabel('Minutes').fill('60');
  await saved(page);
  await putInForce(page);
  await expect(page.getByTestId('after-force')).toBeVisible();
  await expect(page.getByTestId('waits-as-before')).toHaveCount(0);
  const outside = await callFrom(context, 'Workshop');
  await expect(outside.getByText(/Workshop|Boatworks|leave/i).first()).toBeVisible();
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/by-itself/done');
  await expect(page.getByTestId('errand').first()).toContainText('waits');
  await visit(page, '/by-itself');
  await sorry.getByRole('button', { name: 'Change it' }).click();
  await sorry.getByLabel('Minutes').fill('90');
  await saved(page);
  await putInForce(page);
  const waiting = page.getByTestId('waits-as-before');
  await expect(waiting).toContainText(
    '1 thing of “Sorry we missed you” waits, and goes out as it was before it was changed.',
  );
  await waiting.getByRole('button', { name: /^Call it off/ }).click();
  await expect(waiting).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(waiting).toHaveCount(1);
  await waiting.getByRole('button', { name: /^Call it off/ }).click();
  await visit(page, '/by-itself/done');
  await expect(page.getByTestId('errand').first()).toContainText('called off');
});

test('after a call in vain the text goes once, and one that cannot go becomes a task', async ({
  page,
  context,
}) => {
  await open(page, '/by-itself');
  await card(page, 'Sorry we missed you').getByRole('button', { name: 'Change it' }).click();
  await card(page, 'Sorry we missed you').getByLabel('Minutes').fill('1');
  await saved(page);
  await putInForce(page);
  const outside = await callFrom(context, 'Workshop');
  await expect(outside.getByText(/Workshop|Boatworks|leave/i).first()).toBeVisible();
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/by-itself/done');
  const errand = page.getByTestId('errand').first();
  await expect(errand).toContainText('waits');
  await expect(errand).toContainText('Text from (360) 555-0143');
  await setClock(page, '2026-11-24T10:20');
  await expect(errand).toContainText('done', { timeout: 30_000 });
  await visit(page, '/messages/texts');
  await expect(page.getByTestId('conversation').first()).toContainText('sorry that we missed your call');
  // The same caller again: not within seven days.
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-call')).toBeVisible();
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await setClock(page, '2026-11-24T10:40');
  await visit(page, '/by-itself/done');
  await expect(page.getByTestId('errand')).toHaveCount(2);
  await expect(errand).toContainText('They had it within 7 days before.', { timeout: 30_000 });
  // By hand it goes by the rules as they are: it is said again why not.
  await errand.getByRole('button', { name: /^Do it after all/ }).click();
  await expect(errand).toContainText('Tried once', { timeout: 30_000 });
  await expect(errand).toContainText('They had it within 7 days before.');
});

test('tasks are made, given, done and taken back; what is typed survives a reload', async ({ page }) => {
  await open(page, '/by-itself/tasks');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Write what is to be done.')).toBeVisible();
  await page.getByLabel('What is to be done').fill('Order <b>rope</b>');
  await page.reload();
  await expect(page.getByLabel('What is to be done')).toHaveValue('Order <b>rope</b>');
  await page.getByLabel('By whom').selectOption('Mei Tanaka');
  await page.getByLabel('By which day').fill('2026-11-23');
  await page.getByRole('button', { name: 'Add it' }).click();
  const task = page.getByTestId('task');
  await expect(task).toContainText('Order <b>rope</b>');
  await expect(task).toContainText('was for Mon 23 Nov 2026');
  await expect(page.getByLabel('What is to be done')).toBeFocused();
  await expect(page.getByRole('link', { name: /^By itself 1 task/ })).toBeVisible();
  await task.getByText('Order <b>rope</b>').click();
  await expect(page.getByText('Nothing is left to do there.')).toBeVisible();
  await page
    .getByRole('region', { name: 'Notices' })
    .getByRole('paragraph')
    .filter({ hasText: 'The task is done' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(task).toContainText('Order <b>rope</b>');
  await task.getByRole('button', { name: /^Remove the task/ }).click();
  await expect(page.getByText('Nothing to do')).toBeVisible();
});

test('records elsewhere are told, signed; where they are broken it is tried again and said', async ({
  page,
  context,
}) => {
  await open(page, '/by-itself');
  await page.getByLabel('Begin with').selectOption('Tell the records elsewhere');
  await page.getByRole('button', { name: 'Write it' }).click();
  const one = card(page, 'Tell the records elsewhere');
  await one.getByLabel('When', { exact: true }).selectOption('a call comes in and reaches nobody');
  await one.getByLabel('Its address').fill('http://records.example');
  await one.getByLabel('Its address').press('Tab');
  await expect(one.getByText('An address that begins with https://.')).toBeVisible();
  await one.getByLabel('Its address').fill('https://records.example/yard');
  await one.getByLabel('Its address').press('Tab');
  await putInForce(page);
  const drawer = await bench(page, 'Mail');
  await drawer.getByLabel('https://records.example/yard').selectOption('is broken (503)');
  await drawer.getByRole('button', { name: 'Close' }).click();
  const outside = await callFrom(context, 'Workshop');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/by-itself/done');
  const errand = page.getByTestId('errand').filter({ hasText: 'records.example' });
  await expect(errand).toContainText('503 Service Unavailable. It is tried again.', { timeout: 30_000 });
  const again = await bench(page, 'Mail');
  await again.getByLabel('https://records.example/yard').selectOption('takes what comes');
  await again.getByRole('button', { name: 'Close' }).click();
  await setClock(page, '2026-11-24T10:30');
  await expect(errand).toContainText('done', { timeout: 30_000 });
  const told = await bench(page, 'Mail');
  const slip = told.getByRole('list', { name: 'What records elsewhere were told' }).getByRole('listitem');
  await expect(slip).toHaveCount(1);
  await expect(slip).toContainText('signature right');
  await expect(slip).toContainText('"line":"+13605550143"');
});

/** Somebody outside texts the main line. */
async function textIn(page: Page, words: string): Promise<void> {
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('What they write').fill(words);
  await drawer.getByRole('button', { name: 'Text it' }).click();
  await expect(drawer.getByText('It is there')).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
}

test('a dialogue is rehearsed line by line as it is written, and answers texts once it is in force', async ({
  page,
}) => {
  await open(page, '/by-itself/dialogues');
  await page.getByLabel('Begin with').selectOption('Opening hours');
  await page.getByRole('button', { name: 'Write it' }).click();
  const one = card(page, 'Opening hours');
  await expect(one.getByLabel('Name')).toBeFocused();
  const lines = one.getByTestId('dialogue-lines').getByRole('listitem');
  const write = async (text: string) => {
    await one.getByLabel('They write').fill(text);
    await one.getByLabel('They write').press('Enter');
  };
  await write('Are you open on Sunday?');
  await expect(lines.nth(1)).toContainText('The yard is open Monday to Friday');
  await write('and on the moon');
  await expect(lines.last()).toContainText('a person gets it');
  await write('STOP');
  await expect(lines.last()).toContainText('you get no more texts from us');
  // What is edited is said to the same words at once.
  await one.getByLabel('What it says').fill('Closed on Sundays.');
  await one.getByLabel('What it says').press('Tab');
  await expect(lines.nth(1)).toContainText('Closed on Sundays.');
  await one.getByLabel('Begun by a text with one of the words').fill('open, cancel');
  await one.getByLabel('Begun by a text with one of the words').press('Tab');
  await expect(one.getByText('“cancel” is for those who want no texts')).toBeVisible();
  await one.getByLabel('Add a step').selectOption('ask something');
  await one.getByRole('listitem', { name: 'Step 2: ask something' }).getByLabel('Kept as').fill('Day');
  await one.getByRole('listitem', { name: 'Step 2: ask something' }).getByLabel('Kept as').press('Tab');
  await one.getByLabel('Begun by a text with one of the words').fill('open');
  await one.getByLabel('Begun by a text with one of the words').press('Tab');
  await expect(lines.nth(2)).toContainText('What is it about?');
  await one.getByRole('button', { name: 'Remove step 2' }).click();
  await putInForce(page);
  await visit(page, '/messages/texts');
  await textIn(page, 'Are you open?');
  const conversation = page.getByTestId('conversation').first();
  await expect(conversation).toContainText('Closed on Sundays.');
  await expect(conversation).not.toContainText('waits since');
});

test('after a talk somebody is asked; what they answer stands with its interval, and the unhappy become a task', async ({
  page,
}) => {
  await open(page, '/by-itself/dialogues');
  const survey = card(page, 'How was it?');
  await survey.getByRole('button', { name: 'Change it' }).click();
  await survey.getByLabel('Begun by a text with one of the words').fill('rate');
  await survey.getByLabel('Begun by a text with one of the words').press('Tab');
  await putInForce(page);
  await textIn(page, 'rate');
  await textIn(page, 'so so');
  await textIn(page, '2');
  await textIn(page, 'I waited <i>long</i>');
  await visit(page, '/by-itself/answers');
  const satisfied = card(page, 'Satisfied');
  await expect(satisfied).toContainText('1 answer of 1 who were asked.');
  const two = satisfied.getByRole('row').nth(2);
  await expect(two).toContainText('100 %');
  // Wilson's interval of one of one: 1 / (1 + z²), by hand.
  await expect(two).toContainText('21 % and 100 %');
  await expect(card(page, 'What went wrong')).toContainText('“I waited <i>long</i>”');
  await visit(page, '/by-itself/tasks');
  await expect(page.getByTestId('task')).toContainText('they gave 2. I waited <i>long</i>');
});

test('a text to many is seen one by one, goes in their hours, is paused and called off, and says what came of it', async ({
  page,
}) => {
  await open(page, '/by-itself/rounds');
  const form = page.getByRole('form', { name: 'A text to many' });
  await form.getByLabel('To', { exact: true }).selectOption('a list of your own');
  await form
    .getByLabel('Numbers and names')
    .fill(
      'number,name,boat\n(206) 555-0101,Ada Ferris,Sloop\n206 555 0101,Ada again,\nx,Bo,\n206 555 0102,<b>Cy</b>,',
    );
  await form
    .getByLabel('What it says')
    .fill('{first name}: {boat|your boat} is ready. Reply STOP to end texts.');
  const sum = form.getByTestId('round-sum');
  await expect(sum).toContainText('0 texts');
  await expect(sum).toContainText('2 not: They have not agreed to be texted.');
  await form.getByLabel('How and when they agreed').fill('on paper, spring 2026');
  await expect(sum).toContainText('2 texts in 2 parts, $0.02');
  await expect(sum).toContainText('1 not: They are in it twice: they get it once.');
  // It is there again after a reload.
  await page.reload();
  await expect(sum).toContainText('2 texts in 2 parts');
  await form.getByRole('button', { name: 'Send 2' }).click();
  await expect(form.getByText('Give it a name.')).toBeVisible();
  await form.getByLabel('What it is called').fill('Spring');
  await form.getByRole('button', { name: 'Send 2' }).click();
  await expect(form.getByText('Look at what each gets first, below.')).toBeVisible();
  const line = form.getByTestId('round-line');
  await expect(line).toContainText('“Ada: Sloop is ready. Reply STOP to end texts.”');
  await form.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(line).toContainText('gets nothing: They are in it twice');
  await form.getByRole('button', { name: 'The next who gets nothing' }).click();
  await expect(form.getByTestId('round-at')).toHaveText('3 of 4');
  await form.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(line).toContainText('“<b>Cy</b>: your boat is ready.');
  await form.getByLabel('When the first goes').fill('2026-11-24T11:00');
  await form.getByRole('button', { name: 'Send 2' }).click();
  const round = page.getByTestId('round');
  await expect(round).toContainText('It goes: 0 of 2.');
  await expect(form.getByLabel('What it is called')).toHaveValue('');
  await round.getByRole('button', { name: 'Pause it' }).click();
  await expect(round).toContainText('It pauses.');
  await setClock(page, '2026-11-24T11:30');
  await expect(round.getByTestId('round-result')).toContainText('0 gone');
  await round.getByRole('button', { name: 'Let it go on' }).click();
  await expect(round.getByTestId('round-result')).toContainText('2 gone', { timeout: 30_000 });
  await expect(round).toContainText('It is over.');
  await round.getByRole('link', { name: 'By person' }).click();
  await expect(page.getByTestId('errand')).toHaveCount(2);
  await expect(page.getByTestId('errand').first()).toContainText('done');
});

test('a round is called off before it goes, and nobody gets it', async ({ page }) => {
  await open(page, '/by-itself/rounds');
  const form = page.getByRole('form', { name: 'A text to many' });
  await form.getByLabel('To', { exact: true }).selectOption('a list of your own');
  await form.getByLabel('Numbers and names').fill('206 555 0101\n206 555 0102');
  await form.getByLabel('How and when they agreed').fill('on paper');
  await form.getByLabel('What it is called').fill('Never');
  await form.getByLabel('What it says').fill('The slipway is closed.');
  await expect(form.getByTestId('round-sum')).toContainText('2 texts');
  await form.getByRole('button', { name: 'Next', exact: true }).click();
  await form.getByLabel('When the first goes').fill('2026-11-25T09:00');
  await form.getByRole('button', { name: 'Send 2' }).click();
  const round = page.getByTestId('round');
  await round.getByRole('button', { name: 'Call it off…' }).click();
  await round.getByRole('button', { name: 'Call off 2' }).click();
  await expect(round).toContainText('It was called off.');
  await setClock(page, '2026-11-25T10:00');
  await expect(round.getByTestId('round-result')).toContainText('0 gone, 0 failed, 0 not sent, 2 called off');
  await visit(page, '/messages/texts');
  await expect(page.getByText('The slipway is closed.')).toHaveCount(0);
});

test('a call list is worked one after the other; what came of each stands there, and one undo takes it back', async ({
  page,
}) => {
  await open(page, '/by-itself/lists');
  const form = page.getByRole('form', { name: 'A new call list' });
  await form.getByLabel('Who is on it').selectOption('a list of your own');
  await form
    .getByLabel('Numbers and names')
    .fill('number,name,boat\n206 555 0101,Ada <i>F</i>,Sloop\n206 555 0102,Bo,\n206 555 0101,Twice,');
  await form.getByLabel('What is said').fill('Does the boat come in March?');
  await form.getByText('It is to sell something').click();
  await form.getByRole('button', { name: 'Make the list' }).click();
  await expect(form.getByText('Say how and when it was held against the registry')).toBeVisible();
  await page.reload();
  await expect(form.getByLabel('What is said')).toHaveValue('Does the boat come in March?');
  await form.getByLabel('Held against the registry on').fill('2026-11-01');
  await form.getByLabel('How', { exact: true }).fill('with its file');
  await form.getByRole('button', { name: 'Make the list' }).click();
  await expect(form.getByText('Give it a name.')).toBeVisible();
  await form.getByLabel('What it is called').fill('Spring lift');
  await form.getByRole('button', { name: 'Make the list' }).click();
  await expect(page.getByRole('heading', { name: 'Spring lift' })).toBeVisible();
  await expect(page.getByText('1 They are in it twice: they are called once.')).toBeVisible();
  const working = card(page, 'Next on the list');
  await working.getByRole('button', { name: 'The next one' }).click();
  await expect(working.getByRole('heading')).toHaveText('Ada <i>F</i>');
  await expect(working).toContainText('boat: Sloop');
  await expect(working).toContainText('Does the boat come in March?');
  await working.getByLabel('What came of it').fill('In April');
  await working.getByRole('button', { name: 'Nobody answered' }).click();
  await expect(working.getByRole('heading')).toHaveText('Bo');
  const first = page.getByTestId('listed').first();
  await expect(first).toContainText('waits, from Wed 25 Nov');
  await expect(first).toContainText('In April');
  await working.getByRole('button', { name: 'Wants no calls' }).click();
  await expect(working).toContainText('Nobody of them may be called before Wed 25 Nov');
  await page
    .getByRole('region', { name: 'Notices' })
    .getByRole('paragraph')
    .filter({ hasText: 'Bo: Wants no calls' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(working.getByRole('heading')).toHaveText('Bo');
  await working.getByRole('button', { name: 'Put them back, not called' }).click();
  await expect(page.getByTestId('listed').nth(1)).toContainText('waits');
  await page.getByRole('button', { name: 'Let it rest' }).click();
  await expect(page.getByText('The list rests.')).toBeVisible();
});

test('free times follow from hours; one is booked by hand and given back, and a dialogue offers them in its rehearsal', async ({
  page,
}) => {
  await open(page, '/by-itself/bookings');
  const slipway = card(page, 'The slipway');
  const free = slipway.getByTestId('free').getByRole('listitem');
  const first = await free.first().innerText();
  const book = slipway.getByRole('form', { name: 'Book in The slipway' });
  await book.getByRole('button', { name: 'Book it' }).click();
  await expect(book.getByText('Say for whom.')).toBeVisible();
  await book.getByLabel('For whom').fill('Ada <i>F</i>');
  await book.getByLabel('Their number').fill('x');
  await book.getByRole('button', { name: 'Book it' }).click();
  await expect(book.getByText('"x" has letters in it')).toBeVisible();
  await book.getByLabel('Their number').fill('206 555 0101');
  await book.getByRole('button', { name: 'Book it' }).click();
  await expect(slipway.getByTestId('booking')).toContainText('Ada <i>F</i>');
  await expect(slipway.getByTestId('booking')).toContainText(first);
  await expect(free.first()).not.toHaveText(first);
  await slipway.getByRole('button', { name: /^Give it back/ }).click();
  await expect(free.first()).toHaveText(first);
  await slipway.getByRole('button', { name: 'Change it' }).click();
  await slipway.getByLabel('Open as').selectOption('Choose hours…');
  await expect(slipway.getByText('It has no hours: nothing is free.')).toBeVisible();
  await page.getByRole('heading', { name: 'Appointments', exact: true }).click();
  await page.keyboard.press('Control+z');
  await expect(free.first()).toHaveText(first);
  await visit(page, '/by-itself/dialogues');
  const lift = card(page, 'A time on the slipway');
  await lift.getByRole('button', { name: 'Change it' }).click();
  const lines = lift.getByTestId('dialogue-lines').getByRole('listitem');
  for (const text of ['a lift', 'Sloop', 'tomorrow', '1']) {
    await lift.getByLabel('They write').fill(text);
    await lift.getByLabel('They write').press('Enter');
  }
  await expect(lines.nth(5)).toContainText('On that day 1: Wed');
  await expect(lines.nth(7)).toContainText('Write OFF 12345 to give it back, MOVE 12345 for another time.');
  // Nothing was booked by rehearsing it.
  await visit(page, '/by-itself/bookings');
  await expect(slipway.getByTestId('booking')).toHaveCount(1);
  await expect(slipway.getByTestId('booking')).toContainText('given back');
});
