/** Finding people, numbers, plans, and things to do, by the words people have for them. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { find } from './find';
import { fromLink } from '../rehearse/question';
import { ALL_ROOMS } from '../frame/rooms';
import { thingsToDo } from './things-to-do';

const { system } = demonstration(Date.UTC(2026, 10, 24, 18, 15)).draft;

describe('find', () => {
  const titles = (query: string) => find(system, query).hits.map((h) => h.title);
  it('knows numbers in any format, extensions, names and plans', () => {
    expect(titles('(360) 555-0171')).toEqual(['(360) 555-0171']);
    expect(titles('+13605550171')).toEqual(['(360) 555-0171']);
    expect(titles('0171')).toEqual(['(360) 555-0171']);
    expect(titles('207')).toEqual(['Noor Haddad']);
    expect(titles('lindq')).toEqual(['Pia Lindqvist', 'Pia Lindqvist']);
    expect(titles('office h')).toEqual(['Office hours']);
  });
  it('says what each thing is and leads to it, plans and queues by extension too', () => {
    expect(find(system, 'night').hits.map((h) => `${h.title} (${h.note})`)).toEqual([
      '(360) 555-0160 (Night watch)',
      'Night watch (plan)',
      'Night watch (rota)',
      'Who calls at night hears of the night watch (promise)',
    ]);
    const first = (query: string) => find(system, query).hits[0];
    expect(first('310')).toMatchObject({
      title: 'Front desk',
      doing: { href: '/answering/queues#front-queue' },
    });
    expect(first('300')).toMatchObject({ note: 'plan, extension 300' });
    expect(first('harrow')).toMatchObject({
      note: 'contact',
      doing: { href: expect.stringMatching(/^\/answering\/callers#./) },
    });
    expect(first('rotas')).toEqual({ title: 'Rotas', note: 'go there', doing: { href: '/hours/rotas' } });
  });
  it('finds nothing for nothing', () => {
    expect(titles('  ')).toEqual([]);
    expect(titles('<b>')).toEqual([]);
  });
  it('shows twelve at most, and says how many more there are', () => {
    const { hits, more } = find(system, 'a');
    expect(hits).toHaveLength(12);
    expect(more).toBeGreaterThan(10);
  });
});

describe('what is done', () => {
  const done = (query: string) => thingsToDo(system, query).map((t) => t.title);
  // Words people use for it, and what they want by them.
  it.each([
    ['add a person', 'Add a person'],
    ['new employee', 'Add a person'],
    ['time zone', 'Name, time zone and clock of the business'],
    ['close now', 'Close now until…'],
    ['holiday', 'Holidays and days off'],
    ['block', 'Block a number'],
    ['spam', 'Block a number'],
    ['PIN', 'PIN of a mailbox'],
    ['port', 'Bring a number over'],
    ['emergency', 'Emergency addresses'],
    ['how do I undo', 'Undo the last change'],
    ['backup', 'Where your data is'],
    ['forward', 'Forward calls of somebody'],
    ['forward rosa', 'Forward calls of Rosa Delgado'],
    ['rosa forward calls', 'Forward calls of Rosa Delgado'],
    ['pia is sick', 'Pia Lindqvist is away'],
    ['call the main line as', 'Rehearse a call to Main line'],
  ])('%s: %s', (query, title) => {
    expect(done(query)).toContain(title);
  });
  it('nothing by a letter, or by words that are for nothing', () => {
    expect(done('b')).toEqual([]);
    expect(done('zebra')).toEqual([]);
    expect(done('forward zebra')).toEqual([]);
  });
  it('leads to a rehearsal of that number, and to a page that is there', () => {
    const [call] = thingsToDo(system, 'rehearse charters');
    const { href } = call!.doing as { href: string };
    const link = new URL(href, 'https://upper.example');
    expect(fromLink(link.searchParams.get('ask'))).toMatchObject({ numberId: 'n-charters', at: null });
    const pages = thingsToDo(system, 'new').flatMap((t) => ('href' in t.doing ? t.doing.href : []));
    for (const page of pages) expect(ALL_ROOMS.map((r) => r.path)).toContain(page);
  });
});
