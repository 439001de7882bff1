import { profileOf, ringsIn } from '../../numbering';
import { flatTargets, targetName, type Pattern, type RingStep, type System } from '../../system';
import { capital, count, list, type StepKind } from './kind';

/** How several are rung, in words that follow their names. */
export const PATTERN_WORDS: Record<Pattern, string> = {
  together: 'all together',
  'in order': 'one after the other',
  'in turn': 'in turn',
  'longest idle': 'whoever has been idle longest first',
  'fewest calls': 'whoever took fewest calls today first',
  'by weight': 'by chance with weights',
};

/** Seconds a caller takes to be asked for a name and to say it. Common practice, no source. */
export const NAME_SECONDS = 6;
/** Before anybody rings: the name, where it is asked. */
const nameFirst = ({ askName }: RingStep): number => (askName ? NAME_SECONDS : 0);

/** Names of those a ring step rings, in order. */
export const ringNames = (step: RingStep, system: System): string[] =>
  step.targets.map((t) => targetName(t, system));

export const ring: StepKind<RingStep> = {
  name: 'Ring',
  does: 'people, groups, whoever is on duty',
  verb: 'rings',
  what: (step, system) => {
    const names = ringNames(step, system);
    if (!names.length) return 'nobody yet';
    const several = names.length > 1 || step.targets[0]!.kind === 'group';
    const how = several ? `, ${PATTERN_WORDS[step.pattern]}` : '';
    const each = several && step.pattern !== 'together' ? ' each' : '';
    return `${list(names)}${how}, ${step.seconds} s${each}`;
  },
  detail: (step, { business }) =>
    step.targets.length
      ? [
          count(ringsIn(step.seconds, profileOf(business.country).ringback), 'ring'),
          step.ringBusy ? 'those on a call as well' : 'skips anyone on a call',
          step.askName ? `asks the name first, ${NAME_SECONDS} s` : '',
          step.confirm ? 'taken by pressing 1' : '',
        ]
          .filter(Boolean)
          .join(' · ')
      : 'Choose who is rung.',
  opens: (step, branch) => capital(step.branches![branch]!.way),
  // Counted with its whole time, as if somebody could be rung.
  seconds: (step, system) =>
    nameFirst(step) +
    (step.pattern === 'together' ? step.seconds : step.seconds * flatTargets(step.targets, system).length),
  secondsToBranch: nameFirst,
  waysOn: ({ branches, next }) => [...branches, next],
  onward: 'nobody answered',
  lacks: (step, { name }, system) =>
    flatTargets(step.targets, system).length || step.targets.some((t) => t.kind === 'owner')
      ? undefined
      : ['nobody', `${name} rings nobody`, 'Choose who is rung, or remove the step.'],
  rings: (step) => step.targets,
  asks: ({ askName }) => (askName ? [{ label: 'Name', help: '' }] : []),
  liftedBy: ({ confirm, askName, targets }) =>
    confirm || askName ? undefined : targets.find((t) => t.kind === 'outside')?.id,
};
