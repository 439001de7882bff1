/** Rehearsals a second on the demonstration, beside a bare event loop with the same heap. */
import TinyQueue from 'tinyqueue';
import { demonstration } from '../demo/lantern-cove';
import { Behaviour, rehearse, type CallRequest } from '../src/core/calls';
import { asPaired } from '../src/core/system';

const TEN = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(TEN);
const system = whole.draft.system;
const standing = asPaired(whole.standing.standing);
const people = Object.keys(system.people);

/** A spread of calls: every number, all hours of a week, answered, declined and left to ring. */
const requests = Array.from({ length: 1008 }, (_, i): CallRequest => {
  const number = Object.values(system.numbers)[i % 6]!;
  const who = people[i % people.length]!;
  const act = [{ does: 'answers', after: i % 17 }, { does: 'declines', after: i % 9 }, { does: 'nothing' }][
    i % 3
  ];
  return {
    id: 'call',
    at: TEN + i * 600_000,
    from: { kind: 'outside', number: null },
    to: { kind: 'number', e164: number.e164 },
    behaviour: Behaviour.parse({ people: { [who]: act } }),
  };
});

/** The best of several rounds, in runs a second: the machine is shared. */
function perSecond(runs: number, work: () => void): number {
  let best = 0;
  for (let round = 0; round < 7; round++) {
    const from = performance.now();
    work();
    best = Math.max(best, (runs * 1000) / (performance.now() - from));
  }
  return best;
}

let events = 0;
for (const r of requests) events += rehearse(system, standing, r).length;
const rehearsals = perSecond(20 * requests.length, () => {
  for (let k = 0; k < 20; k++) for (const r of requests) rehearse(system, standing, r);
});
const bare = perSecond(500_000, () => {
  const queue = new TinyQueue<{ t: number }>([], (a, b) => a.t - b.t);
  for (let i = 0; i < 100; i++) queue.push({ t: i });
  for (let i = 0; i < 500_000; i++) queue.push({ t: queue.pop()!.t + 100 });
});
const each = events / requests.length;
console.log(
  `rehearsals a second, one core: ${Math.round(rehearsals).toLocaleString('en')} (${each.toFixed(1)} trace events each)`,
);
console.log(`bare event loop with a heap, events a second: ${Math.round(bare).toLocaleString('en')}`);
console.log(`trace events a second as a share of bare events: ${((rehearsals * each) / bare).toFixed(2)}`);
