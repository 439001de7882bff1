import AdmZip from 'adm-zip';
import Papa from 'papaparse';
import { expect, it } from 'vitest';
import { mailboxFolder, type MessageToExport } from './write';

const message = (more: Partial<MessageToExport>): MessageToExport => ({
  id: 'm',
  at: Date.parse('2026-11-24T18:15:00Z'),
  from: '(206) 555-0134',
  fromNumber: '+12065550134',
  seconds: 9,
  said: 'Call me, please.',
  sound: null,
  heard: false,
  ...more,
});

it('is unpacked by another program, with every sound, every text and a table of all', () => {
  const wav = Buffer.from('RIFFxxxxWAVE');
  const zip = mailboxFolder([
    message({ note: '=HYPERLINK("x")', said: 'Second, "quoted"\nline' }),
    message({
      at: Date.parse('2026-11-20T08:00:00Z'),
      from: 'Hidden number',
      fromNumber: null,
      said: '',
      sound: `data:audio/wav;base64,${wav.toString('base64')}`,
      folder: 'archive',
      heard: true,
    }),
  ]);
  // Another library reads it, and checks the sum of each file.
  const read = new AdmZip(Buffer.from(zip));
  const file = (name: string) => read.getEntry(name)!.getData();
  const rows = Papa.parse<Record<string, string>>(file('messages.csv').toString('utf8').trim(), {
    header: true,
  }).data;
  expect(rows.map((r) => [r.from, r.number, r.heard, r.folder])).toEqual([
    ['Hidden number', '', 'yes', 'archive'],
    ['(206) 555-0134', '+12065550134', 'no', 'inbox'],
  ]);
  expect(file(rows[0]!['sound file']!)).toEqual(wav);
  expect(rows[0]!['text file']).toBe('');
  expect(file(rows[1]!['text file']!).toString('utf8')).toContain('Second, "quoted"\nline');
  expect(rows[1]!.transcript).toBe('Second, "quoted"\nline');
  expect(rows[1]!.note).toBe('\'=HYPERLINK("x")');
});

it('an empty mailbox is a table with a header', () => {
  expect(mailboxFolder([]).length).toBeGreaterThan(100);
});
