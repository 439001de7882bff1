import type { Asked, Check, Finding, Severity } from './finding';
import { withOwn } from '../system';
import { callerId } from './people/caller-id';
import { dialling, emergencyAddresses, hiddenByHelp, phonesElsewhere, sites } from './people/emergency';
import { awayUnreplaced, cutOffWhenDialled, groups, mailboxes, people } from './people/people';
import { greetings } from './answering/greetings';
import { answers } from './by-itself/answers';
import { buttons } from './by-itself/buttons';
import { calendars } from './by-itself/calendars';
import { dialogues } from './by-itself/dialogues';
import { followUps } from './by-itself/follow-ups';
import { phones } from './people/phones';
import { rooms } from './answering/rooms';
import { recordedForEver } from './people/recording';
import { forgotten, unwantedNowhere } from './people/reach';
import { badHours, holidays, rotas } from './answering/hours';
import { outsideUnconfirmed, swallowing } from './people/outside';
import { deadEnd, idleSteps, numbersThatRingNobody, numbersWithoutPlan, ringLength } from './answering/plans';
import { forwardLoops, keys, loops, promises, queues } from './answering/ways';

export { alike } from './answering/alike';
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
