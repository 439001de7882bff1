/** Plans in plain words. */
import { periodInWords } from '../hours/words';
import { writeNumber } from '../numbering/numbers';
import { targetName } from '../system/groups';
import type { CallerTest, MenuKey, Plan, Step } from '../system/plans';
import type { Pattern } from '../system/people';
import type { System } from '../system/schema';
import { listsOf } from '../system/steps';

const list = (names: string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** How several are rung, in words that follow their names. */
export const PATTERN_WORDS: Record<Pattern, string> = {
  together: 'all together',
  'in order': 'one after the other',
  'in turn': 'in turn',
  'longest idle': 'whoever has been idle longest first',
  'fewest calls': 'whoever took fewest calls today first',
  'by weight': 'by chance with weights',
};

/** Names of those a ring step rings, in order. */
export const ringNames = (step: Extract<Step, { kind: 'ring' }>, system: System): string[] =>
  step.targets.map((t) => targetName(t, system));

/** One step as a line: a verb in front, then what it does, without what comes after. */
export function stepInWords(step: Step, system: System): { verb: string; what: string } {
  const recording = (id: string | null | undefined, none: string): string => {
    const found = id ? system.recordings[id] : undefined;
    return found ? `“${found.name}”` : none;
  };
  switch (step.kind) {
    case 'play':
      return { verb: 'Play', what: recording(step.recordingId, 'nothing yet') };
    case 'hours':
      return {
        verb: 'By hours',
        what: (step.hoursId && system.hours[step.hoursId]?.name) || 'no hours chosen yet',
      };
    case 'caller':
      return { verb: 'By caller', what: step.branches.length ? 'who it is' : 'nothing asked yet' };
    case 'menu': {
      const keys = step.branches.map((b) => b.key).filter((k) => k.length === 1);
      const what = keys.length ? `keys ${list(keys)}` : 'no keys yet';
      return { verb: 'Menu', what: `${recording(step.recordingId, 'without words')}, ${what}` };
    }
    case 'ring': {
      const names = ringNames(step, system);
      if (!names.length) return { verb: 'Ring', what: 'nobody yet' };
      const several = names.length > 1 || step.targets[0]!.kind === 'group';
      const how = several ? `, ${PATTERN_WORDS[step.pattern]}` : '';
      const each = several && step.pattern !== 'together' ? ' each' : '';
      return { verb: 'Ring', what: `${list(names)}${how}, ${step.seconds} s${each}` };
    }
    case 'queue': {
      const queue = step.queueId ? system.queues[step.queueId] : undefined;
      return {
        verb: 'Queue',
        what: queue ? `${queue.name}, at most ${minutes(queue.longestWait)}` : 'no queue chosen yet',
      };
    }
    case 'share':
      return {
        verb: 'Share out',
        what: step.branches.length < 2 ? 'to nowhere yet' : step.how === 'in turn' ? 'in turn' : 'by shares',
      };
    case 'ask':
      return { verb: 'Ask', what: list(step.questions.map((q) => q.label)) || 'nothing yet' };
    case 'voicemail':
      return {
        verb: 'Voicemail',
        what: (step.mailboxId && system.mailboxes[step.mailboxId]?.name) || 'no mailbox chosen yet',
      };
    case 'forward':
      return {
        verb: 'Forward out',
        what: step.number
          ? `to ${writeNumber(step.number, system.business.country)}, ${step.seconds} s`
          : 'to no number yet',
      };
    case 'goto':
      return {
        verb: 'Go to plan',
        what: (step.planId && system.plans[step.planId]?.name) || 'no plan chosen yet',
      };
    case 'notify':
      return { verb: 'Notify', what: NOTIFY_WORDS[step.how](step.to) };
    case 'end':
      return {
        verb: 'End',
        what: {
          busy: 'with busy tone',
          plain: 'the call',
          message: `with ${recording(step.recordingId, 'nothing said yet')}`,
        }[step.how],
      };
  }
}

const NOTIFY_WORDS: Record<Extract<Step, { kind: 'notify' }>['how'], (to: string) => string> = {
  mail: (to) => `by mail to ${to || 'nobody yet'}`,
  text: () => 'the caller by text message',
  hook: (to) => `the web address ${to || 'not given yet'}`,
  note: () => 'whoever answers, with a note',
};

const minutes = (seconds: number): string =>
  seconds < 120 ? `${seconds} s` : `${Math.round(seconds / 6) / 10} min`;

/** What opens a branch of a step, in words. @param branch counts from 0; -1 is otherwise */
export function branchInWords(step: Step, branch: number, system: System): string {
  if (branch < 0) return 'Otherwise';
  switch (step.kind) {
    case 'hours': {
      const { period } = step.branches[branch]!;
      const hours = step.hoursId ? system.hours[step.hoursId] : undefined;
      return hours ? `${period} · ${periodInWords(hours, period)}` : period;
    }
    case 'caller':
      return testInWords(step.branches[branch]!.test, system);
    case 'menu':
      return keyInWords(step.branches[branch]!.key);
    case 'ring':
    case 'queue': {
      const { way } = step.branches![branch]!;
      return way[0]!.toUpperCase() + way.slice(1);
    }
    case 'share':
      return step.how === 'in turn' ? `Turn ${branch + 1}` : `${step.branches[branch]!.share} % of calls`;
    default:
      return '';
  }
}

const keyInWords = (key: MenuKey): string =>
  key === 'wrong' ? 'Wrong key' : key === 'none' ? 'No key' : `Key ${key}`;

/** Who is meant by a test of the caller, in words. */
export function testInWords(test: CallerTest, system: System): string {
  switch (test.is) {
    case 'listed':
      return `On the list ${system.lists[test.listId]?.name ?? 'since removed'}`;
    case 'known':
      return 'A contact';
    case 'from':
      return `From ${test.prefix}…`;
    case 'hidden':
      return 'Number hidden';
    case 'suspected':
      return 'Suspected spam';
    case 'blocked':
      return 'Blocked';
  }
}

/** A list of steps as one sentence: "Plays “Welcome”, then rings Rosa 18 s, then voicemail Rosa." */
export function planInWords(plan: Plan, system: System): string {
  if (!plan.steps.length) return 'Nothing yet: a caller is cut off.';
  const sentence = stepsInWords(plan.steps, system);
  return sentence[0]!.toUpperCase() + sentence.slice(1) + '.';
}

/** The third person of each verb, for sentences. */
const VERBS: Record<Step['kind'], string> = {
  play: 'plays',
  hours: 'by',
  caller: 'by',
  menu: 'menu',
  ring: 'rings',
  queue: 'queue',
  share: 'shares out',
  ask: 'asks',
  voicemail: 'voicemail',
  forward: 'forwards',
  goto: 'goes to the plan',
  notify: 'notifies',
  end: 'ends',
};

function stepsInWords(steps: readonly Step[], system: System): string {
  return steps
    .map((step) => {
      const { what } = stepInWords(step, system);
      const says = `${VERBS[step.kind]} ${what}`;
      const branches = listsOf(step).flatMap(([branch, inside]) => {
        if (branch === -1 && !inside.length) return [];
        const opens = openingWords(step, branch, system);
        return [`${opens}: ${stepsInWords(inside, system) || 'goes on'}`];
      });
      return branches.length ? `${says} (${branches.join('; ')})` : says;
    })
    .join(', then ');
}

function openingWords(step: Step, branch: number, system: System): string {
  if (branch === -1) return 'otherwise';
  if (step.kind === 'hours') return `when ${step.branches[branch]!.period}`;
  const words = branchInWords(step, branch, system);
  return words[0]!.toLowerCase() + words.slice(1);
}

/** A plan said line by line, branches indented: to be read out, or pasted into a mail. */
export function explainPlan(plan: Plan, system: System): string {
  const lines: string[] = [`${plan.name}`, ''];
  const numbers = Object.values(system.numbers).filter((n) => n.planId === plan.id);
  if (numbers.length)
    lines.splice(
      1,
      0,
      `Answers ${list(numbers.map((n) => `${n.label}, ${writeNumber(n.e164, system.business.country)}`))}.`,
    );
  const say = (steps: readonly Step[], indent: string) => {
    for (const [i, step] of steps.entries()) {
      const { verb, what } = stepInWords(step, system);
      lines.push(`${indent}${i + 1}. ${verb} ${what}.${step.note ? ` (${step.note})` : ''}`);
      const says = 'recordingId' in step && step.recordingId ? system.recordings[step.recordingId]?.text : '';
      if (says) lines.push(`${indent}   It says: ${says}`);
      for (const [branch, inside] of listsOf(step)) {
        if (branch === -1 && !inside.length) continue;
        const opens = branchInWords(step, branch, system);
        lines.push(`${indent}   ${opens}:${inside.length ? '' : ' goes on.'}`);
        say(inside, `${indent}      `);
      }
    }
  };
  say(plan.steps, '');
  if (!plan.steps.length) lines.push('Nothing yet: a caller is cut off.');
  else lines.push('', 'A branch that runs out goes on with the step after the one it belongs to.');
  return lines.join('\n');
}
