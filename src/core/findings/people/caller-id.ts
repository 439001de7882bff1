/** Checks of what the other side sees of calls that people make. */
import { numberShownBy, worldOf } from '../../calls';
import { isLinked } from '../../system';
import type { Check } from '../finding';

/** Everybody who can call out may show some number: a hidden one is often not taken. */
export const callerId: Check = ({ system }) =>
  Object.keys(system.numbers).length === 0
    ? []
    : Object.values(system.people)
        .filter((p) =>
          worldOf(system)
            .phonesOf.get(p.id)
            ?.some((phone) => !isLinked(phone)),
        )
        .filter((p) => !numberShownBy(system, p.id))
        .map((p) => ({
          id: `shows-nothing:${p.id}`,
          severity: 'warning',
          place: { kind: 'person', id: p.id },
          title: `${p.name} may show no number on calls`,
          detail: 'Whoever they call sees a hidden number, and many do not take such calls.',
        }));
