/** A plan as a script of the Call Processing Language (RFC 3880), as far as that can say it. */
import { branchInWords, stepInWords } from '../../answering';
import { kindsOf } from '../../hours';
import {
  flatTargets,
  listsOf,
  type HoursStep,
  type Plan,
  type RingStep,
  type Step,
  type StepOf,
  type System,
} from '../../system';
import { timesOf } from './times';
import { element, HOST, scriptOf, type Node } from './xml';

export interface CplWritten {
  /** Empty where there is none; `left` says why. */
  xml: string;
  /** What the plan does and the script does not say, in words. */
  left: string[];
}

/** Writes a plan. What several branches go on with is a subaction: the language has no way back from a branch. */
export function writeCpl(plan: Plan, system: System): CplWritten {
  const left = new Set<string>();
  const w = new Writer(system, left, plan.id);
  const incoming = element('incoming', {}, w.steps(plan.steps, []));
  const subactions = w.subactions();
  return written(scriptOf([...subactions, incoming]), [...left]);
}

/** A script that would be too deep is none, and that is said. */
export const written = (xml: string, left: string[]): CplWritten =>
  xml
    ? { xml, left }
    : {
        xml,
        left: ['any of it: so many phones and steps would stand too deep in each other to be read back'],
      };

class Writer {
  private subs = new Map<string, Node[]>();
  /** Plans that are being written: the language has no way back to one of them (RFC 3880 §9: no recursion). */
  private open: string[];
  constructor(
    private system: System,
    private left: Set<string>,
    planId: string,
  ) {
    this.open = [planId];
  }

  /** Subactions stand before what refers to them (RFC 3880 §9). */
  subactions(): Node[] {
    return [...this.subs].map(([id, content]) => element('subaction', { id }, content));
  }

  steps(steps: readonly Step[], after: readonly Step[]): Node[] {
    if (!steps.length) return this.afterwards(after);
    const step = steps[0]!;
    const rest = [...steps.slice(1), ...after];
    return (this.NODES[step.kind] as (step: Step, rest: readonly Step[]) => Node[])(step, rest);
  }

  /** How each kind of step is written. */
  private readonly NODES: { [K in Step['kind']]: (step: StepOf<K>, rest: readonly Step[]) => Node[] } = {
    hours: (step, rest) => [this.hours(step, rest)],
    caller: (step, rest) => this.caller(step, rest),
    ring: (step, rest) => this.ring(step, rest),
    forward: (step, rest) => {
      if (!step.number) return this.steps(rest, []);
      if (step.confirm) this.left.add('taking a call by pressing a key');
      return [
        element('location', { url: `tel:${step.number}` }, [
          element('proxy', { timeout: String(step.seconds) }, this.outputs(rest)),
        ]),
      ];
    },
    voicemail: (step, rest) =>
      step.mailboxId
        ? [element('location', { url: `sip:${step.mailboxId}@voicemail.${HOST}` }, [element('redirect', {})])]
        : this.steps(rest, []),
    end: (step) => {
      if (step.how === 'message') this.left.add(`${this.words(step)}: what is said`);
      return [element('reject', { status: step.how === 'busy' ? 'busy' : 'reject' })];
    },
    goto: (step, rest) => this.goto(step, rest),
    notify: (step, rest) =>
      step.how === 'mail' && step.to
        ? [element('mail', { url: `mailto:${step.to}` }, this.steps(rest, []))]
        : this.unsaid(step, rest),
    play: (step, rest) => this.unsaid(step, rest),
    menu: (step, rest) => this.unsaid(step, rest),
    queue: (step, rest) => this.unsaid(step, rest),
    share: (step, rest) => this.unsaid(step, rest),
    ask: (step, rest) => this.unsaid(step, rest),
    meeting: (step, rest) => this.unsaid(step, rest),
  };

  /** What the language has no words for. */
  private unsaid(step: Step, rest: readonly Step[]): Node[] {
    this.left.add(`${this.words(step)}${listsOf(step).length ? ', with its branches' : ''}`);
    return this.steps(rest, []);
  }
  private words(step: Step): string {
    const { verb, what } = stepInWords(step, this.system);
    return `${verb} ${what}`;
  }

  private goto(step: StepOf<'goto'>, rest: readonly Step[]): Node[] {
    const plan = step.planId ? this.system.plans[step.planId] : undefined;
    if (!plan) return this.steps(rest, []);
    if (this.open.includes(plan.id)) {
      this.left.add(`going back to ${plan.name}: the call ends there`);
      return [element('reject', { status: 'reject' })];
    }
    const ref = idOf(`plan-${plan.id}`);
    if (!this.subs.has(ref)) {
      this.open.push(plan.id);
      const content = this.steps(plan.steps, []);
      this.open.pop();
      this.subs.set(ref, content);
    }
    return [element('sub', { ref })];
  }

