import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { messageSummary, waitingIn } from './held';
import { keptPin, pinFits, pinProblem } from './pin';

describe('PINs', () => {
  it.each([
    ['123', 'At least 4'],
    ['12345678901', 'At most 10'],
    ['12a4', 'Digits only'],
    ['1234', 'run'],
    ['9876', 'run'],
    ['8901', 'run'],
    ['1111', 'repeats'],
    ['1212', 'repeats'],
    ['482482', 'repeats'],
    ['2018', 'extension 201'],
    ['7201', 'extension 201'],
    ['1987', 'year'],
    ['2026', 'year'],
  ])('%s is refused: %s', (pin, why) => {
    expect(pinProblem(pin, ['201'])).toContain(why);
  });
  it.each(['4827', '90514', '1357', '120934'])('%s is taken', (pin) => {
    expect(pinProblem(pin, ['201'])).toBeUndefined();
  });
  it('is kept so that nobody reads it, and is the SHA-256 that Node works out too', () => {
    const kept = keptPin('4827', 'salt');
    expect(JSON.stringify(kept)).not.toContain('4827');
    expect(kept.hash).toBe(createHash('sha256').update('salt4827').digest('hex'));
    expect(pinFits(kept, '4827')).toBe(true);
    expect(pinFits(kept, '4828')).toBe(false);
    expect(keptPin('4827', 'other').hash).not.toBe(kept.hash);
  });
});

// RFC 3842 §5.2 shows these lines for two new and eight old messages, from memory.
it('the light of a phone: what it is sent while there are new messages, and when there are none', () => {
  expect(messageSummary({ fresh: 2, heard: 8 }, 'sip:alice@vmail.example.com')).toBe(
    'Messages-Waiting: yes\r\nMessage-Account: sip:alice@vmail.example.com\r\nVoice-Message: 2/8 (0/0)\r\n',
  );
  expect(messageSummary({ fresh: 0, heard: 1 }, 'sip:x@y.example')).toContain('Messages-Waiting: no');
  const message = { mailboxId: 'a', heard: false };
  expect(waitingIn([message, { ...message, heard: true }, { ...message, folder: 'bin' }], 'a')).toEqual({
    fresh: 1,
    heard: 1,
  });
});
