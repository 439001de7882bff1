/** The second line of a step on the sheet: what it says, and how. */
import { recordingSeconds } from '$core/answering';
import { profileOf, ringsIn } from '$core/numbering';
import type { Step, System } from '$core/system';
import { count } from '../format';

const seconds = (s: number): string => `${Math.round(s * 10) / 10} s`;

export function detailOf(step: Step, system: System): string {
  switch (step.kind) {
    case 'play':
      return said(step.recordingId, system) || 'Write what the caller is to hear.';
    case 'menu':
      return said(step.recordingId, system) || 'Write what the caller is to choose from.';
    case 'ring': {
      if (!step.targets.length) return 'Choose who is rung.';
      const rings = count(ringsIn(step.seconds, profileOf(system.business.country).ringback), 'ring');
      return [
        rings,
        step.ringBusy ? 'those on a call as well' : 'skips anyone on a call',
        step.askName ? 'asks the name first' : '',
        step.confirm ? 'taken by pressing 1' : '',
      ]
        .filter(Boolean)
        .join(' · ');
    }
    case 'queue': {
      const queue = step.queueId ? system.queues[step.queueId] : undefined;
      return queue
        ? `${count(queue.memberIds.length, 'person', 'people')} · ${count(queue.limit, 'caller')} may wait`
        : 'Choose a queue.';
    }
    case 'ask':
      return step.answers.length ? `${count(step.answers.length, 'simple answer')} given by itself` : '';
    case 'voicemail': {
      const greeting = step.mailboxId && system.mailboxes[step.mailboxId]?.greetingId;
      return greeting ? `greeting “${system.recordings[greeting]?.name}”` : 'the plain greeting';
    }
    case 'forward':
      return step.confirm ? 'taken by pressing 1' : 'its own voicemail can take the call';
    default:
      return '';
  }
}

function said(id: string | null, system: System): string {
  const recording = id ? system.recordings[id] : undefined;
  const length = recordingSeconds(recording);
  return recording && length ? `${seconds(length)} · ${recording.text || 'no words beside it'}` : '';
}
