/** A system made ready for calls: indexes and laid-out plans, worked out once for each version of it. */
import { layOut, recordingSeconds, type Route } from '../../answering';
import {
  accountsOn,
  extensionsInUse,
  type Contact,
  type ExtensionInUse,
  type NumberHeld,
  type Person,
  type Phone,
  type Queue,
  type RingTarget,
  type Standing,
  type System,
} from '../../system';
import type { Offer, Rung } from './rung';

export interface World {
  system: System;
  routes: Map<string, Route>;
  /** Phones that hold an account of somebody, their own before those they share. */
  phonesOf: Map<string, Phone[]>;
  queues: readonly Queue[];
  numbers: Map<string, NumberHeld>;
  /** What an extension leads to. */
  extensions: Map<string, ExtensionInUse>;
  /** Somebody lets through who calls again soon. */
  heedsAgain: boolean;
  /** Contacts by their numbers. */
  contacts: Map<string, Contact>;
  /** Ring targets taken apart, where they are the same for every caller at every moment. */
  rung: WeakMap<readonly RingTarget[], readonly Rung[]>;
  /** What is offered to those rung, where that is the same at every moment: none of them is ever away. */
  offers: WeakMap<readonly Rung[], readonly Offer[]>;
  /** Phones that nothing was said of, see `isPlain`. */
  plain: Map<Phone, Plain>;
  /** Milliseconds a recording takes to play. */
  promptMs: Map<string, number>;
}

/** Whether a phone rings whoever calls whenever, by what people have set and phones have told. */
export interface Plain {
  /** Of what it was worked out. */
  standing: Standing;
  person: Person | undefined;
  is: boolean;
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
  for (const phone of Object.values(system.phones))
    for (const id of accountsOn(phone)) {
      const own = phonesOf.get(id);
      if (!own) phonesOf.set(id, [phone]);
      else if (phone.personId === id) own.splice(own.filter((p) => p.personId === id).length, 0, phone);
      else own.push(phone);
    }
  return {
    system,
    routes: new Map(Object.values(system.plans).map((p) => [p.id, layOut(p)])),
    phonesOf,
    queues: Object.values(system.queues),
    numbers: new Map(Object.values(system.numbers).map((n) => [n.e164, n])),
    extensions: new Map(extensionsInUse(system).map((e) => [e.extension, e])),
    heedsAgain: Object.values(system.people).some((p) => p.exceptions?.again),
    contacts: new Map(Object.values(system.contacts).flatMap((c) => c.numbers.map((n) => [n, c]))),
    rung: new WeakMap(),
    plain: new Map(),
    offers: new WeakMap(),
    promptMs: new Map(
      Object.values(system.recordings).map((r) => [r.id, Math.round(recordingSeconds(r) * 1000)]),
    ),
  };
}
