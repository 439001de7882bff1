/** The worker that works out coverage, promises and differences of a year. */
import type { CoverageWorker } from '../../workers/coverage.worker';
import { Latest } from '../latest';

export class CoverageClient extends Latest<CoverageWorker> {
  constructor() {
    super(() => new Worker(new URL('../../workers/coverage.worker.ts', import.meta.url), { type: 'module' }));
  }
}
