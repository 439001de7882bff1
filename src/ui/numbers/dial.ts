/** The dial plan of a system, with who has which extension. */
import { digitMapOf, ExtensionIndex, type DigitMap } from '$core/numbering';
import type { System } from '$core/system';

export interface OwnDialPlan {
  map: DigitMap;
  index: ExtensionIndex;
}

export function dialPlanOf({ business, people }: Pick<System, 'business' | 'people'>): OwnDialPlan {
  const taken = Object.values(people).map((p) => ({ extension: p.extension, who: p.name }));
  return {
    map: digitMapOf(
      business,
      taken.map((t) => t.extension),
    ),
    index: new ExtensionIndex(taken),
  };
}
