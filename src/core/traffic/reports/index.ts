/** The questions people ask of what went on. */
import type { Figure } from '../figures';
import { cost } from './cost';
import { earnsItsPlace } from './earns';
import { howMany } from './how-many';
import { missed } from './missed';
import type { Asked, Report, ReportId } from './report';
import { tooFew } from './too-few';
import { waits } from './waits';
import { wants } from './wants';
import { who } from './who';

const REPORTS: Record<ReportId, (asked: Asked) => Report> = {
  'how many': howMany,
  missed,
  waits,
  who,
  'earns its place': earnsItsPlace,
  'too few': tooFew,
  cost,
  wants,
};

/** @param before the same of the span it is compared with */
export function reportOf(id: ReportId, asked: Asked, before: Asked | null = null): Report {
  const report = REPORTS[id](asked);
  if (!before) return report;
  const then = new Map(REPORTS[id](before).figures.map((f) => [f.measure, f.value]));
  return {
    ...report,
    figures: report.figures.map((f): Figure => ({ ...f, before: then.get(f.measure) ?? null })),
  };
}
export * from './report';
