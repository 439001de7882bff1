/** Boards that are mailed on Mondays: by whichever window is open, once. Charts go along as pictures, figures as text. */
import { nanoid } from 'nanoid';
import { profileOf } from '$core/numbering';
import { changeText, mailDue, valueText, type Board, type Report, type Tile } from '$core/traffic';
import { rawMessage, type Attachment } from '$standins/mail/compose';
import { changeBoards, readBoards, within, type MailRecord } from '$workspace';
import type { OpenBusiness } from '../../window/open-business.svelte';
import { partText } from '../value';
import { figureOf, reportOfTile, titleOfTile, unitOf } from './tile';

/** Rows of a table that go into a letter. */
const MOST_ROWS = 12;
const WIDTH = 640;
const HEIGHT = 280;

const asBase64 = async (blob: Blob): Promise<string> => {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000)
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
};

/** The chart of a report as PNG. */
async function pictureOf(report: Report, currency: string): Promise<Blob | null> {
  if (!report.chart) return null;
  const { draw } = await import('../report/chart');
  const box = document.createElement('div');
  // Drawn off the screen, and by day: a letter has paper of its own.
  box.style.cssText = `position:fixed;left:-9999px;width:${WIDTH}px;height:${HEIGHT}px`;
  const canvas = document.createElement('canvas');
  box.append(canvas);
  document.body.append(box);
  try {
    const drawn = draw(canvas, report.chart, currency, () => {}, true);
    const blob = await drawn.png();
    drawn.destroy();
    return blob;
  } finally {
    box.remove();
  }
}

function linesOf(tile: Tile, report: Report, title: string, currency: string): string[] {
  switch (tile.show) {
    case 'figure': {
      const figure = figureOf(report, tile);
      if (!figure) return [`${title}: –`];
      const before = changeText(figure.value, figure.before, unitOf(tile));
      return [`${title}: ${valueText(figure.value, unitOf(tile), currency)}${before ? ` (${before})` : ''}`];
    }
    case 'chart':
    case 'week':
    case 'table': {
      const table = report.tables[0];
      if (!table?.rows.length) return [`${title}: ${table?.none ?? 'nothing'}`];
      const rows = table.rows.slice(0, MOST_ROWS);
      return [
        `${title}, by ${table.of}: ${table.heads.join(', ')}`,
        ...rows.map(
          (r) =>
            `  ${partText(r.name)}: ${r.cells.map((c) => valueText(c.value, c.unit, currency)).join(', ')}`,
        ),
        ...(table.rows.length > rows.length ? [`  and ${table.rows.length - rows.length} more`] : []),
      ];
    }
  }
}

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

/** Mails a board to everybody it goes to. @returns to how many */
export async function mailBoard(business: OpenBusiness, board: Board): Promise<number> {
  const { system, db, id: businessId, now } = business;
  const { currency } = profileOf(system.business.country);
  const lines: string[] = [];
  const html: string[] = [];
  const attachments: Attachment[] = [];
  for (const tile of board.tiles) {
    const report = await reportOfTile(business, tile, null);
    if (!report) throw new Error('The log could not be read.');
    const title = titleOfTile(tile, system.numbers[tile.numberId]?.label ?? '');
    const own = linesOf(tile, report, title, currency);
    lines.push(...own, '');
    html.push(`<pre style="font-family:inherit">${own.map(escaped).join('\n')}</pre>`);
    const picture = tile.show === 'chart' ? await pictureOf(report, currency) : null;
    if (picture) {
      const cid = `${tile.id}@board`;
      attachments.push({ name: `${tile.id}.png`, type: 'image/png', base64: await asBase64(picture), cid });
      html.push(`<p><img src="cid:${cid}" alt="${escaped(title)}" width="${WIDTH}"></p>`);
    }
  }
  const name = system.business.name;
  const people = Object.values(system.people);
  const letters: MailRecord[] = [];
  for (const address of board.mailTo) {
    const id = `mail-${nanoid(10)}`;
    const subject = `${board.name}: how it goes at ${name}`;
    const raw = await rawMessage({
      id,
      to: { name: people.find((p) => p.email === address)?.name ?? address, address },
      from: { name, address: 'figures@upperline.example' },
      subject,
      text: lines.join('\n'),
      html: html.join('\n'),
      at: now,
      attachments,
    });
    letters.push({ id, businessId, at: now, to: address, subject, raw });
  }
  // All or none: what fails half-way is tried again, and nobody gets it twice.
  await db.write('mail', async (open) => {
    const tx = open('mail');
    for (const letter of letters) within(tx.objectStore('mail').put(letter));
    await tx.done;
  });
  await business.workspace.changed('mail');
  return board.mailTo.length;
}

/** Mails what is due this Monday. A board that another window has claimed is that window's. */
export async function mailDueBoards(business: OpenBusiness): Promise<void> {
  const { db, id, zone } = business;
  for (const { id: boardId } of await readBoards(db, id)) {
    let claimed: { board: Board; before: string | null } | undefined;
    await changeBoards(db, id, (known) =>
      known.map((board) => {
        const monday = board.id === boardId ? mailDue(board, zone, business.now) : null;
        if (!monday) return board;
        claimed = { board, before: board.mailed };
        return { ...board, mailed: monday };
      }),
    );
    if (!claimed) continue;
    const { board, before } = claimed;
    try {
      const n = await mailBoard(business, board);
      business.say({
        kind: 'info',
        title: `${board.name} was mailed to ${n === 1 ? 'one address' : `${n} addresses`}.`,
      });
    } catch (error) {
      // It is tried again when it is looked at next.
      await changeBoards(db, id, (known) =>
        known.map((b) => (b.id === boardId ? { ...b, mailed: before } : b)),
      );
      business.say({
        kind: 'error',
        title: `${board.name} could not be mailed`,
        detail: error instanceof Error ? error.message : String(error),
      });
    }
  }
}
