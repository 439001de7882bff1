import type { NotifyStep } from '../../system';
import { goesOn, type StepKind } from './kind';

const WORDS: Record<NotifyStep['how'], (to: string) => string> = {
  mail: (to) => `by mail to ${to || 'nobody yet'}`,
  text: () => 'the caller by text message',
  hook: (to) => `the web address ${to || 'not given yet'}`,
  note: () => 'whoever answers, with a note',
};

export const notify: StepKind<NotifyStep> = {
  name: 'Notify',
  does: 'by mail, text, web hook or note',
  verb: 'notifies',
  what: (step) => WORDS[step.how](step.to),
  seconds: () => 0,
  waysOn: goesOn,
  lacks: (step, { name }) =>
    step.to || step.how === 'text' || step.how === 'note'
      ? undefined
      : ['no-address', `${name} notifies nobody`, 'Type the address it goes to.'],
};
