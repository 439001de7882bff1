/** Runs usual weeks through a system, off the page; several of these share the weeks among them. */
import { expose } from 'comlink';
import { changed, runWeek, weekOf, type Change, type Traffic, type Week } from '../core/staffing';
import type { Standing, System } from '../core/system';
import type { Rules } from '../core/traffic';

/** What is run. */
export interface Setup {
  system: System;
  /** As phones were paired. */
  standing: Standing;
  change: Change;
  traffic: Traffic;
  /** ISO date. */
  monday: string;
  seed: number;
  rules: Rules;
  /** So many times as many callers. */
  more: number;
  /** Only these days of the week, by ISO; absent is all of them. */
  days?: readonly number[];
}

let setup: Setup | undefined;
let made: ReturnType<typeof changed> | undefined;

const load = {
  /** @throws Error in words, where what the change is of is no longer there */
  prepare(next: Setup): void {
    setup = next;
    made = changed(next.system, next.standing, next.change);
  },
  /** The weeks from one on. @param count how many */
  weeks(from: number, count: number): Week[] {
    const { traffic, monday, seed, rules, more, days } = setup!;
    const { system, standing } = made!;
    return Array.from({ length: count }, (_, i) =>
      runWeek(system, standing, weekOf(traffic, system, monday, seed, from + i, more, days), rules),
    );
  },
};
export type LoadWorker = typeof load;
expose(load);
