/** How somebody is reached, as a script of the Call Processing Language (RFC 3880), written and read. */
import {
  accountsOn,
  USUAL,
  USUAL_RING_SECONDS,
  zoneOf,
  type ForwardTarget,
  type OwnValues,
  type Person,
  type Reach,
  type System,
} from '../../system';
import { readElements, type Element } from './elements';
import { otherTimes, quietOf, quietTimes } from './quiet';
import { telOf, unescaped } from './addresses';
import { notWeekly, timesOf, weeklyOf } from './times';
import { element, HOST, scriptOf, type Node } from './xml';
import { written, type CplWritten } from './write';

const VOICEMAIL = `voicemail.${HOST}`;

/** Writes how somebody is reached. @param person as set */
export function writeReachCpl(person: Person, system: System): CplWritten {
  const left: string[] = [];
  const { reach } = person;
  const own = person.mailboxId;
  const send = (target: ForwardTarget | null): Node[] => {
    const url = target ? urlOf(target, system) : own ? `sip:${own}@${VOICEMAIL}` : null;
    return url ? [element('location', { url }, [element('redirect', {})])] : [];
  };
  const output = (name: string, target: ForwardTarget | null): Node[] => {
    const content = send(target);
    return content.length ? [element(name, {}, content)] : [];
  };
  const ring = (steps: Reach['steps']): Node[] => {
    const [first, ...rest] = steps;
    if (!first) return send(reach.onUnreachable);
    const after = rest.length
      ? [element('default', {}, ring(rest))]
      : [
          ...output('busy', reach.onBusy),
          ...output('noanswer', reach.onNotAnswered),
          ...output('failure', reach.onUnreachable),
        ];
    const proxy = element('proxy', { timeout: String(first.seconds), ordering: 'parallel' }, after);
    const urls = first.phoneIds?.map((id) => `sip:${id}@${HOST}`) ?? [`sip:${person.extension}@${HOST}`];
    return [urls.reduceRight((inner, url) => element('location', { url }, [inner]), proxy)];
  };
  const { quiet } = person;
  const times = quiet && !reach.always ? timesOf(quietTimes(quiet), () => send(reach.onUnreachable)) : [];
  const rung = ring(reach.steps);
  const usual = reach.always
    ? send(reach.always)
    : times.length
      ? [element('time-switch', { tzid: zoneOf(person, system) }, [...times, element('otherwise', {}, rung)])]
      : rung;
  const content =
    person.hidden && person.hidden !== 'ring'
      ? [
          element('address-switch', { field: 'origin' }, [
            element(
              'not-present',
              {},
              person.hidden === 'refused' ? [element('reject', { status: 'reject' })] : send(null),
            ),
            element('otherwise', {}, usual),
          ]),
        ]
      : usual;
  if (reach.always && reach.steps.length) left.push('what rings once calls are no longer forwarded');
  if (reach.always && reach.alwaysUntil != null) left.push('until when all calls are forwarded');
  if (!reach.always && (reach.onDeclined || reach.onUndisturbed))
    left.push('where calls go that are declined, or come while not to be disturbed');
  if (quiet && reach.always) left.push('quiet hours');
  if (quiet?.phoneIds && !reach.always) left.push('that only one phone has quiet hours');
  const { personIds, listIds, contacts, again } = { ...USUAL.exceptions, ...person.exceptions };
  if (quiet && (personIds.length || listIds.length || contacts || again))
    left.push('who gets through in quiet hours');
  if (person.screening && person.screening !== 'nobody') left.push('saying a name first');
  return written(scriptOf([element('incoming', {}, content)]), left);
}

function urlOf(target: ForwardTarget, system: System): string | null {
  switch (target.to) {
    case 'outside':
      return `tel:${target.number}`;
    case 'mailbox':
      return `sip:${target.mailboxId}@${VOICEMAIL}`;
    case 'person': {
      const extension = system.people[target.personId]?.extension;
      return extension ? `sip:${extension}@${HOST}` : null;
    }
    case 'group': {
      const extension = system.groups[target.groupId]?.extension;
      return `sip:${extension ?? target.groupId}@${HOST}`;
    }
  }
}

