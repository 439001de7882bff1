import type { VoicemailStep } from '../../../system';
import { voicemail as toMailbox } from '../../mailbox/voicemail';
import type { Walk } from './kind';

export const voicemail: Walk<VoicemailStep> = (run, call, { step, next }) => {
  if (step.mailboxId && run.world(call).system.mailboxes[step.mailboxId])
    return void toMailbox(run, call, step.mailboxId, step.occasion);
  run.say(call, { t: 0, kind: 'no mailbox', stepId: step.id });
  return next;
};
