/** Rounds of texts as they are carried out: what each gets is one of the things done by itself, paused and called off together. */
import { nanoid } from 'nanoid';
import { shifted, type Prepared, type Round } from '../../core/rounds';
import { firstProblem, type Answer } from '../carrier/carrier';
import type { Place } from '../place';
import { ErrandRecord, RoundRecord } from '../stored/records';
import { within } from '../stored/store';

export type RoundStarted = { ok: true; round: RoundRecord } | Extract<Answer, { ok: false }>;

/** Starts one: it and all that it sends are stored together, or nothing is. */
export async function startRound(
  place: Place,
  words: Pick<Round, 'name' | 'from' | 'text' | 'consent'>,
  { lines, goes, leftOut }: Prepared,
): Promise<RoundStarted> {
  const { id: businessId, by } = place;
  const id = nanoid(12);
  const at = place.now();
  const read = RoundRecord.safeParse({
    ...words,
    id,
    businessId,
    at,
    state: 'runs',
    goes,
    leftOut: leftOut.slice(0, 200),
    ...(by ? { by } : {}),
  });
  if (!read.success) return firstProblem(read.error.issues) as Extract<Answer, { ok: false }>;
  const errands = lines.flatMap((line): ErrandRecord[] =>
    line.text === null
      ? []
      : [
          {
            id: `${id} ${line.number}`,
            businessId,
            followUpId: id,
            name: read.data.name,
            about: null,
            other: line.number,
            over: at,
            due: line.due!,
            next: line.due!,
            doing: { do: 'text', from: words.from, to: line.number!, text: line.text },
            lacks: null,
            unlessTalked: false,
            pauseDays: 0,
            quiet: true,
            state: 'waits',
          },
        ],
  );
  if (!errands.length) return { ok: false, message: 'Nobody would get it.', field: 'who' };
  await place.db.write('text', async (open) => {
    const tx = open('rounds', 'errands');
    within(tx.objectStore('rounds').put(read.data));
    for (const errand of errands) within(tx.objectStore('errands').put(errand));
    await tx.done;
  });
  await place.changedOnes('rounds', [id]);
  await place.changedOnes('errands');
  return { ok: true, round: read.data };
}

/** Pauses it, lets it go on or calls off what has not gone; what went stays. @returns whether it was done */
export async function changeRound(place: Place, id: string, to: Round['state']): Promise<boolean> {
  const { id: businessId } = place;
  const now = place.now();
  const done = await place.db.write('text', async (open) => {
    const tx = open('rounds', 'errands');
    const round = RoundRecord.safeParse(await tx.objectStore('rounds').get(id)).data;
    if (!round || round.state === to || round.state === 'called off') return false;
    within(tx.objectStore('rounds').put({ ...round, state: to }));
    const range = IDBKeyRange.bound(`${id} `, `${id} \uffff`);
    const waiting = (await tx.objectStore('errands').getAll(range))
      .flatMap((raw) => ErrandRecord.safeParse(raw).data ?? [])
      .filter((e) => e.businessId === businessId && e.state === 'waits')
      .sort((a, b) => a.due - b.due);
    const dues = shifted(
      waiting.map((e) => e.due),
      now,
    );
    for (const [i, errand] of waiting.entries()) {
      const { next: _, ...rest } = errand;
      const changed: ErrandRecord =
        to === 'runs'
          ? { ...rest, due: dues[i]!, next: dues[i]! }
          : to === 'pauses'
            ? { ...rest, why: 'The round pauses.' }
            : { ...rest, state: 'withdrawn', at: now, why: 'The round was called off.' };
      within(tx.objectStore('errands').put(changed));
    }
    await tx.done;
    return true;
  });
  await place.changedOnes('rounds', [id]);
  await place.changedOnes('errands');
  return done;
}