export type ReachRead =
  | {
      ok: true;
      values: OwnValues;
      /** What the script says and cannot be taken over, in words. */
      left: string[];
    }
  | { ok: false; message: string };

/** Reads how somebody is reached from a script for calls that come in. @param person whose it is to be */
export function readReachCpl(xml: string, person: Person, system: System): ReachRead {
  const read = readElements(xml);
  if (!read.ok) return read;
  const cpl = read.root.find((e) => e.name === 'cpl');
  if (!cpl) return { ok: false, message: 'This is no CPL script: its root is not cpl.' };
  const incoming = cpl.children.find((e) => e.name === 'incoming');
  if (!incoming) return { ok: false, message: 'The script says nothing of calls that come in.' };
  const subs = new Map(
    cpl.children.flatMap((e) => (e.name === 'subaction' && e.attributes.id ? [[e.attributes.id, e]] : [])),
  );
  const reader = new Reader(person, system, subs);
  for (const other of cpl.children)
    if (other !== incoming && other.name !== 'subaction') reader.left.add(`<${other.name}>`);
  try {
    reader.read(incoming);
  } catch (error) {
    // Nothing is nested so deep that it cannot be followed, unless somebody made it so.
    if (error instanceof RangeError)
      return { ok: false, message: 'This script is nested too deep to be followed.' };
    throw error;
  }
  return { ok: true, values: reader.values(), left: [...reader.left] };
}

type Time = Parameters<typeof quietOf>[0][number];
type End = 'onBusy' | 'onNotAnswered' | 'onUnreachable';
const OUTPUTS: Record<string, readonly End[]> = {
  busy: ['onBusy'],
  noanswer: ['onNotAnswered'],
  failure: ['onUnreachable'],
  redirection: [],
  default: ['onBusy', 'onNotAnswered', 'onUnreachable'],
};

class Reader {
  readonly left = new Set<string>();
  private reach: Reach = { always: null, steps: [], onBusy: null, onNotAnswered: null, onUnreachable: null };
  private hidden: OwnValues['hidden'] = 'ring';
  private quiet: OwnValues['quiet'];
  private steps = 0;

  constructor(
    private person: Person,
    private system: System,
    private subs: Map<string, Element>,
  ) {}

  values(): OwnValues {
    return {
      ...this.reach,
      ...(this.hidden === 'ring' ? {} : { hidden: this.hidden }),
      ...(this.quiet === undefined ? {} : { quiet: this.quiet }),
    };
  }

  read(node: Element): void {
    this.follow(node.children, [], null);
  }

