/** A system made ready for calls: indexes and laid-out plans, worked out once for each version of it. */
import { layOut, spokenSeconds, type Route } from '../answering';
import type { NumberHeld, Phone, System } from '../system';

export interface World {
  system: System;
  routes: Map<string, Route>;
  phonesOf: Map<string, Phone[]>;
  numbers: Map<string, NumberHeld>;
  personWith: Map<string, string>;
  /** Milliseconds a recording takes to play. */
  promptMs: Map<string, number>;
}

const worlds = new WeakMap<System, World>();

/** The world of a system; the same object for the same system. */
export function worldOf(system: System): World {
  let world = worlds.get(system);
  if (!world) worlds.set(system, (world = build(system)));
  return world;
}

function build(system: System): World {
  const phonesOf = new Map<string, Phone[]>();
  for (const phone of Object.values(system.phones)) {
    if (!phone.personId) continue;
    const own = phonesOf.get(phone.personId);
    if (own) own.push(phone);
    else phonesOf.set(phone.personId, [phone]);
  }
  return {
    system,
    routes: new Map(Object.values(system.plans).map((p) => [p.id, layOut(p)])),
    phonesOf,
    numbers: new Map(Object.values(system.numbers).map((n) => [n.e164, n])),
    personWith: new Map(Object.values(system.people).map((p) => [p.extension, p.id])),
    promptMs: new Map(Object.values(system.recordings).map((r) => [r.id, spokenSeconds(r.text) * 1000])),
  };
}
