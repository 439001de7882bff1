import type { VoicemailStep } from '../../system';
import type { StepKind } from './kind';

export const voicemail: StepKind<VoicemailStep> = {
  name: 'Voicemail',
  does: 'the caller leaves a message',
  verb: 'voicemail',
  what: (step, system) =>
    (step.mailboxId && system.mailboxes[step.mailboxId]?.name) || 'no mailbox chosen yet',
  detail: (step, system) => {
    const greeting = step.mailboxId && system.mailboxes[step.mailboxId]?.greetingId;
    return greeting ? `greeting “${system.recordings[greeting]?.name}”` : 'the plain greeting';
  },
  seconds: () => 0,
  waysOn: ({ step, next }) => (step.mailboxId ? [] : [next]),
  lacks: (step, { name }) =>
    step.mailboxId
      ? undefined
      : ['no-mailbox', `${name} has voicemail without a mailbox`, 'Choose whose mailbox takes the message.'],
};
