/** Checks of the recording of calls. */
import { recordsByRule } from '../../system';
import type { Check } from '../finding';

/** What is recorded by rule lies there until somebody thinks of it, where nobody has said for how long. */
export const recordedForEver: Check = ({ system }) => {
  const rules = system.business.recording;
  if (!rules || rules.keepDays !== null || !recordsByRule(rules)) return [];
  return [
    {
      id: 'recorded-for-ever',
      severity: 'warning',
      place: { kind: 'dialling' },
      title: 'Calls are recorded by rule, and kept for ever',
      detail:
        'Recordings lie there until somebody deletes them one by one. Say for how many days they are kept.',
      fix: {
        label: 'Keep them 30 days',
        edit: {
          words: 'Keep recordings of calls 30 days',
          commands: [{ do: 'business.set', change: { recording: { ...rules, keepDays: 30 } } }],
        },
      },
    },
  ];
};
