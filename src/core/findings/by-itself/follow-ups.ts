/** Checks of follow-ups: those that can never apply, that cannot do what they are to, or do it twice, and those that failed. */
import { ifInWords, wrongFields } from '../../followups';
import { profileOf } from '../../numbering';
import { allSteps, type FollowIf, type FollowUp, type System } from '../../system';
import type { Check, Finding, Severity } from '../finding';

const finding = (of: FollowUp, what: string, severity: Severity, title: string, detail: string): Finding => ({
  id: `follow-up:${what}:${of.id}`,
  severity,
  place: { kind: 'follow-up', id: of.id },
  title,
  detail,
});

/** Why it can never apply, in words; undefined where it can. */
function neverApplies({ when, if: conditions }: FollowUp, system: System): string | undefined {
  const callLess = when.is === 'number moved' || when.is === 'not paired';
  for (const condition of conditions) {
    const words = ifInWords(condition, system);
    if (callLess) return `There is no call of which it could be so that ${words}.`;
    if (contradicts(condition, when)) return `It can never be that ${words}, where it waits for that.`;
    if (isUnset(condition, system)) return `A condition is not chosen, or its step is gone: ${words}.`;
  }
  const both = conditions.find((a) => conditions.some((b) => excludes(a, b)));
  return both && `Two of its conditions exclude each other; one of them is that ${ifInWords(both, system)}.`;
}

function contradicts(condition: FollowIf, when: FollowUp['when']): boolean {
  if (when.is === 'text')
    return ['step', 'length', 'end', 'tagged'].includes(condition.is) && !isNot(condition);
  if (condition.is === 'end')
    return when.is === 'missed'
      ? condition.how === 'answered'
      : when.is === 'talked'
        ? condition.how !== 'answered'
        : when.is === 'message' && condition.how === 'gave up';
  return when.is === 'missed' && condition.is === 'length' && condition.longer;
}
/** What is so of everything that is no call. */
const isNot = (condition: FollowIf): boolean =>
  (condition.is === 'tagged' && !condition.has) || (condition.is === 'length' && !condition.longer);

function isUnset(condition: FollowIf, system: System): boolean {
  switch (condition.is) {
    case 'hours':
      return condition.hoursId === null;
    case 'listed':
      return condition.listId === null;
    case 'number':
      return condition.numberIds.length === 0;
    case 'step':
      return !Object.values(system.plans).some((p) =>
        [...allSteps(p.steps)].some((s) => s.id === condition.step),
      );
    case 'contact':
    case 'length':
    case 'end':
    case 'tagged':
      return false;
  }
}

function excludes(a: FollowIf, b: FollowIf): boolean {
  if (a === b) return false;
  if (a.is === 'number' && b.is === 'number') return !a.numberIds.some((id) => b.numberIds.includes(id));
  if (a.is === 'hours' && b.is === 'hours') return a.hoursId === b.hoursId && a.open !== b.open;
  if (a.is === 'contact' && b.is === 'contact') return a.known !== b.known;
  if (a.is === 'contact' && b.is === 'listed') return !a.known;
  if (a.is === 'end' && b.is === 'end') return a.how !== b.how;
  if (a.is === 'tagged' && b.is === 'tagged') return a.tag === b.tag && a.has !== b.has;
  if (a.is === 'length' && b.is === 'length') return a.longer && !b.longer && a.seconds >= b.seconds;
  return false;
}

/** What it does to somebody outside, to tell whether two do the same. */
const reaches = ({ when, then }: FollowUp): string[] =>
  then.flatMap((t) => (t.do === 'text' ? `${JSON.stringify(when)} ${t.text}` : []));

export const followUps: Check = ({ system, troubled = {} }) => {
  const all = Object.values(system.followUps).filter((f) => !f.rests);
  return all.flatMap((one): Finding[] => {
    const found: Finding[] = [];
    const never = neverApplies(one, system);
    if (never) found.push(finding(one, 'never', 'warning', `${one.name} can never apply`, never));
    for (const [i, then] of one.then.entries()) {
      const texts = then.do === 'text' || then.do === 'task' || then.do === 'note' ? [then.text] : [];
      if (then.do === 'mail') texts.push(then.subject, then.text);
      const wrong = texts.flatMap(wrongFields);
      if (wrong.length)
        found.push(
          finding(
            one,
            `fields-${i}`,
            'warning',
            `${one.name} has a field that there is none of: {${wrong[0]}}`,
            'It would not be done: nothing is known for it.',
          ),
        );
      if (then.do === 'list' && !then.callList)
        found.push(
          finding(
            one,
            `list-${i}`,
            'warning',
            `${one.name} puts them on no call list`,
            'Choose which: until then it does nothing.',
          ),
        );
      if (then.do === 'mail' && then.to.is === 'person' && !system.people[then.to.personId ?? '']?.email)
        found.push(
          finding(
            one,
            `nobody-${i}`,
            'warning',
            `${one.name} mails nobody`,
            'Choose somebody who has an e-mail address.',
          ),
        );
      if (then.do === 'ask' && !then.dialogueId)
        found.push(
          finding(one, `dialogue-${i}`, 'warning', `${one.name} begins no dialogue`, 'Choose which one.'),
        );
      if (then.do !== 'text') continue;
      const from = then.numberId ? system.numbers[then.numberId] : undefined;
      if (from && !profileOf(from.country).textable.includes(from.kind))
        found.push(
          finding(
            one,
            `texts-${i}`,
            'warning',
            `${one.name} texts from a number that carries no texts`,
            `${from.label} takes calls only.`,
          ),
        );
      if (one.when.is === 'talked' && one.when.way !== 'in')
        found.push(
          finding(
            one,
            `consent-${i}`,
            'hint',
            `${one.name} texts people whom you called`,
            'They did not come to you: have their consent to be texted (47 CFR 64.1200, from memory; no advice).',
          ),
        );
      if (one.when.is === 'number moved' || one.when.is === 'not paired')
        found.push(
          finding(
            one,
            `whom-${i}`,
            'warning',
            `${one.name} texts nobody`,
            'There is no caller to be texted.',
          ),
        );
    }
    const twin = all.find(
      (other) => other.id > one.id && reaches(other).some((r) => reaches(one).includes(r)),
    );
    if (twin)
      found.push(
        finding(
          one,
          'twice',
          'warning',
          `${one.name} and ${twin.name} send the same`,
          'One of the two leaves for a call, the other is kept back: one of them is too many.',
        ),
      );
    const trouble = troubled[one.id];
    if (trouble)
      found.push(
        finding(
          one,
          'failed',
          'warning',
          `${one.name} failed ${trouble.n === 1 ? 'once' : `${trouble.n} times`} in the last week`,
          `The last time: ${trouble.why}`,
        ),
      );
    return found;
  });
};
