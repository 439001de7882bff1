/** The worker that works out coverage, promises and differences of a year. */
import type { CoverageWorker } from '../../workers/coverage.worker';
import { Latest } from '../asked/latest';
import { Newest } from '../asked/newest';

const start = () =>
  new Worker(new URL('../../workers/coverage.worker.ts', import.meta.url), { type: 'module' });

export class CoverageClient extends Latest<CoverageWorker> {
  constructor() {
    super(start);
  }
}
/** The same, where what was asked is worked out to its end before the next. */
export class CoverageAsked extends Newest<CoverageWorker> {
  constructor() {
    super(start);
  }
}
