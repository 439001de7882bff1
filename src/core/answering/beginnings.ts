/** Starting points for plans: common needs, each as the commands of one edit, to be changed afterwards like any other. */
import { newRota, type Command, type Plan, type Step, type System } from '../system';
import { Maker } from './maker';

export interface Beginning {
  id: string;
  name: string;
  /** What it does, and for whom it is. */
  says: string;
  /** What it needs that the business does not have; empty where it can begin. */
  lacks: (system: System) => string;
  make: (system: System, plan: Plan, at: { today: string; freshId: (kind: string) => string }) => Command[];
}

const staff = (system: System): string[] =>
  Object.values(system.people)
    .filter((p) => p.role !== 'shared room')
    .map((p) => p.id);
const needsPeople = (n: number) => (system: System) =>
  staff(system).length >= n ? '' : n === 1 ? 'a person' : `${n} people`;

export const BEGINNINGS: readonly Beginning[] = [
  {
    id: 'one-person',
    name: 'One person',
    says: 'Rings one person on all their phones, then takes a message for them.',
    lacks: needsPeople(1),
    make: (system, plan, { freshId }) => {
      const m = new Maker(system, plan, freshId);
      const [who] = staff(system);
      return m.done([m.ring([who!]), m.voicemail([who!])]);
    },
  },
  {
    id: 'small-office',
    name: 'Small office',
    says: 'Greets, rings everybody in the office in opening hours, and takes a message at all other times.',
    lacks: needsPeople(1),
    make: (system, plan, { freshId }) => {
      const m = new Maker(system, plan, freshId);
      const people = staff(system).slice(0, 4);
      const welcome = m.play('Welcome', `Thank you for calling ${system.business.name}. One moment, please.`);
      return m.done([
        {
          id: m.id(),
          kind: 'hours',
          hoursId: m.hours(false),
          branches: [{ period: 'Open', steps: [welcome, m.ring(people)] }],
          otherwise: [m.play('Closed', 'We are closed now. Please leave a message.')],
        },
        m.voicemail(people),
      ]);
    },
  },
  {
    id: 'office-with-menu',
    name: 'Office with a menu',
    says: 'Callers choose by key who they want; extensions can be dialled and names spelt; whoever presses nothing gets the office.',
    lacks: needsPeople(2),
    make: (system, plan, { freshId }) => {
      const m = new Maker(system, plan, freshId);
      const people = staff(system);
      const [first, second] = people as [string, string];
      const words = `Thank you for calling ${system.business.name}. For the office press 1. For the workshop press 4. If you know the extension, dial it; to spell a name press 9.`;
      return m.done([
        {
          id: m.id(),
          kind: 'menu',
          recordingId: m.recording('Menu', words),
          seconds: 6,
          tries: 2,
          dialExtension: true,
          nameKey: '9',
          branches: [
            { key: '1', steps: [m.ring([first])] },
            { key: '4', steps: [m.ring([second])] },
          ],
          otherwise: [m.ring(people.slice(0, 4))],
        },
        m.voicemail([first]),
      ]);
    },
  },
  {
    id: 'shop-with-saturday',
    name: 'Shop with a Saturday',
    says: 'Weekdays ring everybody; Saturdays a smaller crew; otherwise callers hear when you are open and leave a message.',
    lacks: needsPeople(1),
    make: (system, plan, { freshId }) => {
      const m = new Maker(system, plan, freshId);
      const people = staff(system).slice(0, 4);
      return m.done([
        {
          id: m.id(),
          kind: 'hours',
          hoursId: m.hours(true),
          branches: [
            { period: 'Open', steps: [m.ring(people)] },
            { period: 'Saturday', steps: [m.ring(people.slice(0, 2))] },
          ],
          otherwise: [
            m.play(
              'When we are open',
              'We are closed now. We open on weekdays at eight, and on Saturdays at nine.',
            ),
          ],
        },
        m.voicemail(people),
      ]);
    },
  },
  {
    id: 'on-call',
    name: 'On-call rota',
    says: 'Rings whoever is on duty; when they do not answer, everybody in turn; then a message. A rota of weekly turns is made.',
    lacks: needsPeople(2),
    make: (system, plan, { today, freshId }) => {
      const m = new Maker(system, plan, freshId);
      const people = staff(system).slice(0, 4);
      let rotaId = Object.keys(system.rotas)[0];
      if (!rotaId) {
        rotaId = freshId('rota');
        m.commands.push({
          do: 'rota.add',
          value: newRota({ id: rotaId, name: plan.name, from: today, turns: people }),
        });
      }
      const duty: Step = {
        ...(m.ring([], 24) as Extract<Step, { kind: 'ring' }>),
        targets: [{ kind: 'rota', id: rotaId }],
      };
      const others: Step = { ...(m.ring(people, 15) as Extract<Step, { kind: 'ring' }>), pattern: 'in turn' };
      return m.done([duty, others, m.voicemail(people)]);
    },
  },
  {
    id: 'two-sites',
    name: 'Two sites',
    says: 'Rings the people of one site; when nobody there answers, or none can be rung, those of the other; then a message.',
    lacks: (system) => (Object.keys(system.sites).length > 1 ? needsPeople(2)(system) : 'a second site'),
    make: (system, plan, { freshId }) => {
      const m = new Maker(system, plan, freshId);
      const at = (site: string) =>
        staff(system)
          .filter((id) => system.people[id]!.siteId === site)
          .slice(0, 5);
      const groups = Object.keys(system.sites)
        .map(at)
        .filter((people) => people.length);
      return m.done([...groups.slice(0, 2).map((people) => m.ring(people)), m.voicemail(groups[0] ?? [])]);
    },
  },
];