  /** @param urls the locations so far @param ends what this way is the end of; null is a call that comes in */
  private follow(children: readonly Element[], urls: string[], ends: readonly End[] | null): void {
    // A script that refers to itself has no end (RFC 3880 §9 forbids it).
    if (++this.steps > 2000)
      return void this.left.add('what comes after 2,000 steps: does it refer to itself?');
    const [node, ...more] = children;
    for (const other of more)
      this.left.add(`<${other.name}> beside <${node!.name}>: one thing follows another`);
    if (!node) return;
    switch (node.name) {
      case 'location': {
        if (node.attributes.priority && Number(node.attributes.priority) !== 1)
          this.left.add(`the priority ${node.attributes.priority} of ${node.attributes.url}`);
        const kept = node.attributes.clear === 'yes' ? [] : urls;
        return this.follow(node.children, [...kept, node.attributes.url ?? ''], ends);
      }
      case 'remove-location': {
        const url = node.attributes.location ?? node.attributes.url;
        const kept = url === undefined ? [] : urls.filter((u) => u !== url);
        return this.follow(node.children, kept, ends);
      }
      case 'sub': {
        const sub = this.subs.get(node.attributes.ref ?? '');
        if (!sub) this.left.add(`the subaction “${node.attributes.ref ?? ''}”: it is not there`);
        return this.follow(sub?.children ?? [], urls, ends);
      }
      case 'redirect': {
        if (urls.length > 1) this.left.add(`all but the first of ${urls.length} places calls are sent to`);
        const target = this.target(urls[0] ?? '');
        if (ends === null) this.reach.always = target ?? null;
        else for (const end of ends) this.reach[end] ??= target ?? null;
        return;
      }
      case 'proxy':
        return this.proxy(node, urls, ends);
      case 'address-switch': {
        const none = node.children.find((c) => c.name === 'not-present');
        if (none) {
          const [way] = none.children;
          this.hidden = way?.name === 'reject' ? 'refused' : 'mailbox';
          if (way && way.name !== 'reject' && !this.isMailbox(way))
            this.left.add('what hidden callers get: the mailbox is taken');
        }
        if (node.attributes.field && node.attributes.field !== 'origin')
          this.left.add(`what is told apart by ${node.attributes.field}`);
        if (node.children.some((c) => c.name === 'address')) this.left.add('what is told apart by caller');
        return this.follow(node.children.find((c) => c.name === 'otherwise')?.children ?? [], urls, ends);
      }
      case 'mail':
      case 'log':
        this.left.add(`<${node.name}>`);
        return this.follow(node.children, urls, ends);
      case 'time-switch':
        if (ends === null) return this.times(node, urls);
        this.left.add('times after the phones have rung');
        return this.follow(node.children.find((c) => c.name === 'otherwise')?.children ?? [], urls, ends);
      case 'lookup': {
        this.left.add(
          `lookup of ${node.attributes.source ?? 'locations'}: the phones of the person are rung`,
        );
        for (const c of node.children)
          if (c.name !== 'success' && c.children.length)
            this.left.add(`what happens when a lookup ends in “${c.name}”`);
        return this.follow(node.children.find((c) => c.name === 'success')?.children ?? [], urls, ends);
      }
      case 'reject':
        this.left.add('refusing calls');
        return;
      default:
        this.left.add(`<${node.name}>`);
        return this.follow(node.children.find((c) => c.name === 'otherwise')?.children ?? [], urls, ends);
    }
  }

  /** Times at which the phones do not ring are quiet hours. */
  private times(node: Element, urls: string[]): void {
    const rings = (branch: Element) => this.nextRing(branch);
    const branches = node.children.filter((c) => c.name === 'time');
    const otherwise = node.children.find((c) => c.name === 'otherwise');
    // Where a script does not say what happens, the phones ring: the language's default behaviour, from memory.
    const isRung = otherwise === undefined || rings(otherwise);
    // The first that fits is taken (RFC 3880 §4.4): what an earlier one has is not the later one's.
    const elsewise: Time[] = [];
    const taken: Time[] = [];
    for (const branch of branches) {
      const times = weeklyOf(branch.attributes, '');
      if (!times)
        this.left.add(
          `a time from ${branch.attributes.dtstart ?? 'nowhere'}, and what happens then: ${notWeekly(branch.attributes)}`,
        );
      const free = (times ?? []).filter(
        (t) => !taken.some((k) => k.day === t.day && k.from < t.to && t.from < k.to),
      );
      taken.push(...free);
      if (rings(branch) !== isRung) elsewise.push(...free);
    }
    const silent = isRung ? elsewise : otherTimes(elsewise);
    const quiet = quietOf(silent);
    if (quiet) this.quiet = silent.length ? quiet : null;
    else this.left.add('times that are not the same every day, or whole days');
    const zone = node.attributes.tzid ?? '';
    const own = zoneOf(this.person, this.system);
    if (zone && zone !== own) this.left.add(`the time zone ${zone}: taken as ${own}`);
    const ways = [...branches, ...(otherwise ? [otherwise] : [])];
    const rung = ways.find((w) => rings(w));
    if (rung) this.follow(rung.children, urls, null);
    else if (isRung) this.reach.steps.push({ phoneIds: null, seconds: USUAL_RING_SECONDS });
    const other = ways.find((w) => !rings(w));
    if (other) this.follow(other.children, urls, ['onUnreachable']);
  }

