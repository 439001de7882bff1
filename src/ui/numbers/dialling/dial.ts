/** The dial plan of a system, with who has which extension. */
import { dialGroups, digitMapOf, ExtensionIndex, type DialGroup, type DigitMap } from '$core/numbering';
import { emergencyAnywhere } from '$core/calls';
import { extensionsInUse, type System } from '$core/system';

export interface OwnDialPlan {
  map: DigitMap;
  /** The entries of the map by what they are for. */
  groups: DialGroup[];
  index: ExtensionIndex;
}

export function dialPlanOf(system: System): OwnDialPlan {
  const business = { ...system.business, emergency: emergencyAnywhere(system) };
  const taken = extensionsInUse(system);
  const codes = Object.values(system.shortcuts).flatMap((s) => s.code ?? []);
  const extensions = [...taken.map((t) => t.extension), ...codes];
  return {
    map: digitMapOf(business, extensions),
    groups: dialGroups(business, extensions),
    index: new ExtensionIndex(taken),
  };
}
