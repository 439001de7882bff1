/** How far the work of the business that is shown is, with what this browser remembers of it. */
import { workOf, WORK, type Entry, type Task } from '$core/begin';
import { keeping } from '../data/keeping.svelte';
import { theBusiness } from '../window/session.svelte';

const keyOf = (id: string, what: 'aside' | 'rehearsed'): string => `upper-line:begin:${what}:${id}`;
/** Raised when something is remembered, so that what is drawn from it is drawn anew. */
let remembered = $state(0);

function asideOf(id: string): Task[] {
  void remembered;
  try {
    const read: unknown = JSON.parse(localStorage.getItem(keyOf(id, 'aside')) ?? '[]');
    return Array.isArray(read) ? WORK.filter((task) => read.includes(task)) : [];
  } catch {
    return [];
  }
}
function remember(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // Without room it is asked again another time.
  }
  remembered++;
}

/** Says that a task is not for this business, or is after all. */
export function layAside(task: Task, aside: boolean): void {
  const { id } = theBusiness();
  const others = asideOf(id).filter((t) => t !== task);
  remember(keyOf(id, 'aside'), JSON.stringify(aside ? [...others, task] : others));
}
/** Notes that a call was rehearsed. */
export function noteRehearsed(): void {
  const key = keyOf(theBusiness().id, 'rehearsed');
  if (localStorage.getItem(key) === null) remember(key, 'yes');
}

/** The work as it stands. Reactive. */
export function workHere(): Entry[] {
  const business = theBusiness();
  const { system, standing, view, id } = business;
  void remembered;
  return workOf({
    system,
    standing,
    findings: business.checks.findings,
    answered: Object.values(view.inForce.system.numbers).filter((n) => n.planId).length,
    waiting: business.waiting,
    invited: new Set(view.invitations.map((i) => i.to)),
    calls: view.calls.filter((c) => c.request.from.kind === 'outside').length,
    rehearsed:
      Object.keys(system.promises).length > 0 || localStorage.getItem(keyOf(id, 'rehearsed')) !== null,
    copied: !!keeping.place?.at && !keeping.due,
    today: business.today,
    aside: new Set(asideOf(id)),
  });
}
