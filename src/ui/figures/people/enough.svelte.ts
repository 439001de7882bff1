/** A question of enough people while it is worked out: the weeks as it is, and those after a change. */
import {
  deskOf,
  desksOf,
  hoursOf,
  tooFewAt,
  windowSaid,
  type Change,
  type Desk,
  type Goal,
  type Tried,
  type Week,
  type Window,
} from '$core/staffing';
import type { Setup } from '../../../workers/load.worker';
import { Crew } from './crew';

/** So many more people are tried at most. */
const MOST_MORE = 4;
/** More windows are named, and not looked into. */
const LOOKED_INTO = 3;

export interface WindowFound {
  window: Window;
  desk: Desk | undefined;
  said: { short: number | null; words: string };
}

export class Enough {
  /** As it is. */
  weeks = $state.raw<readonly Week[]>([]);
  /** After the change that is asked for. */
  after = $state.raw<readonly Week[]>([]);
  windows = $state.raw<readonly WindowFound[]>([]);
  /** What is worked out now, in words; empty is nothing. */
  doing = $state('');
  done = $state(0);
  of = $state(0);
  problem = $state('');
  /** It was stopped before it was through. */
  stopped = $state(false);
  private crew = new Crew();
  private count = 0;

  /** Runs a usual week so many times as it is, and then with more people where they are too few. @param deskName what a step is called */
  async run(setup: Setup, count: number, goal: Goal, deskName: (desk: Desk) => string): Promise<void> {
    this.weeks = this.after = this.windows = [];
    this.count = count;
    await this.work(async () => {
      const base = await this.through(
        'The week as it is',
        setup,
        { what: 'nothing' },
        (w) => (this.weeks = w),
      );
      if (!base) return;
      const windows = tooFewAt(base, goal);
      const desks = desksOf(setup.system);
      for (const window of windows.slice(0, LOOKED_INTO)) {
        const stepId = deskOf(base, hoursOf(window));
        const desk = desks.find((d) => d.stepId === stepId);
        const likeId = desk?.personIds[0];
        const tried: Tried[] = [];
        const name = desk ? deskName(desk) : '';
        let said = windowSaid(window, base, tried, goal, name);
        for (let people = 1; likeId && people <= MOST_MORE && said.short === null; people++) {
          const weeks = await this.through(
            `With ${people} more at ${name}`,
            setup,
            { what: 'more', likeId, people },
            () => {},
          );
          if (!weeks) return;
          tried.push({ people, weeks });
          said = windowSaid(window, base, tried, goal, name);
        }
        this.windows = [...this.windows, { window, desk, said }];
      }
      this.windows = [
        ...this.windows,
        ...windows.slice(LOOKED_INTO).map((window) => ({
          window,
          desk: undefined,
          said: windowSaid(window, base, [], goal, ''),
        })),
      ];
    });
  }

  /** Runs the same weeks after a change. @param setup also of another system */
  async whatIf(setup: Setup, words: string): Promise<void> {
    this.after = [];
    await this.work(async () => {
      await this.through(words, setup, setup.change, (w) => (this.after = w));
    });
  }

  private async work(what: () => Promise<void>): Promise<void> {
    this.problem = '';
    this.stopped = false;
    try {
      await what();
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
    } finally {
      this.doing = '';
    }
  }
  private async through(
    words: string,
    setup: Setup,
    change: Change,
    told: (weeks: readonly Week[]) => void,
  ): Promise<Week[] | null> {
    this.doing = words;
    this.done = 0;
    this.of = this.count;
    const weeks = await this.crew.run({ ...setup, change }, this.count, (some) => {
      this.done = some.length;
      told(some);
    });
    if (weeks) told(weeks);
    return weeks;
  }

  /** What there is so far stays. */
  stop(): void {
    if (!this.doing) return;
    this.stopped = true;
    this.crew.stop();
  }
  close(): void {
    this.crew.stop();
  }
}
