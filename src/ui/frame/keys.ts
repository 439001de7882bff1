/** The keys that the frame and its pages know. */
export const KEYS: readonly (readonly [key: string, does: string])[] = [
  ['/ or Ctrl K', 'Find a person, number or plan, or something to do'],
  ['Ctrl Z', 'Undo the last change'],
  ['Ctrl Shift Z', 'Do it again'],
  ['B', 'Open and close the bench'],
  ['Alt ↑, Alt ↓', 'Move the selected step of a plan'],
  ['Delete', 'Remove the selected step of a plan'],
  ['Ctrl C', 'Copy the selected step; put it down under “Add a step”'],
  ['Arrows', 'Go through the pieces of coverage, the days of a year, the lines of a rehearsal'],
  ['?', 'This list'],
];
