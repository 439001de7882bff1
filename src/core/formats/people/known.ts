/** Who and what is there already, made ready to be asked about for every row of a list. */
import { directNumbersOf } from '../../people';
import { isLinked, type NumberHeld, type Person, type Phone, type System } from '../../system';

export const lower = (text: string): string => text.toLowerCase();
const byLowerName = <T extends { name: string }>(items: Record<string, T>): Map<string, T> =>
  new Map(Object.values(items).map((i) => [lower(i.name), i]));

export class Known {
  readonly byEmail = new Map<string, Person>();
  readonly byExtension = new Map<string, Person>();
  readonly byName = new Map<string, Person[]>();
  readonly sites;
  readonly hours;
  readonly groups;
  readonly numbers = new Map<string, NumberHeld>();
  readonly linked = new Map<string, string | null>();
  readonly direct;
  readonly phonesOf = new Map<string, Phone[]>();
  readonly groupsWith = new Map<string, Set<string>>();

  constructor(system: System) {
    this.sites = byLowerName(system.sites);
    this.hours = byLowerName(system.hours);
    this.groups = byLowerName(system.groups);
    this.direct = directNumbersOf(system);
    for (const p of Object.values(system.people)) {
      if (p.email) this.byEmail.set(lower(p.email), p);
      this.byExtension.set(p.extension, p);
      this.byName.set(lower(p.name), [...(this.byName.get(lower(p.name)) ?? []), p]);
    }
    for (const n of Object.values(system.numbers)) this.numbers.set(n.e164, n);
    for (const x of Object.values(system.phones)) {
      if (isLinked(x)) this.linked.set(x.number, x.personId);
      if (x.personId) this.phonesOf.set(x.personId, [...(this.phonesOf.get(x.personId) ?? []), x]);
    }
    for (const g of Object.values(system.groups))
      for (const m of g.members)
        if (m.kind === 'person')
          this.groupsWith.set(m.id, (this.groupsWith.get(m.id) ?? new Set()).add(g.id));
  }

  /** Somebody by their address, else by their extension together with the name, else by the whole name. */
  find(
    name: string,
    email: string | undefined,
    extension: string | undefined,
  ): Person | 'several' | undefined {
    const byEmail = email ? this.byEmail.get(lower(email)) : undefined;
    if (byEmail) return byEmail;
    const same = this.byName.get(lower(name)) ?? [];
    const byExtension = extension ? this.byExtension.get(extension) : undefined;
    if (
      byExtension &&
      (!name || same.includes(byExtension) || (email && lower(byExtension.email) === lower(email)))
    )
      return byExtension;
    // Another address is another person of the same name.
    const likely = email ? same.filter((p) => !p.email) : same;
    return likely.length > 1 ? 'several' : likely[0];
  }
}
