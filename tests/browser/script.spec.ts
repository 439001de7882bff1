/** The answering script: own answers, a time booked by voice, and what is left of it: rehearsed first, then called. */
import { bench, callFrom, open, putInForce, saved, visit, withSoftphone } from './bench';
import { expect, test } from './seeded';
import type { Page } from '@playwright/test';

test('own answers are written, tried, and found with other words and mistakes', async ({ page }) => {
  await open(page, '/answering/answers');
  const told = page.getByTestId('own-answer-found');
  await page.getByLabel('A caller says').fill('are you opened on saturdays');
  await expect(told).toContainText('on Saturdays from nine to one');
  await page.getByLabel('A caller says').fill('may I bring my dog');
  await expect(told).toContainText('That I do not know.');
  await page.getByRole('button', { name: 'Write an answer to it' }).click();
  await expect(page.getByLabel('Question, as somebody would ask')).toHaveValue('may I bring my dog');
  await page.getByLabel('Callers are told').first().fill('Dogs are welcome on a lead.');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(told).toContainText('Dogs are welcome on a lead.');
  await page.getByLabel('A caller says').fill('are dogs alowed');
  await expect(told).toContainText('Dogs are welcome on a lead.');
  // The same question twice is refused beside its field, and nothing is lost.
  await page.getByLabel('Question, as somebody would ask').fill('may I bring my dog');
  await page.getByLabel('Callers are told').first().fill('No.');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('There is a question “may I bring my dog” already.')).toBeVisible();
  await expect(page.getByLabel('Callers are told').first()).toHaveValue('No.');
  // One undo takes it away.
  await page.getByRole('heading', { name: 'Own answers' }).click();
  await page.keyboard.press('Control+z');
  await expect(told).toContainText('That I do not know.');
});

test('a caller is answered by the script and books a time; the code comes by text, and the calendar has it', async ({
  page,
  context,
}) => {
  // Rehearsed before it is done: what is said, and which way it leads.
  await open(page, '/answering/rehearsal');
  await page.getByLabel('Number called').selectOption('Asks first, without a number');
  await page.getByLabel('Asked for Wish, says').fill('where can I park');
  await page.getByLabel('Asked for Haul out, says').fill('yes');
  await page.getByLabel('Asked for Time, says').fill('the second');
  const trace = page.getByRole('main');
  await expect(trace).toContainText('There is room for cars and trailers');
  await expect(trace).toContainText('Booked: Wednesday, 25 November 2026 at 08:00.');
  // In force for a number, and called.
  await visit(page, '/numbers#n-night-watch');
  await page.getByLabel('Where calls to Night watch go').selectOption('Asks first');
  await putInForce(page);
  const outside = await callFrom(context, 'Night watch');
  const heard = outside.getByTestId('outside-call');
  const say = async (what: string) => {
    await outside.getByLabel('Your answer').fill(what);
    await outside.getByRole('button', { name: 'Say it' }).click();
  };
  await expect(heard).toContainText('What would you like to know?');
  await say('wher is your adress');
  await expect(heard).toContainText('at the end of Quay Road');
  await expect(heard).toContainText('Is there anything else?', { timeout: 20_000 });
  await say('no thanks');
  await expect(heard).toContainText('Shall I find you a time on the slipway?');
  await say('yes');
  await expect(heard).toContainText('press 1');
  await outside.getByRole('button', { name: 'Key 2', exact: true }).click();
  await expect(heard).toContainText('Booked: Wednesday, 25 November 2026 at 08:00.');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/by-itself/bookings');
  await expect(page.getByTestId('booking')).toContainText('Wed 25 Nov, 08:00');
  const code = /code (\d{5})/.exec(await page.getByTestId('booking').innerText())![1]!;
  await visit(page, '/messages/texts');
  await expect(page.getByRole('main')).toContainText(`OFF ${code}`);
  // They call once more and give it back: by its code, on the keypad.
  await outside.getByRole('button', { name: 'Night watch', exact: true }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(heard).toContainText('What would you like to know?');
  await say('nothing');
  await expect(heard).toContainText('Shall I find you a time on the slipway?');
  await say('no');
  await expect(heard).toContainText('Is it about an appointment that you have?');
  await say('yes');
  await expect(heard).toContainText('five digits');
  for (const digit of code) await outside.getByRole('button', { name: `Key ${digit}`, exact: true }).click();
  await expect(heard).toContainText('Wednesday, 25 November 2026 at 08:00: to give it back press 1');
  await outside.getByRole('button', { name: 'Key 1', exact: true }).click();
  await expect(heard).toContainText('Your appointment Wednesday, 25 November 2026 at 08:00 is given back.');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/by-itself/bookings');
  await expect(page.getByTestId('booking')).toContainText('given back');
  await saved(page);
});

test('what a calendar file takes is seen first and then offered to nobody; what is transparent takes nothing', async ({
  page,
}) => {
  await open(page, '/by-itself/bookings');
  const one = page.getByRole('region', { name: 'The slipway' });
  await expect(one.getByTestId('free')).toContainText('Wed 25 Nov, 08:00');
  const event = (name: string, ...lines: string[]) =>
    ['BEGIN:VEVENT', `UID:${name}@x.example`, `SUMMARY:${name}`, ...lines, 'END:VEVENT'].join('\r\n');
  const file = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    event('Crane', 'DTSTART;TZID=America/Los_Angeles:20261125T080000', 'DURATION:PT2H'),
    event(
      '<b>Free</b>',
      'DTSTART;TZID=America/Los_Angeles:20261125T110000',
      'DURATION:PT1H',
      'TRANSP:TRANSPARENT',
    ),
    event('Off', 'DTSTART;TZID=America/Los_Angeles:20261125T140000', 'DURATION:PT1H', 'STATUS:CANCELLED'),
    'END:VCALENDAR',
  ].join('\r\n');
  await one.getByLabel('Calendar file for The slipway').setInputFiles({
    name: 'yard.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(file),
  });
  await expect(one).toContainText('1 events take time in the next 30 days; 1 take none');
  await expect(one.getByTestId('free')).toContainText('Wed 25 Nov, 08:00');
  await one.getByRole('button', { name: 'Take these times' }).click();
  await expect(one.getByTestId('free')).not.toContainText('Wed 25 Nov, 08:00');
  await expect(one.getByTestId('free')).not.toContainText('Wed 25 Nov, 09:30');
  await expect(one.getByTestId('free')).toContainText('Wed 25 Nov, 11:00');
  await page.reload();
  await expect(one).toContainText('1 times are taken by a calendar that was read.');
  await one.getByRole('button', { name: 'Forget them' }).click();
  await expect(one.getByTestId('free')).toContainText('Wed 25 Nov, 08:00');
});

