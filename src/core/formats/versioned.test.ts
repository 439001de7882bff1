/** Our own files: what is said of one that cannot be read. */
import { expect, it } from 'vitest';
import { SYSTEM_VERSION } from '../system';
import { openVersioned } from './versioned';

const open = (value: unknown) => openVersioned(JSON.stringify(value), 'upper-line-plan', 'a plan');

it('opens a file of this version or an earlier one', () => {
  expect(open({ format: 'upper-line-plan', version: SYSTEM_VERSION, x: 1 })).toMatchObject({
    ok: true,
    version: SYSTEM_VERSION,
    json: { x: 1 },
  });
  expect(open({ format: 'upper-line-plan', version: 1 }).ok).toBe(true);
});

it('says what another file is', () => {
  const says = (value: unknown) => {
    const opened = open(value);
    return opened.ok ? '' : opened.message;
  };
  expect(says({ format: 'upper-line-system', version: 1 })).toBe(
    'This file is not a plan saved by Upper Line.',
  );
  expect(says({ format: 'upper-line-plan', version: 0 })).toBe(
    'This file is not a plan saved by Upper Line.',
  );
  expect(says([])).toBe('This file is not a plan saved by Upper Line.');
  expect(says({ format: 'upper-line-plan', version: SYSTEM_VERSION + 1 })).toBe(
    `This file is of version ${SYSTEM_VERSION + 1}; this Upper Line reads up to version ${SYSTEM_VERSION}.`,
  );
  expect(openVersioned('{"format":', 'upper-line-plan', 'a plan')).toEqual({
    ok: false,
    message: 'This is not a JSON file, or it is cut off.',
  });
});
