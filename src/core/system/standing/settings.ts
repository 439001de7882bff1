/** Changing settings that hold at once. Each change carries the moment it was made, and never undoes a newer one. */
import { documentSays, overText, withOwn, type OwnField, type OwnValues, type PhoneOwn } from './own';
import type { System } from '../shape/schema';
import type { Shortcut } from '../shape/shortcuts';
import { isNewer, type Stamp } from './stamped';
import type { Standing } from './standing';

/** A change of somebody's settings, as a phone sends it or keeps it until it can. */
export type Setting =
  | { kind: 'person'; personId: string; values: OwnValues }
  | { kind: 'phone'; phoneId: string; values: { [F in keyof PhoneOwn]?: NonNullable<PhoneOwn[F]>['value'] } }
  /** @param until epoch milliseconds, or null until it is switched off */
  | { kind: 'do not disturb'; personId: string; on: boolean; until: number | null }
  | { kind: 'resting'; phoneId: string; on: boolean; until: number | null }
  | { kind: 'blocked'; number: string; on: boolean }
  /** Somebody serves a queue, or does not. */
  | { kind: 'logged in'; queueId: string; personId: string; on: boolean }
  /** Somebody takes no calls of queues for a while, with why; null is that they do again. */
  | { kind: 'paused'; personId: string; reason: string | null }
  /** Credit for calls out is put up, in cents; null is no limit. */
  | { kind: 'credit'; cents: number | null }
  /** Calls to a country that were stopped are allowed again. */
  | { kind: 'allowed again'; country: string }
  /** Somebody's own shortcuts, all of them. */
  | { kind: 'own shortcuts'; personId: string; shortcuts: Shortcut[] }
  /** A word of somebody's own beside what they are doing; empty takes it away. */
  | { kind: 'own word'; personId: string; words: string; until: number | null };

/** What came of a change: settings as they are now, and those somebody had set later. */
export interface Settled {
  standing: Standing;
  /** Newer ones that stayed as they are. */
  stayed: { what: OwnField | keyof PhoneOwn | Setting['kind']; by: string; at: number }[];
}

/**
 * Carries out a change made at `stamp.at` (epoch milliseconds); what was set later than that stays.
 * @param document what is in force, without anybody's own settings
 */
