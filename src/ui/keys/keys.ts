/** The keys that the frame and its pages know. */
export const KEYS: readonly (readonly [key: string, does: string])[] = [
  ['/ or Ctrl K', 'Find a person, number or plan, or something to do'],
  ['Ctrl Z', 'Undo the last change'],
  ['Ctrl Shift Z', 'Do it again'],
  ['B', 'Open and close the bench'],
  ['Alt ↑, Alt ↓', 'Move the selected step of a plan'],
  ['Alt →, Alt ←', 'Move it into a branch of the step before it, or out of the one it is in'],
  ['Enter, Esc', 'From a step of a plan to its settings, and back'],
  ['Insert', 'Insert a step after the selected one'],
  ['Delete', 'Remove the selected step of a plan'],
  ['Ctrl C, Ctrl X', 'Copy or cut the selected step'],
  ['Ctrl V', 'Put it down after the selected step, or at the beginning of a branch'],
  ['Arrows', 'Go through the pieces of coverage, the days of a year, the lines of a rehearsal'],
  ['?', 'This list'],
];
