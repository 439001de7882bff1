import type { Asked, Check, Finding, Severity } from './finding';
import { withOwn } from '../system';
import { callerId } from './caller-id';
import { dialling, emergencyAddresses, hiddenByHelp, phonesElsewhere, sites } from './emergency';
import { awayUnreplaced, cutOffWhenDialled, groups, mailboxes, people } from './people';
import { greetings } from './greetings';
import { answers } from './answers';
import { buttons } from './buttons';
import { calendars } from './calendars';
import { dialogues } from './dialogues';
import { followUps } from './follow-ups';
import { phones } from './phones';
import { rooms } from './rooms';
import { recordedForEver } from './recording';
import { forgotten, unwantedNowhere } from './reach';
import { badHours, holidays, rotas } from './hours';
import { outsideUnconfirmed, swallowing } from './outside';
import { deadEnd, idleSteps, numbersThatRingNobody, numbersWithoutPlan, ringLength } from './plans';
import { forwardLoops, keys, loops, promises, queues } from './ways';

export { alike } from './alike';
export type { Asked } from './finding';
export { corrected, type Correction, type Finding, type Place, type Severity } from './finding';

const CHECKS: readonly Check[] = [
  numbersWithoutPlan,
  numbersThatRingNobody,
  deadEnd,
  loops,
  badHours,
  keys,
  queues,
  rotas,
  outsideUnconfirmed,
  forwardLoops,
  promises,
  holidays,
  idleSteps,
  ringLength,
  swallowing,
  people,
  cutOffWhenDialled,
  awayUnreplaced,
  groups,
  phones,
  callerId,
  emergencyAddresses,
  sites,
  phonesElsewhere,
  dialling,
  hiddenByHelp,
  mailboxes,
  greetings,
  forgotten,
  unwantedNowhere,
  recordedForEver,
  followUps,
  dialogues,
  calendars,
  answers,
  buttons,
  rooms,
];
const ORDER: Record<Severity, number> = { stops: 0, warning: 1, hint: 2 };

/** Everything the checks find, the gravest first. */
export const findingsOf = (asked: Asked): Finding[] =>
  CHECKS.flatMap((check) =>
    check({ ...asked, document: asked.system, system: withOwn(asked.system, asked.standing.own) }),
  ).sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