export function settle(standing: Standing, setting: Setting, stamp: Stamp, document: System): Settled {
  const stayed: Settled['stayed'] = [];
  /** The record with an entry of it replaced, unless what is there is newer. */
  const put = <T extends Stamp>(
    record: Record<string, T> | undefined,
    key: string,
    entry: T,
    what: Settled['stayed'][number]['what'],
  ): Record<string, T> => {
    const known = record?.[key];
    if (isNewer(stamp, known)) return { ...record, [key]: entry };
    stayed.push({ what, by: known!.by, at: known!.at });
    return record!;
  };
  const laid = (
    record: Record<string, object>,
    id: string,
    values: object,
    said: (field: string) => unknown,
  ): Record<string, object> => {
    let fields = (record[id] ?? {}) as Record<string, Stamp>;
    for (const [field, value] of Object.entries(values)) {
      const entry = { value: value as unknown, over: overText(said(field)), ...stamp };
      fields = put(fields, field, entry, field as OwnField);
    }
    return { ...record, [id]: fields };
  };
  const own = standing.own ?? { people: {}, phones: {} };
  switch (setting.kind) {
    case 'person': {
      const { personId, values } = setting;
      const person = document.people[personId];
      if (!person) return { standing, stayed };
      const people = laid(own.people, personId, values, (f) => documentSays(person, f as OwnField));
      return { standing: { ...standing, own: { ...own, people: people as typeof own.people } }, stayed };
    }
    case 'phone': {
      const { phoneId, values } = setting;
      const phone = document.phones[phoneId];
      if (!phone) return { standing, stayed };
      const phones = laid(own.phones, phoneId, values, (f) => phone[f as keyof PhoneOwn]);
      return { standing: { ...standing, own: { ...own, phones: phones as typeof own.phones } }, stayed };
    }
    case 'do not disturb': {
      const { on, until } = setting;
      const dnd = put(standing.dnd, setting.personId, { value: on, until, ...stamp }, setting.kind);
      return { standing: { ...standing, dnd }, stayed };
    }
    case 'resting': {
      const { on, until } = setting;
      const resting = put(standing.resting, setting.phoneId, { value: on, until, ...stamp }, setting.kind);
      return { standing: { ...standing, resting }, stayed };
    }
    case 'blocked': {
      const blocked = put(standing.blocked, setting.number, { value: setting.on, ...stamp }, setting.kind);
      return { standing: { ...standing, blocked }, stayed };
    }
    case 'logged in': {
      const { queueId, personId, on } = setting;
      const queue = put(standing.logins[queueId], personId, { value: on, ...stamp }, setting.kind);
      return { standing: { ...standing, logins: { ...standing.logins, [queueId]: queue } }, stayed };
    }
    case 'paused': {
      const pauses = put(
        standing.pauses,
        setting.personId,
        { value: setting.reason, ...stamp },
        setting.kind,
      );
      return { standing: { ...standing, pauses }, stayed };
    }
    case 'credit': {
      const credit = put(
        { ...(standing.credit ? { is: standing.credit } : {}) },
        'is',
        { value: setting.cents, ...stamp },
        setting.kind,
      );
      return { standing: { ...standing, credit: credit['is'] }, stayed };
    }
    case 'allowed again': {
      const allowedAgain = put(
        standing.allowedAgain,
        setting.country,
        { value: true, ...stamp },
        setting.kind,
      );
      return { standing: { ...standing, allowedAgain }, stayed };
    }
    case 'own shortcuts': {
      const value = setting.shortcuts;
      const shortcuts = put(standing.shortcuts, setting.personId, { value, ...stamp }, setting.kind);
      return { standing: { ...standing, shortcuts }, stayed };
    }
    case 'own word': {
      const { words: value, until } = setting;
      const words = put(standing.words, setting.personId, { value, until, ...stamp }, setting.kind);
      return { standing: { ...standing, words }, stayed };
    }
  }
}

/** The change that takes another back: what held before it. @param standing before it was carried out */
export function reverseOf(setting: Setting, standing: Standing, document: System): Setting {
  const set = withOwn(document, standing.own);
  switch (setting.kind) {
    case 'person': {
      const person = set.people[setting.personId]!;
      const values = Object.keys(setting.values).map((f) => [
        f,
        documentSays(person, f as OwnField) ?? USUAL[f as keyof typeof USUAL] ?? null,
      ]);
      return { ...setting, values: Object.fromEntries(values) as OwnValues };
    }
    case 'phone': {
      const phone = set.phones[setting.phoneId]!;
      const values = Object.keys(setting.values).map((f) => [f, phone[f as keyof PhoneOwn] ?? 'caller']);
      return { ...setting, values: Object.fromEntries(values) as typeof setting.values };
    }
    case 'do not disturb': {
      const known = standing.dnd[setting.personId];
      return { ...setting, on: known?.value ?? false, until: known?.until ?? null };
    }
    case 'resting': {
      const known = standing.resting?.[setting.phoneId];
      return { ...setting, on: known?.value ?? false, until: known?.until ?? null };
    }
    case 'blocked':
      return { ...setting, on: standing.blocked?.[setting.number]?.value ?? false };
    case 'logged in':
      return { ...setting, on: standing.logins[setting.queueId]?.[setting.personId]?.value ?? true };
    case 'paused':
      return { ...setting, reason: standing.pauses?.[setting.personId]?.value ?? null };
    case 'credit':
      return { ...setting, cents: standing.credit?.value ?? null };
    case 'allowed again':
      return setting;
    case 'own shortcuts':
      return { ...setting, shortcuts: standing.shortcuts?.[setting.personId]?.value ?? [] };
    case 'own word': {
      const known = standing.words?.[setting.personId];
      return { ...setting, words: known?.value ?? '', until: known?.until ?? null };
    }
  }
}

/** What settings are where nobody has said anything. */
export const USUAL = {
  exceptions: { personIds: [], listIds: [], contacts: false, again: false },
  screening: 'nobody',
  hidden: 'ring',
} as const satisfies Partial<OwnValues>;
