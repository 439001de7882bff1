export { everyWay, piecesOf, unansweredCall, type CallAt, type Piece } from './pieces';
export { plansFrom } from './changes';
export { compressed, type Scale } from './scale';
export { coverageRows, secondsUntilRung, secondsUntilVoicemail } from './reach';
export { endsWell, firstRung, type Glance } from './first';
export { differenceOf, laterDifferences, spansInWords, type Difference } from './difference';
export { weekInWords, type WayOfTheWeek } from './week';
