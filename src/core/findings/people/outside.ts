/** Checks of phones and numbers outside, whose own voicemail can take a call: the business never hears of the caller. */
import { readingOf } from '../../answering';
import { writeNumber } from '../../numbering';
import { allSteps, isLinked, type Step } from '../../system';
import type { Check, Finding } from '../finding';
import { phonesRung } from '../steps';

/** Outside numbers that are taken by lifting: their own voicemail can take the call. */
export const outsideUnconfirmed: Check = ({ system }) =>
  Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)].flatMap((step): Finding[] => {
      const to = readingOf(step).liftedBy?.(step);
      if (!to) return [];
      return [
        {
          id: `unconfirmed:${step.id}`,
          severity: 'warning',
          place: { kind: 'plan', id: plan.id, stepId: step.id },
          title: `${writeNumber(to, system.business.country)} can swallow calls to ${plan.name}`,
          detail: 'If its own voicemail answers, the business never hears of the caller.',
          fix: {
            label: 'Ask for a key press',
            edit: {
              words: `Calls to ${writeNumber(to, system.business.country)} are taken by pressing 1`,
              commands: [{ do: 'step.set', planId: plan.id, step: { ...step, confirm: true } as Step }],
            },
          },
        },
      ];
    }),
  );

/** A linked phone whose own voicemail would take the call before the ringing ends. */
export const swallowing: Check = ({ system, document }) =>
  Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)].flatMap((step): Finding[] => {
      if (step.kind !== 'ring') return [];
      return phonesRung(step, system).flatMap((phone): Finding[] =>
        isLinked(phone) &&
        !phone.confirmByKey &&
        !step.confirm &&
        !step.askName &&
        phone.ownVoicemailAfter !== null &&
        phone.ownVoicemailAfter < step.seconds
          ? [
              {
                id: `swallowed:${step.id}:${phone.id}`,
                severity: 'warning',
                place: { kind: 'plan', id: plan.id, stepId: step.id },
                title: `${phone.name} can swallow calls to ${plan.name}`,
                detail: `Its own voicemail answers after ${phone.ownVoicemailAfter} s, and the business never hears of the caller.`,
                ...(document.phones[phone.id]?.confirmByKey === false
                  ? {
                      fix: {
                        label: 'Ask for a key press',
                        edit: {
                          words: `Calls to ${phone.name} are taken by pressing 1`,
                          commands: [{ do: 'phone.set', id: phone.id, change: { confirmByKey: true } }],
                        },
                      },
                    }
                  : {}),
              },
            ]
          : [],
      );
    }),
  );
