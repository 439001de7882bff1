/** Letters on the keypad, and words that digits spell. */

/** ITU-T E.161, layout of letters on the keys 2 to 9. */
const KEYS = ['', '', 'ABC', 'DEF', 'GHI', 'JKL', 'MNO', 'PQRS', 'TUV', 'WXYZ'];
const DIGIT = new Map(KEYS.flatMap((letters, key) => [...letters].map((l) => [l, String(key)] as const)));

/** The digits somebody presses to spell a text; undefined where it has a letter no key carries. Digits stay. */
export function keypadDigits(text: string): string | undefined {
  let digits = '';
  for (const c of text.toUpperCase()) {
    const digit = /\d/.test(c) ? c : DIGIT.get(c);
    if (digit === undefined) return undefined;
    digits += digit;
  }
  return digits;
}

/** Words people like on a van or a sign. Our own choice; short ones that digits often spell. */
const WORDS =
  'BOAT SAIL SHIP DOCK PORT YARD SLIP MAST KEEL DECK HULL HELM CREW TIDE WAVE WIND COVE BAY SEA FISH DIVE SURF ROPE KNOT ' +
  'CALL HELP HOME CARE FAST EASY SAFE GOOD BEST OPEN SHOP SALE RENT TAXI FOOD CAFE CAKE WINE BEER COOK CHEF BAKE MEAL ' +
  'TREE WOOD TOOL WORK MOVE TRUCK TOW TIRE AUTO CARS BIKE RIDE ROAD PARK GARDEN LAWN FARM BARN PETS VET DOGS CATS ' +
  'DESK BOOK PLAN TAX LAW BANK CASH LOAN DEAL SAVE GIFT PLAY GAME GOLF SPA GYM YOGA DANCE MUSIC ART PAINT PHOTO FILM ' +
  'ROOF DOOR FLOOR TILE PIPE PLUMB HEAT COOL POWER LIGHT FIX CLEAN WASH PEST BUILD LIFT SIGN HAIR NAILS DENTAL SMILE EYES';
const BY_DIGITS = new Map<string, string>();
for (const word of WORDS.split(' ')) {
  const digits = keypadDigits(word)!;
  if (!BY_DIGITS.has(digits)) BY_DIGITS.set(digits, word);
}
const LONGEST = Math.max(...[...BY_DIGITS.keys()].map((d) => d.length));

/**
 * The longest word that digits spell, the later one of two as long, or undefined.
 * @param own further words, such as the name of the business; capital letters
 */
export function wordIn(
  digits: string,
  own: ReadonlyMap<string, string> = new Map(),
): { word: string; at: number } | undefined {
  for (let length = Math.min(LONGEST + 3, digits.length); length >= 3; length--)
    for (let at = digits.length - length; at >= 0; at--) {
      const part = digits.slice(at, at + length);
      const word = own.get(part) ?? BY_DIGITS.get(part);
      if (word) return { word, at };
    }
  return undefined;
}
