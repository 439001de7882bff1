/** What a tile shows, worked out of the log. */
import { localTime } from '$core/hours';
import { DEFINITIONS, filterOf, spanOf, USUAL_RULES, type Report, type Tile } from '$core/traffic';
import { RATES } from '$standins/carrier/prices';
import type { OpenBusiness } from '../../window/open-business.svelte';
import { QUESTION_WORDS } from '../questions';

/** @param people to whose calls it is narrowed; null is everybody's @returns null where nothing can be read */
export function reportOfTile(
  business: OpenBusiness,
  tile: Tile,
  people: readonly string[] | null,
): Promise<Report | null> {
  const today = localTime(business.zone, business.now).date;
  return business.logbook.report({
    id: tile.of,
    span: spanOf(tile.span, today),
    compare: tile.show === 'figure' ? 'the span before' : 'nothing',
    filter: filterOf(tile),
    rules: USUAL_RULES,
    people: people && [...people],
    rates: RATES,
    now: business.now,
    alone: true,
  });
}

export const figureOf = (report: Report, tile: Tile) =>
  report.figures.find((f) => f.measure === tile.measure) ?? report.figures[0];

/** What a tile is called. @param line the label of its line; empty is all */
export const titleOfTile = (tile: Tile, line: string): string =>
  [tile.show === 'figure' && tile.measure ? tile.measure : QUESTION_WORDS[tile.of], tile.span, line]
    .filter(Boolean)
    .join(' · ');

export const unitOf = (tile: Tile) => (tile.measure ? DEFINITIONS[tile.measure].unit : 'calls');
