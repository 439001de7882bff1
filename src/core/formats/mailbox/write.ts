/** A mailbox as a folder, packed as a zip: for each message its sound and its words, and a table of all of them. */
import { strToU8, zipSync, type Zippable } from 'fflate';
import Papa from 'papaparse';
import { FORMULA } from '../csv/decode';

export interface MessageToExport {
  id: string;
  /** Epoch milliseconds. */
  at: number;
  from: string;
  /** E.164; null where it was hidden. */
  fromNumber: string | null;
  seconds: number;
  /** What was said, in words; empty for a recording nobody wrote down. */
  said: string;
  /** The recording as a data URL (RFC 2397), or null. */
  sound: string | null;
  heard: boolean;
  note?: string | undefined;
  /** Where it lies; absent is the inbox. */
  folder?: string | undefined;
}

const ENDINGS: Record<string, string> = {
  'audio/wav': 'wav',
  'audio/webm': 'webm',
  'audio/ogg': 'ogg',
  'audio/mp4': 'm4a',
};

/** A data URL as bytes, or undefined where it is none. */
function bytesOf(dataUrl: string): { type: string; bytes: Uint8Array } | undefined {
  const [, type, base64] = /^data:([\w/+.-]+)[^,]*;base64,(.*)$/s.exec(dataUrl) ?? [];
  if (!type || base64 === undefined) return undefined;
  return { type, bytes: Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)) };
}

/**
 * The folder as a zip. Each message is `n-date.txt`, with `n-date.webm` or `.wav` beside it where there is a sound; all
 * stand in `messages.csv` (RFC 4180), the oldest first.
 */
export function mailboxFolder(messages: readonly MessageToExport[]): Uint8Array {
  const files: Zippable = {};
  const rows = [...messages]
    .sort((a, b) => a.at - b.at)
    .map((m, i) => {
      const at = new Date(m.at).toISOString();
      const name = `${String(i + 1).padStart(4, '0')}-${at.slice(0, 10)}`;
      const sound = m.sound ? bytesOf(m.sound) : undefined;
      const soundFile = sound ? `${name}.${ENDINGS[sound.type] ?? 'bin'}` : '';
      // Sounds are packed already: the zip only holds them.
      if (sound) files[soundFile] = [sound.bytes, { level: 0 }];
      const text = m.said ? `${name}.txt` : '';
      if (m.said) files[text] = strToU8(`${m.from}, ${at}\r\n\r\n${m.said}\r\n`);
      return [
        at,
        m.from,
        m.fromNumber ?? '',
        String(m.seconds),
        m.heard ? 'yes' : 'no',
        m.folder ?? 'inbox',
        m.said,
        m.note ?? '',
        soundFile,
        text,
      ];
    });
  const header = [
    'at (UTC)',
    'from',
    'number',
    'seconds',
    'heard',
    'folder',
    'transcript',
    'note',
    'sound file',
    'text file',
  ];
  files['messages.csv'] = strToU8(
    Papa.unparse([header, ...rows], { newline: '\r\n', escapeFormulae: FORMULA }) + '\r\n',
  );
  return zipSync(files);
}