test('a caller who stays after the talk is asked by key; a bad answer becomes a task', async ({
  page,
  context,
}) => {
  await page.goto('/numbers#n-main');
  await page.getByLabel('Asked after a talk').selectOption('How was it?');
  await putInForce(page);
  const staff = await withSoftphone(context, page);
  const outside = await callFrom(context, 'Main line');
  await staff
    .getByRole('button', { name: /^(Answer|Take it)/ })
    .first()
    .click();
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with');
  await staff.getByRole('button', { name: 'Hang up' }).first().click();
  const heard = outside.getByTestId('outside-call');
  await expect(heard).toContainText('how well were you helped, from 1 (badly) to 5 (well)? Press or say');
  await expect(heard).not.toContainText('STOP');
  await outside.getByRole('button', { name: 'Key 1', exact: true }).click();
  await expect(heard).toContainText('What should have gone better?');
  await outside.getByLabel('Your answer').fill('Nobody knew <b>my boat</b>');
  await outside.getByRole('button', { name: 'Say it' }).click();
  await expect(heard).toContainText('We will do better.');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/by-itself/answers');
  await expect(page.getByRole('region', { name: 'Satisfied' })).toContainText('1 answer of 1 who were asked');
  await expect(page.getByRole('region', { name: 'What went wrong' })).toContainText(
    'Nobody knew <b>my boat</b>',
  );
  await expect(page.getByRole('table', { name: 'Who was asked' })).toContainText('after a talk');
  await visit(page, '/by-itself/tasks');
  await expect(page.getByRole('main')).toContainText('they gave 1. Nobody knew <b>my boat</b>');
});

