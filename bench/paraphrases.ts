/**
 * Questions as a business would write them, each with other ways in which people ask the same, put down before the finder was
 * tried with them; and what nobody has an answer to. Invented for this bench.
 */
export const ASKED: readonly [question: string, ...paraphrases: string[]][] = [
  ['When are you open?', 'what are your opening times', 'how late can I come by today'],
  ['Where are you?', 'whats the address', 'how do I find you'],
  [
    'What does winter storage cost?',
    'price for storing over winter',
    'how much to keep my boat with you this winter',
  ],
  ['Can I pay by card?', 'do you accept credit cards', 'is cash only'],
  ['Do you repair engines?', 'my engine needs fixing do you do that', 'enigne repairs'],
  ['How long does a repair take?', 'when would the repair be finished', 'how many days for a repair'],
  ['Do you have a guest berth?', 'is there a berth for visitors', 'can I moor for one night'],
  ['Is there parking?', 'where can I park', 'room for a car and trailer'],
  ['Do you sell fuel?', 'can I fill up diesel', 'where do I get fuel'],
  ['Do you rent boats?', 'boat rental', 'I would like to hire a small boat'],
  ['Do you give sailing lessons?', 'can I learn sailing with you', 'sailling course for beginners'],
  ['Do you lift boats out of the water?', 'can you haul out my boat', 'lift out'],
  ['How heavy can a boat be for your crane?', 'whats the limit of the crane', 'max weight crane'],
  ['Do you paint hulls?', 'hull painting', 'could you paint my boats hull'],
  ['Do you buy used boats?', 'I want to sell my boat', 'do you take used boats in exchange'],
  ['Do you sell used boats?', 'used boats for sale', 'are there second hand boats'],
  ['Can I bring my dog?', 'are dogs allowed', 'is my dog welcome'],
  ['Is there drinking water on the pier?', 'water tap on the pier', 'where can I get drinking water'],
  ['Is there electricity on the pier?', 'shore power', 'do you have electricty at the pier'],
  ['Are there showers?', 'can I take a shower', 'shower for guests'],
  ['How do I cancel a booking?', 'I need to cancel my booking', 'cancelling a reservation'],
  ['Do you ship parts?', 'can you send me a spare part', 'shipping of parts abroad'],
  ['Do you have propellers?', 'looking for a propeller', 'propellor in stock'],
  ['What is the warranty on repairs?', 'how long is the warranty', 'guarantee on your work'],
  ['Do you service outboards?', 'outboard motor service', 'service for my outbord'],
  ['Can I work on my boat in the yard?', 'may I do my own work in the yard', 'working on my boat myself'],
  ['Do you insure boats in storage?', 'is my boat insured in storage', 'insurance during storage'],
  ['How do I get my invoice again?', 'I lost my invoice', 'send the invoice once more'],
  ['Who owns the yard?', 'who is the owner', 'owner of the yard'],
  ['Are you hiring?', 'do you have a job for me', 'any vacancies for apprentices'],
];
export const UNKNOWN: readonly string[] = [
  'is the ferry late today',
  'my daughter left her jacket',
  'can I speak with the accountant',
  'what is the weather tomorrow',
  'do you know a good restaurant',
  'the alarm rings since an hour',
  'I have a complaint',
  'did you receive my letter',
  'happy birthday',
  'wrong number sorry',
];
/** What stands between them: spare parts, so many that 500 answers are full. */
export const filler = (n: number): string =>
  `Do you have ${['brass', 'steel', 'nylon', 'rubber', 'bronze'][n % 5]} ${['shackles', 'cleats', 'blocks', 'winches', 'hinges', 'valves', 'clamps', 'anodes', 'seals', 'hoses'][Math.floor(n / 5) % 10]} number ${n + 100}?`;
