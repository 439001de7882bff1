/** SIP accounts and registered phones of a business: made, signed on, signed out, and put somewhere on the bench. */
import {
  accountId,
  newRegistration,
  REGISTERED_SECONDS,
  type Account,
  type Phone,
  type Registration,
  type Standing,
  type System,
} from '../../core/system';
import type { AccountDetails } from '../../standins/registrar/accounts';
import type { Algorithm } from '../../standins/registrar/digest';
import type { Attempt, Typed } from '../../standins/registrar/deskphone';
import { benchTime } from '../../standins/clock/clock';
import type { Db } from '../stored/db';
import { readRecord } from '../draft';
import { isOutsideOf } from './pair';
import type { Changes } from '../stored/sync';
import { storeStanding } from '../standing';
import { clockOf } from '../view';
import type { Workspace } from '../workspace';

/** An account that is to be made: of a person on a phone. */
export interface AccountWanted {
  phone: Phone;
  personId: string | null;
}

/**
 * Makes accounts, or new passwords for those there are, at once and not through the draft. The password is in what comes
 * back and nowhere else. @param digitMap of the business (RFC 3435) @param random fills bytes
 */
export async function makeAccounts(
  workspace: Workspace,
  wanted: readonly AccountWanted[],
  digitMap: string,
  random: (bytes: Uint8Array<ArrayBuffer>) => Uint8Array,
): Promise<AccountDetails[]> {
  const { newAccount, passwordFrom, PORTS, realmOf, SERVER } =
    await import('../../standins/registrar/accounts');
  const { system, view } = workspace;
  const realm = realmOf(workspace.id);
  const made: Record<string, Account> = {};
  const details = wanted.map(({ phone, personId }): AccountDetails => {
    const id = accountId(phone, personId);
    const owner = system.people[personId ?? ''];
    const user =
      view.standing.accounts[id]?.user ??
      `p${passwordFrom(random(new Uint8Array(96)))
        .toLowerCase()
        .slice(0, 9)}`;
    const password = passwordFrom(random(new Uint8Array(96)));
    made[id] = newAccount(user, realm, password, workspace.now());
    const { transport, codecs } = phone;
    return {
      format: 'upper-line-account',
      version: 1,
      owner: owner?.name ?? phone.name,
      extension: owner?.extension ?? '',
      account: id,
      server: SERVER,
      port: PORTS[transport],
      transport,
      realm,
      user,
      authName: user,
      password,
      expires: REGISTERED_SECONDS,
      codecs: [...codecs],
      digitMap,
    };
  });
  await workspace.changeStanding((s) => ({ ...s, accounts: { ...s.accounts, ...made } }));
  return details;
}

/** Registers a stand-in desk phone with what it was told. @param address network address it is at */
export async function registerDesk(
  db: Db,
  changes: Changes,
  businessId: string,
  typed: Typed,
  device: { knows: readonly Algorithm[]; address: string; cnonce: string },
): Promise<Attempt> {
  const [{ registerPhone }, { register }, { realmOf, SERVER }] = await Promise.all([
    import('../../standins/registrar/deskphone'),
    import('../../standins/registrar/register'),
    import('../../standins/registrar/accounts'),
  ]);
  if (typed.server.trim().toLowerCase() !== SERVER)
    return {
      ok: false,
      said: [],
      words: `Nothing answers at ${typed.server || 'no server'}. Look at the server.`,
      expires: 0,
    };
  const draft = await readRecord(db, businessId);
  if (!draft) return { ok: false, said: [], words: 'This business is not in this browser.', expires: 0 };
  const { system } = draft;
  const outside = await isOutsideOf(system, device.address);
  const registrar = { realm: realmOf(businessId), secret: businessId };
  const attempt = await registerPhone(typed, device.knows, device.cnonce, async (request) => {
    const now = benchTime(await clockOf(db), Date.now());
    let said: ReturnType<typeof register> | undefined;
    await storeStanding(db, businessId, (standing) => {
      const entry = Object.entries(standing.accounts).find(([, a]) => a.user === request.user);
      said = register(registrar, entry?.[1], request, now);
      const { account, response } = said;
      if (!entry || !account) return standing;
      const [id] = entry;
      const phone = phoneOf(system, id);
      if (response.status === 200 && response.expires && phone && outside && !phone.outsideOffice) {
        said.response = {
          ...response,
          status: 403,
          reason: 'Forbidden',
          words: `This phone may be used in the office only, and it is at ${device.address}, outside.`,
          expires: 0,
        };
        return standing;
      }
      const accounts = { ...standing.accounts, [id]: account };
      if (response.status !== 200 || !response.expires) return { ...standing, accounts };
      const was = standing.registrations[id];
      const registration = newRegistration({
        pairedAt: was?.pairedAt ?? now,
        seenAt: now,
        standIn: true,
        outside,
        address: device.address,
        version: 'Stand-in desk phone 2.1',
        conditionSince: now,
        passwordOf: account.madeAt,
      });
      return { ...standing, accounts, registrations: { ...standing.registrations, [id]: registration } };
    });
    return said!.response;
  });
  changes.tell({ businessId, what: 'standing' });
  return attempt;
}

/** The phone an account is on. */
export const phoneOf = (system: System, account: string): Phone | undefined =>
  system.phones[account] ?? system.phones[account.split('--')[0]!];

/** Every account on a phone: its own, and those of its further keys. */
export const accountsOf = (phone: Phone): string[] => [
  phone.id,
  ...phone.keys.map((k) => accountId(phone, k.personId)),
];

/**
 * Phones are signed out once they are neither in what goes in force nor in what was in force before it: until then whoever
 * left can be brought back with their phones as they were.
 */
export function withoutGone(standing: Standing, inForce: System, before: System): Standing {
  const gone = [...Object.keys(standing.registrations), ...Object.keys(standing.accounts)].filter(
    (account) => !phoneOf(inForce, account) && !phoneOf(before, account),
  );
  return gone.length
    ? {
        ...standing,
        registrations: without(standing.registrations, gone),
        accounts: without(standing.accounts, gone),
      }
    : standing;
}

/** Takes phones off: their accounts and registrations end at once. */
export const signOut = (workspace: Workspace, accounts: readonly string[]): Promise<void> =>
  workspace.changeStanding((s) => ({
    ...s,
    registrations: without(s.registrations, accounts),
    accounts: without(s.accounts, accounts),
  }));

const without = <T>(record: Record<string, T>, keys: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => !keys.includes(k)));

/** Where a stand-in phone is and how it is. */
export interface Whereabouts {
  address: string;
  condition: Registration['condition'];
}

/** Puts phones somewhere; a stand-in that comes back into reach signs on anew. */
export async function putPhones(
  workspace: Workspace,
  accounts: readonly string[],
  change: Partial<Whereabouts>,
): Promise<void> {
  const now = workspace.now();
  const outside =
    change.address === undefined ? undefined : await isOutsideOf(workspace.system, change.address);
  await workspace.changeStanding((s: Standing) => {
    const registrations = { ...s.registrations };
    for (const id of accounts) {
      const was = registrations[id];
      if (!was) continue;
      const condition = change.condition ?? was.condition;
      const moved = condition !== was.condition;
      const knows = was.passwordOf === null || s.accounts[id]?.madeAt === was.passwordOf;
      registrations[id] = {
        ...was,
        ...change,
        outside: outside ?? was.outside,
        conditionSince: moved ? now : was.conditionSince,
        // Back in reach it registers again, if its password is still right.
        seenAt: moved && condition === 'in reach' && knows ? now : was.seenAt,
      };
    }
    return { ...s, registrations };
  });
}