test('people meet by telephone: a PIN, music until the host is there, muted, locked and put out', async ({
  page,
  context,
}) => {
  await page.goto('/answering/rooms');
  await page.getByRole('button', { name: 'Make a room' }).click();
  const room = page.getByRole('region', { name: 'Meeting room', exact: true });
  await room.getByLabel('PIN of members').fill('24');
  await room.getByLabel('PIN of members').press('Tab');
  await expect(room.getByText('A PIN has 4 to 10 digits.')).toBeVisible();
  await room.getByLabel('PIN of members').fill('2468');
  await room.getByLabel('PIN of the host').fill('97531');
  await room.getByLabel('PIN of the host').press('Tab');
  await room.getByText('Members say their name first').click();
  await visit(page, '/numbers#n-night-watch');
  await page.getByLabel('Where calls to Night watch go').selectOption('Meeting room');
  await putInForce(page);
  await visit(page, '/answering/rooms');
  const type = async (phone: Page, keys: string) => {
    await expect(phone.getByTestId('outside-call')).toContainText('Type the PIN of the meeting');
    for (const key of keys) await phone.getByRole('button', { name: `Key ${key}`, exact: true }).click();
  };
  const ada = await callFrom(context, 'Night watch');
  await type(ada, '1111#');
  await expect(ada.getByTestId('outside-call')).toContainText('That is not it.');
  await type(ada, '2468#');
  await ada.getByLabel('Your answer').fill('Ada <b>');
  await ada.getByRole('button', { name: 'Say it' }).click();
  await expect(ada.getByTestId('outside-call')).toContainText('You wait for the host, and hear music.');
  const inRoom = room.getByTestId('in-room');
  await expect(inRoom).toContainText('Ada <b>');
  await expect(inRoom).toContainText('waits for the host');
  const host = await callFrom(context, 'Night watch');
  await type(host, '97531#');
  await expect(ada.getByTestId('outside-call')).toContainText(
    'You are in the meeting Meeting room, with Guest 2.',
  );
  await expect(host.getByTestId('outside-call')).toContainText('with Ada <b>.');
  // By key, and by whoever looks after the room.
  await ada.getByRole('button', { name: 'Key 1', exact: true }).click();
  await expect(inRoom).toContainText('muted');
  await inRoom.getByRole('button', { name: 'Unmute Ada' }).click();
  await expect(inRoom).not.toContainText('muted');
  await room.getByRole('button', { name: 'Lock the room' }).click();
  await expect(host.getByTestId('outside-call')).toContainText('The room is locked');
  const late = await callFrom(context, 'Night watch');
  await type(late, '2468#');
  await late.getByLabel('Your answer').fill('Bo');
  await late.getByRole('button', { name: 'Say it' }).click();
  await expect(late.getByTestId('outside-ended')).toContainText('not let into Meeting room: locked');
  await inRoom.getByRole('button', { name: 'Put out Ada' }).click();
  await expect(ada.getByTestId('outside-ended')).toContainText('left the meeting in Meeting room');
  await expect(host.getByTestId('outside-call')).toContainText('alone so far');
});

test('a meeting is planned, everybody is asked by mail, and what they answer stands with it', async ({
  page,
}) => {
  await open(page, '/answering/rooms');
  const room = page.getByRole('region', { name: 'The loft' });
  await room.getByRole('button', { name: 'Plan a meeting' }).click();
  const form = page.getByRole('form', { name: 'Plan a meeting' });
  await form.getByRole('button', { name: 'Ask them' }).click();
  await expect(form.getByText('Say what it is about.')).toBeVisible();
  await form.getByLabel('What it is about').fill('Winter store');
  await form.getByLabel('When').fill('Wed 25 Nov 2026, 10:00');
  await form.getByLabel('When').press('Tab');
  await form.getByLabel('From outside: mail addresses, apart by commas').fill('ada@out.example');
  // What was typed is there after a reload.
  await page.reload();
  await room.getByRole('button', { name: 'Plan a meeting' }).click();
  await expect(form.getByLabel('What it is about')).toHaveValue('Winter store');
  await form.getByRole('button', { name: 'Ask them' }).click();
  const planned = room.getByTestId('planned');
  await expect(planned).toContainText('ada@out.example: not answered');
  const drawer = await bench(page, 'Mail');
  await drawer.getByRole('button', { name: /Invitation: Winter store/ }).click();
  await expect(drawer.getByTestId('mail-text')).toContainText('PIN 2468, then the square key.');
  await drawer.getByRole('button', { name: 'Somebody else answers' }).click();
  await expect(drawer.getByTestId('reply-heard')).toContainText('does not count');
  await drawer.getByRole('button', { name: 'Decline' }).click();
  await expect(drawer.getByTestId('reply-heard')).toContainText('ada@out.example has declined.');
  await expect(planned).toContainText('ada@out.example: does not come');
  await drawer.getByRole('button', { name: 'Close' }).click();
  await planned.getByRole('button', { name: 'Call it off Winter store' }).click();
  await expect(planned).toContainText('called off');
});