  /** What several branches go on with is written once, as a subaction. */
  private afterwards(steps: readonly Step[]): Node[] {
    if (steps.length < 2) return steps.length ? this.steps(steps, []) : [];
    const id = idOf(`after-${steps[0]!.id}`);
    if (!this.subs.has(id)) {
      const content = this.steps(steps, []);
      this.subs.set(id, content);
    }
    return [element('sub', { ref: id })];
  }

  private hours(step: HoursStep, rest: readonly Step[]): Node {
    const hours = step.hoursId ? this.system.hours[step.hoursId] : undefined;
    const zone = hours?.timeZone ?? this.system.business.timeZone;
    if (hours?.exceptions?.length) this.left.add(`the exceptions of ${hours.name}`);
    const times = step.branches.flatMap((branch) => {
      const periods = (hours?.weekly ?? []).filter((p) => p.kind === branch.period);
      if (hours && !periods.length && kindsOf(hours).includes(branch.period))
        this.left.add(`the branch ${branchInWords(step, step.branches.indexOf(branch), this.system)}`);
      return timesOf(periods, () => this.steps(branch.steps, rest));
    });
    return element('time-switch', { tzid: zone }, [
      ...times,
      element('otherwise', {}, this.steps(step.otherwise, rest)),
    ]);
  }

  private caller(step: Extract<Step, { kind: 'caller' }>, rest: readonly Step[]): Node[] {
    const nodes: Node[] = [];
    for (const [i, { test, steps }] of step.branches.entries()) {
      const inside = () => this.steps(steps, rest);
      if (test.is === 'hidden') nodes.push(element('not-present', {}, inside()));
      else if (test.is === 'from')
        nodes.push(element('address', { 'subdomain-of': test.prefix.slice(1) }, inside()));
      else if (test.is === 'listed' || test.is === 'blocked') {
        const numbers = Object.values(this.system.contacts)
          .filter((c) => (test.is === 'blocked' ? c.blocked : c.listIds.includes(test.listId)))
          .flatMap((c) => c.numbers);
        for (const n of numbers) nodes.push(element('address', { is: n.slice(1) }, inside()));
      } else this.left.add(`the branch “${branchInWords(step, i, this.system)}”`);
    }
    return [
      element('address-switch', { field: 'origin', subfield: 'tel' }, [
        ...nodes,
        element('otherwise', {}, this.steps(step.otherwise, rest)),
      ]),
    ];
  }

  private ring(step: RingStep, rest: readonly Step[]): Node[] {
    const urls = flatTargets(step.targets, this.system).flatMap((t) => {
      if (t.kind === 'person') return [`sip:${this.system.people[t.id]?.extension ?? t.id}@${HOST}`];
      if (t.kind === 'phone') return [`sip:${t.id}@${HOST}`];
      if (t.kind === 'outside') return [`tel:${t.id}`];
      this.left.add('ringing whoever looks after the caller');
      return [];
    });
    if (step.targets.some((t) => t.kind === 'rota')) this.left.add('who of a rota is on duty');
    if (!['together', 'in order'].includes(step.pattern)) this.left.add(`the pattern “${step.pattern}”`);
    if (step.askName) this.left.add("asking the caller's name");
    if (step.confirm) this.left.add('taking a call by pressing a key');
    if (!urls.length) return this.steps(rest, []);
    const busy = step.branches?.find((b) => b.way === 'all on calls');
    const nobody = step.branches?.find((b) => b.way === 'nobody could be rung');
    const outputs = [
      ...(busy ? [element('busy', {}, this.steps(busy.steps, rest))] : []),
      ...(nobody ? [element('failure', {}, this.steps(nobody.steps, rest))] : []),
      ...this.outputs(rest),
    ];
    const proxy = element(
      'proxy',
      { timeout: String(step.seconds), ordering: step.pattern === 'together' ? 'parallel' : 'sequential' },
      outputs,
    );
    // Each location is added to the set that the proxy tries (RFC 3880 §5.1).
    return [urls.reduceRight((inner, url) => element('location', { url }, [inner]), proxy)];
  }

  private outputs(rest: readonly Step[]): Node[] {
    const next = this.steps(rest, []);
    return next.length ? [element('default', {}, next)] : [];
  }
}

/** An id as XML has it: it begins with a letter (Namespaces in XML 1.0 §3, NCName). */
const idOf = (name: string): string => (/^[A-Za-z_]/.test(name) ? name : `x-${name}`);
