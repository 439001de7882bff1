/** Beginning as a kind of business: the commands of one edit, and a system to look at before it is made. */
import { Maker, withTrialNumber } from '../answering';
import { ExtensionProposer, joiningCommands } from '../people';
import { applyEdit, civicAddress, newPlan, newSite, type Command, type Edit, type System } from '../system';
import { readAnswers, type Answers, type Named } from './answers';
import type { Kind, Made } from './kinds';

export interface At {
  /** ISO date. */
  today: string;
  freshId: (kind: string) => string;
}
export type Begun =
  | {
      ok: true;
      edit: Edit;
      /** What would be, with a stand-in number where the business holds none. */
      system: System;
      /** The number that callers reach it by, in `system`. */
      numberId: string;
      /** Whether the business holds that number. */
      holds: boolean;
      planId: string;
    }
  | { ok: false; problems: Record<string, string> };

/** A name that no plan has yet. */
function freeName(system: System, wanted: string): string {
  const taken = new Set(Object.values(system.plans).map((p) => p.name));
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted} ${n}`;
    if (!taken.has(name)) return name;
  }
}

/**
 * Works out what a business that begins so would be.
 * @param numberId the number that is answered so; null is one that is to be got yet
 */
export function beginAs(
  kind: Kind,
  answers: Answers,
  system: System,
  numberId: string | null,
  { today, freshId }: At,
): Begun {
  const asked = readAnswers(kind.questions, answers, system);
  if (!asked.ok) return asked;
  const { read } = asked;
  const before: Command[] = [];
  const sites = Object.fromEntries(
    Object.keys(kind.sites ?? {}).map((question) => {
      const name = read.words[question]!;
      const known = Object.values(system.sites).find((s) => s.name.toLowerCase() === name.toLowerCase());
      if (known) return [question, known.id];
      const id = freshId('site');
      const { country, timeZone } = system.business;
      before.push({
        do: 'site.add',
        value: newSite({ id, name, timeZone, address: civicAddress({ country }) }),
      });
      return [question, id];
    }),
  );
  const proposer = new ExtensionProposer(system, 'next free');
  const added = new Map<string, string>();
  const problems: Record<string, string> = {};
  const idOf = (question: string, who: Named): string[] => {
    if (who.id) return [who.id];
    const known = added.get(who.name.toLowerCase());
    if (known) return [known];
    const extension = proposer.propose(null, '');
    if (!extension) {
      problems[question] = 'There is no free extension left: give extensions more digits first.';
      return [];
    }
    const id = freshId('person');
    const siteOf = Object.entries(kind.sites ?? {}).find(([, people]) => people === question)?.[0];
    const siteId = siteOf
      ? sites[siteOf]!
      : Object.keys(system.sites).length === 1
        ? Object.keys(system.sites)[0]!
        : null;
    proposer.take(extension, who.name);
    added.set(who.name.toLowerCase(), id);
    before.push(
      ...joiningCommands(id, { what: 'person', name: who.name, email: '', extension, siteId }, freshId),
    );
    return [id];
  };
  const people = Object.fromEntries(
    Object.entries(read.people).map(([question, all]) => [
      question,
      all.flatMap((who) => idOf(question, who)),
    ]),
  );
  if (Object.keys(problems).length) return { ok: false, problems };
  const plan = newPlan({ id: freshId('plan'), name: freeName(system, 'Main line') });
  before.push({ do: 'plan.add', value: plan });
  const words = `Begin as “${kind.name}”`;
  const half = applyEdit(system, { words, commands: before });
  if (!half.ok) return { ok: false, problems: { [kind.questions[0]!.id]: half.problems[0]!.message } };

  const maker = new Maker(half.system, plan, freshId);
  const made: Made = {
    people,
    times: read.times,
    words: read.words,
    businessName: system.business.name,
    today,
  };
  const commands = [...before, ...maker.done(kind.steps(made, maker))];
  if (numberId) commands.push({ do: 'number.set', id: numberId, change: { planId: plan.id } });
  const edit: Edit = { words, commands };
  const whole = applyEdit(system, edit);
  if (!whole.ok) return { ok: false, problems: { [kind.questions[0]!.id]: whole.problems[0]!.message } };
  if (numberId) return { ok: true, edit, system: whole.system, numberId, holds: true, planId: plan.id };
  const trial = withTrialNumber(whole.system, plan.id, 'Your number');
  return { ok: true, edit, system: trial.system, numberId: trial.number.id, holds: false, planId: plan.id };
}
