/** Questions of the rehearsal page: what calls they ask about, and that a link asks the same. */
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import { asLink, freshQuestion, fromLink, keysUnheard, requestsOf, type Question } from './question';

const number = demoSystem().numbers['n-main']!;
const question: Question = {
  ...freshQuestion('+12065550187'),
  numberId: 'n-main',
  people: { rosa: { does: 'answers', after: 4 } },
  keys: [{ after: 2, press: '1#' }],
  says: { Name: 'Ada & "Bo" <x>' },
  patience: 40,
  calls: 3,
  apart: 20,
  seed: 7,
};

describe('a question', () => {
  it('asks about so many calls, so many seconds apart, from now or from its moment', () => {
    expect(requestsOf(question, number, 1000).map((r) => [r.id, r.at])).toEqual([
      ['call-1', 1000],
      ['call-2', 21_000],
      ['call-3', 41_000],
    ]);
    expect(requestsOf({ ...question, at: 5000 }, number, 1000)[0]!.at).toBe(5000);
  });
  it('carries how everybody behaves, and hides an empty number', () => {
    const [request] = requestsOf({ ...question, suspected: true }, number, 0);
    expect(request!.from).toEqual({ kind: 'outside', number: '+12065550187', suspected: true });
    expect(request!.behaviour).toMatchObject({
      people: question.people,
      caller: { keys: question.keys, says: question.says, hangsUpAfter: 40 },
    });
    expect(requestsOf({ ...question, caller: '' }, number, 0)[0]!.from).toEqual({
      kind: 'outside',
      number: null,
    });
  });
  it('says of keys which are none, and which nothing listens to', () => {
    const key = (press: string) => ({ after: 2, press });
    const trace = [
      { t: 0, kind: 'key', key: '1' },
      { t: 0, kind: 'key', key: '9' },
    ] as const;
    expect(keysUnheard([key('1'), key('9')], [...trace])).toEqual([null, null]);
    expect(keysUnheard([key('12'), key('9'), key('3')], [...trace])).toEqual([
      'Nothing on this way listens to 2.',
      null,
      'Nothing on this way listens to 3.',
    ]);
    expect(keysUnheard([key('1x')], [...trace])).toEqual([
      'A phone has the keys 0 to 9, * and #: “x” is none.',
    ]);
  });
  it('is asked again by its link, and by no other', () => {
    const link = new URL(`http://x.example/answering/rehearsal${asLink(question)}`);
    expect(fromLink(link.searchParams.get('ask'))).toEqual(question);
    for (const bad of [null, '', '{', '{}', '{"calls":99}']) expect(fromLink(bad)).toBeUndefined();
  });
});