  private proxy(node: Element, urls: string[], ends: readonly End[] | null): void {
    const [url = ''] = urls;
    const target = ends === null ? this.phones(urls) : this.target(url);
    const seconds = Math.min(600, Math.max(1, Math.round(Number(node.attributes.timeout ?? 20)) || 20));
    if (ends !== null && !this.isOwn(urls)) {
      const to = target && 'to' in target ? target : null;
      for (const end of ends) this.reach[end] ??= to;
      return;
    }
    const phoneIds = target && 'phoneIds' in target ? target.phoneIds : null;
    if (node.attributes.ordering && node.attributes.ordering !== 'parallel' && urls.length > 1)
      this.left.add(
        `ringing ${node.attributes.ordering === 'sequential' ? 'one after the other' : 'only the first'} of several: they ring together`,
      );
    if (node.attributes.recurse === 'no') this.left.add('that calls are not sent on by the phones');
    if (node.children.some((c) => c.name === 'redirection' && c.children.length))
      this.left.add('what happens when a phone sends the call elsewhere');
    if (Number(node.attributes.timeout) > 600)
      this.left.add(`ringing for ${node.attributes.timeout} s: 600 at most`);
    if (this.reach.steps.length < 10) this.reach.steps.push({ phoneIds, seconds });
    else this.left.add('more than ten ways of ringing, one after the other');
    const named = new Set<End>();
    for (const output of node.children) {
      const own = (OUTPUTS[output.name] ?? []).filter((e) => output.name !== 'default' || !named.has(e));
      for (const e of own) named.add(e);
      // Another proxy of their own phones is the next that rings; anything else is an end.
      const next = this.nextRing(output);
      if (next) this.follow(output.children, [], null);
      else this.follow(output.children, [], own);
    }
  }

  /** Whether an output rings phones of theirs again. */
  private nextRing(output: Element): boolean {
    const urls: string[] = [];
    let [node] = output.children;
    for (let i = 0; node && i < 20; i++) {
      if (node.name === 'sub') [node] = this.subs.get(node.attributes.ref ?? '')?.children ?? [];
      else if (node.name === 'location') {
        urls.push(node.attributes.url ?? '');
        [node] = node.children;
      } else return node.name === 'proxy' && this.isOwn(urls);
    }
    return false;
  }

  private phone(id: string) {
    const { phones } = this.system;
    return Object.hasOwn(phones, id) ? phones[id] : undefined;
  }
  private isMailbox(way: Element): boolean {
    return way.name === 'location' && /@voicemail\./i.test(way.attributes.url ?? '');
  }

  private isOwn(urls: readonly string[]): boolean {
    return urls.every((url) => {
      const user = userOf(url);
      const phone = user ? this.phone(user) : undefined;
      return user === this.person.extension || (phone && accountsOn(phone).includes(this.person.id));
    });
  }

  /** The phones that locations name: some of theirs, or all. */
  private phones(urls: readonly string[]): { phoneIds: string[] | null } {
    const ids = urls.flatMap((url) => {
      const user = userOf(url);
      const phone = user ? this.phone(user) : undefined;
      return phone && accountsOn(phone).includes(this.person.id) ? [phone.id] : [];
    });
    if (ids.length) return { phoneIds: ids };
    for (const url of urls)
      if (userOf(url) !== this.person.extension) this.left.add(`${url}: taken as all of their phones`);
    return { phoneIds: null };
  }

  private target(url: string): ForwardTarget | undefined {
    const { people, groups, mailboxes } = this.system;
    const number = telOf(url, this.system.business.country);
    if (number) return { to: 'outside', number };
    const user = userOf(url) ?? '';
    const person = Object.values(people).find((p) => p.extension === user);
    if (person) return person.id === this.person.id ? undefined : { to: 'person', personId: person.id };
    const group = Object.values(groups).find((g) => user && (g.extension === user || g.id === user));
    if (group) return { to: 'group', groupId: group.id };
    if (Object.hasOwn(mailboxes, user))
      return user === this.person.mailboxId ? undefined : { to: 'mailbox', mailboxId: user };
    if (/@voicemail\./i.test(url)) return undefined;
    this.left.add(`${url.slice(0, 120) || 'an empty address'}: nobody here has it`);
    return undefined;
  }
}

/** The user of a SIP address: “203” of “sip:203@pbx.example”. */
const userOf = (url: string): string | undefined => {
  const user = /^sips?:([^@;?]+)@/i.exec(url.trim())?.[1];
  return user && unescaped(user);
};
