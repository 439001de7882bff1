/** What a business does with the carrier: buying, porting, texting, giving back; each act one transaction. */
import { nanoid } from 'nanoid';
import type { Phone, Standing } from '../../core/system';
import { drop, order, reserve, type Ordered } from '../../standins/carrier/book';
import { arrivalOf, PortFacts, portStanding, type Port } from '../../standins/carrier/porting';
import { sendProof, tryProof, type Proof } from '../../standins/proof/proof';
import { codeFrom } from '../../standins/registrar/pairing';
import { readSide, storesOf, writeSide, type Side } from './side';
import type { Workspace } from '../workspace';

export type Answer = { ok: true } | { ok: false; message: string; field?: string };
export const no = (message: string, field?: string): Answer => ({
  ok: false,
  message,
  ...(field ? { field } : {}),
});

/** Changes the carrier's side in storage: all of it or, where the change says no, nothing. */
export async function change<T>(
  workspace: Workspace,
  how: (side: Side) => { side: Partial<Side> | null; answer: T },
): Promise<T> {
  const { db, id } = workspace;
  const answer = await db.write('carrier', async (open) => {
    const { side, answer } = how(await readSide(db, id));
    if (!side) return answer;
    const tx = open('carrier', 'dealings', 'standing');
    writeSide(storesOf(tx), id, side);
    await tx.done;
    return answer;
  });
  await workspace.carrierChanged();
  return answer;
}

/** Sets numbers aside for ten minutes: all or none. */
export const reserveNumbers = (workspace: Workspace, numbers: readonly string[]): Promise<Answer> =>
  change(workspace, ({ book }) => {
    const result = reserve(book, workspace.id, numbers, workspace.now());
    return result.ok
      ? { side: { book: result.book }, answer: { ok: true } }
      : { side: null, answer: no(result.message) };
  });

export const dropNumbers = (workspace: Workspace, numbers: readonly string[]): Promise<void> =>
  change(workspace, ({ book }) => ({
    side: { book: drop(book, workspace.id, numbers) },
    answer: undefined,
  }));

/** Buys what is set aside; the answer names each number. */
export const orderNumbers = (workspace: Workspace, numbers: readonly string[]): Promise<Ordered[]> =>
  change(workspace, ({ book }) => {
    const result = order(book, workspace.id, numbers, workspace.now());
    return { side: { book: result.book }, answer: result.results };
  });

/** What the first problem of a form is, beside its field. */
export const firstProblem = (issues: { path: PropertyKey[]; message: string }[]): Answer =>
  no(issues[0]!.message, String(issues[0]!.path[0] ?? ''));

/** Asks for a number to be brought over. The number itself comes into the draft by an edit of its own. */
export async function submitPort(
  workspace: Workspace,
  port: { numberId: string; e164: string; zone: string; standIn: string | null },
  facts: PortFacts,
): Promise<Answer> {
  const read = PortFacts.safeParse(facts);
  if (!read.success) return firstProblem(read.error.issues);
  return change<Answer>(workspace, ({ book, dealings, standing }) => {
    const now = workspace.now();
    if (book.sold.some((s) => s.e164 === port.e164))
      return { side: null, answer: no('This number is with this carrier already.', 'e164') };
    const going = dealings.ports.some(
      (p) => p.e164 === port.e164 && !['cancelled', 'moved'].includes(portStanding(p, now).stage),
    );
    if (going) return { side: null, answer: no('This number is on its way already.', 'e164') };
    const asked: Port = {
      id: nanoid(10),
      ...port,
      attempts: [{ at: now, facts: read.data }],
      cancelledAt: null,
    };
    return {
      side: {
        dealings: { ...dealings, ports: [...dealings.ports, asked] },
        book: { ...book, sold: [...book.sold, { e164: port.e164, businessId: workspace.id }] },
        standing: withArrival(standing, asked),
      },
      answer: { ok: true },
    };
  });
}

const withArrival = (standing: Standing, port: Port): Standing => ({
  ...standing,
  arrivals: { ...standing.arrivals, [port.e164]: arrivalOf(port) },
});

/** Sends a refused request again, put right. */
export async function resendPort(workspace: Workspace, portId: string, facts: PortFacts): Promise<Answer> {
  const read = PortFacts.safeParse(facts);
  if (!read.success) return firstProblem(read.error.issues);
  return changePort(workspace, portId, (port, now) =>
    portStanding(port, now).stage === 'refused'
      ? { ...port, attempts: [...port.attempts, { at: now, facts: read.data }] }
      : no('Only a refused request can be sent again.'),
  );
}

/** Calls a request off, as long as the number has not moved. */
export const cancelPort = (workspace: Workspace, portId: string): Promise<Answer> =>
  changePort(workspace, portId, (port, now) =>
    portStanding(port, now).stage === 'moved'
      ? no('The number has moved already.')
      : { ...port, cancelledAt: now },
  );

function changePort(
  workspace: Workspace,
  portId: string,
  how: (port: Port, now: number) => Port | Answer,
): Promise<Answer> {
  return change<Answer>(workspace, ({ book, dealings, standing }) => {
    const port = dealings.ports.find((p) => p.id === portId);
    if (!port) return { side: null, answer: no('This request is no longer there.') };
    const next = how(port, workspace.now());
    if ('ok' in next) return { side: null, answer: next };
    const cancelled = next.cancelledAt !== null;
    return {
      side: {
        dealings: { ...dealings, ports: dealings.ports.map((p) => (p === port ? next : p)) },
        standing: withArrival(standing, next),
        ...(cancelled ? { book: { ...book, sold: book.sold.filter((s) => s.e164 !== port.e164) } } : {}),
      },
      answer: { ok: true },
    };
  });
}

/** Sends a code to a linked phone. @param random 0 to 1 */
export async function proveByCode(
  workspace: Workspace,
  phone: Phone,
  by: Proof['by'],
  random: number,
): Promise<Answer> {
  if (!phone.number) return no('This phone has no outside number.');
  const fresh = { id: nanoid(10), phoneId: phone.id, number: phone.number, by, code: codeFrom(random) };
  return change<Answer>(workspace, ({ dealings }) => {
    const sent = sendProof(dealings.proofs, fresh, workspace.now());
    return sent.ok
      ? { side: { dealings: { ...dealings, proofs: sent.proofs } }, answer: { ok: true } }
      : { side: null, answer: no(sent.message) };
  });
}

/** Gives back the code that was sent: from then on calls may be sent to the phone. */
export function giveCode(workspace: Workspace, phone: Phone, code: string): Promise<Answer> {
  return change<Answer>(workspace, ({ dealings, standing }) => {
    const now = workspace.now();
    const tried = tryProof(dealings.proofs, phone.id, code, now);
    const used = tried.proofs.findLast((p) => p.phoneId === phone.id);
    const side: Partial<Side> = { dealings: { ...dealings, proofs: tried.proofs } };
    if (!tried.ok || !used) return { side, answer: no(tried.message) };
    if (used.number !== phone.number)
      return { side, answer: no('The number was changed after the code was sent. Send a new one.') };
    const proved = { ...standing.proved, [phone.id]: { number: used.number, at: now } };
    return { side: { ...side, standing: { ...standing, proved } }, answer: { ok: true } };
  });
}

/** Says what callers to a number are told once its giving back is in force. */
export const referCallers = (workspace: Workspace, e164: string, referTo: string | null): Promise<void> =>
  change(workspace, ({ dealings }) => {
    const referrals = { ...dealings.referrals };
    if (referTo) referrals[e164] = referTo;
    else delete referrals[e164];
    return { side: { dealings: { ...dealings, referrals } }, answer: undefined };
  });
