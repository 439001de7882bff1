<script lang="ts">
  import type { Finding } from '$core/findings';
  import { page } from '$app/state';
  import { isLinked } from '$core/system';
  import { count } from '../format';
  import { theBusiness } from '../window/session.svelte';

  interface Stop {
    path: string;
    name: string;
    note: string;
    usable: boolean;
    warn?: boolean;
  }

  const stops: Stop[] = $derived.by(() => {
    const { system, view, standing } = theBusiness();
    const { findings } = theBusiness().checks;
    if (!system || !view || !standing) return [];
    if (!theBusiness().may('see the system'))
      return [
        { path: `/people/${theBusiness().actor}`, name: 'Your page', note: '', usable: true },
        { path: '/people/directory', name: 'Directory', note: '', usable: true },
        { path: '/figures', name: 'Figures', note: '', usable: true },
      ];
    const wrong = (kinds: string[]) =>
      findings.filter((f) => f.severity !== 'hint' && kinds.includes(f.place.kind)).length;
    const size = (items: Record<string, unknown>) => Object.keys(items).length;
    const fresh = view.messages.filter((m) => !m.heard && !m.folder).length;
    const unpaired = Object.values(system.phones).filter(
      (p) => !isLinked(p) && !standing.registrations[p.id],
    ).length;
    const barred = wrongPhones(findings);
    const openTasks = view.tasks.filter((t) => t.doneAt === undefined).length;
    const noted = (path: string, name: string, n: number, note: string, kinds: string[]): Stop => {
      const bad = wrong(kinds);
      return { path, name, usable: n > 0, note: bad ? `${bad} to fix` : note, warn: bad > 0 };
    };
    return [
      { path: '/', name: 'Overview', note: '', usable: true },
      noted('/numbers', 'Numbers', size(system.numbers), `${size(system.numbers)} held`, [
        'number',
        'site',
        'dialling',
      ]),
      noted('/hours', 'Hours', size(system.hours), count(size(system.hours), 'set'), ['hours', 'rota']),
      noted('/answering', 'Answering', size(system.plans), count(size(system.plans), 'plan'), [
        'plan',
        'queue',
        'own answer',
        'meeting room',
      ]),
      noted('/people', 'People', size(system.people), count(size(system.people), 'person', 'people'), [
        'person',
        'group',
      ]),
      {
        path: '/phones',
        name: 'Phones',
        usable: size(system.phones) > unpaired,
        note: unpaired
          ? `${unpaired} unpaired`
          : barred
            ? `${barred} to fix`
            : count(size(system.phones), 'phone'),
        warn: unpaired + barred > 0,
      },
      {
        path: '/messages',
        name: 'Messages',
        usable: size(system.mailboxes) > 0,
        note: fresh ? `${fresh} new` : count(size(system.mailboxes), 'mailbox', 'mailboxes'),
      },
      noted(
        '/by-itself',
        'By itself',
        size(system.followUps),
        openTasks ? count(openTasks, 'task') : count(size(system.followUps), 'follow-up'),
        ['follow-up', 'dialogue', 'calendar', 'call button'],
      ),
      { path: '/figures', name: 'Figures', note: '', usable: view.calls.length > 0 },
    ];
  });
  const wrongPhones = (findings: Finding[]) =>
    new Set(findings.flatMap((f) => (f.place.kind === 'phone' && f.severity !== 'hint' ? f.place.id : [])))
      .size;
  const here = (path: string) =>
    path === '/'
      ? page.url.pathname === '/'
      : page.url.pathname === path || page.url.pathname.startsWith(`${path}/`);
</script>

<nav aria-label="The way of the work" class:few={stops.length < 4}>
  {#each stops as stop (stop.path)}
    <a
      href={stop.path}
      class:done={stop.usable}
      class:warn={stop.warn}
      aria-current={here(stop.path) ? 'page' : undefined}
    >
      <i aria-hidden="true"></i>{stop.name}<small>{stop.note || ' '}</small>
    </a>
  {/each}
</nav>

<style>
  nav {
    position: relative;
    display: flex;
    justify-content: space-between;
    width: 100%;
    max-width: 690px;
    margin-top: 2px;
  }
  nav::before {
    content: '';
    position: absolute;
    left: 42px;
    right: 42px;
    top: 9px;
    height: 2px;
    background: var(--copper);
  }
  nav.few {
    max-width: 220px;
  }
  a {
    position: relative;
    text-align: center;
    color: var(--ink);
    text-decoration: none;
    font-size: var(--text-body);
    width: 86px;
  }
  i {
    display: block;
    width: 16px;
    height: 16px;
    margin: 2px auto 6px;
    border-radius: 50%;
    background: var(--sheet);
    border: 2px solid var(--copper);
  }
  .done i {
    background: var(--copper);
  }
  [aria-current] {
    font-weight: 700;
  }
  [aria-current] i {
    outline: 3px solid var(--copper-wash);
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-weight: 400;
    font-size: var(--text-small);
  }
  .warn small {
    color: var(--alarm);
  }
  :global(:root[data-bench]) a {
    width: auto;
    font-size: var(--text-small);
  }
  :global(:root[data-bench]) small {
    display: none;
  }
  @media (max-width: 1180px) {
    a {
      width: auto;
      font-size: var(--text-small);
      white-space: nowrap;
    }
    small {
      font-size: var(--text-tiny);
    }
    nav::before {
      left: 26px;
      right: 22px;
    }
  }
</style>
