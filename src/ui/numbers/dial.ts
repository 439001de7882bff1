/** The dial plan of a system, with who has which extension. */
import { dialGroups, digitMapOf, ExtensionIndex, type DialGroup, type DigitMap } from '$core/numbering';
import type { System } from '$core/system';

export interface OwnDialPlan {
  map: DigitMap;
  /** The entries of the map by what they are for. */
  groups: DialGroup[];
  index: ExtensionIndex;
}

export function dialPlanOf({ business, people }: Pick<System, 'business' | 'people'>): OwnDialPlan {
  const taken = Object.values(people).map((p) => ({ extension: p.extension, who: p.name }));
  const extensions = taken.map((t) => t.extension);
  return {
    map: digitMapOf(business, extensions),
    groups: dialGroups(business, extensions),
    index: new ExtensionIndex(taken),
  };
}
