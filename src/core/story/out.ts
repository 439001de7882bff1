/** The log as files of others: a table for a spreadsheet, and JSON. */
import { writeNumber } from '../numbering';
import type { System } from '../system';
import type { Conversation } from './conversations';
import type { Settled } from './settled';
import type { Entry } from './story';
import { detailOf, settledInWords, titleOf } from './words';

const COLUMNS = [
  'when',
  'kind',
  'way',
  'with',
  'number',
  'line',
  'what',
  'came of it',
  'rang seconds',
  'waited seconds',
  'talked seconds',
  'missed',
  'called back',
  'note',
  'said',
] as const;

/** All that ours wrote down to it, in one text; empty where nobody did. */
const notesOf = ({ call, message, fax }: Entry): string =>
  [
    call?.note,
    message?.note,
    fax?.note,
    ...[...(call?.remarks ?? []), ...(message?.remarks ?? [])].map((r) =>
      r.by ? `${r.by}: ${r.text}` : r.text,
    ),
  ]
    .filter(Boolean)
    .join('\n');

/** What settled an entry, where something has. */
type SettledBy = (entry: Entry) => Settled | undefined;

/** Rows, the first with the names of the columns. @param written a moment as it is to be read */
export const logTable = (
  entries: readonly Entry[],
  system: System,
  settledBy: SettledBy,
  written: (at: number) => string,
): string[][] => [
  [...COLUMNS],
  ...entries.map((e) => [
    written(e.at),
    e.kind,
    e.facts.way,
    e.who,
    e.facts.other ? writeNumber(e.facts.other, system.business.country) : '',
    e.line?.label ?? '',
    titleOf(e, system),
    detailOf(e, system),
    ...(['rang', 'waited', 'talked'] as const).map((of) => (e.facts.times ? String(e.facts.times[of]) : '')),
    e.facts.missed ? 'yes' : '',
    e.facts.missed ? settledInWords(settledBy(e), e.at, system) : '',
    notesOf(e),
    e.message?.said ?? e.text?.text ?? '',
  ]),
];

/**
 * A conversation by text as one text to read: who wrote what and when, with the names of files.
 * @param written a moment as it is to be read
 */
export function conversationText(
  { texts, contact, theirs, ours, line }: Conversation,
  system: System,
  written: (at: number) => string,
): string {
  const number = (e164: string) => writeNumber(e164, system.business.country);
  const name = contact?.name ?? number(theirs);
  const head = [
    `Texts with ${name}${contact ? `, ${number(theirs)}` : ''}`,
    `through ${line ? `${line.label}, ` : ''}${number(ours)}`,
  ];
  const lines = texts.map((t) => {
    const who = t.way === 'in' ? name : t.byItself ? 'by itself' : (t.by ?? system.business.name);
    const files = (t.files ?? []).map((f) => `[${f.name}, ${f.type}, ${f.size} bytes]`);
    // A line of its own within a text stays one of that text.
    const words = t.text.replaceAll('\n', '\n    ');
    return `${written(t.at)}  ${who}: ${[words, ...files].filter(Boolean).join(' ')}`;
  });
  return `${[...head, '', ...lines].join('\n')}\n`;
}

/** The same as objects: moments as ISO 8601 in UTC, numbers in E.164. */
export const logJson = (entries: readonly Entry[], system: System, settledBy: SettledBy): object[] =>
  entries.map((e) => ({
    id: e.id,
    kind: e.kind,
    at: new Date(e.at).toISOString(),
    way: e.facts.way,
    with: e.who,
    number: e.facts.other,
    line: e.line?.e164 ?? null,
    what: titleOf(e, system),
    cameOfIt: detailOf(e, system),
    seconds: e.facts.times,
    missed: e.facts.missed,
    settled: e.facts.missed ? (settledBy(e)?.how ?? null) : null,
    note: notesOf(e) || null,
    said: e.message?.said ?? e.text?.text ?? null,
  }));
