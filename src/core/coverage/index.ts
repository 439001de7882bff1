export { piecesOf, unansweredCall, type Piece } from './pieces';
export { endsWell, firstRung, type Glance } from './first';
export { differenceOf, spansInWords, type Difference } from './difference';
export { weekInWords, type WayOfTheWeek } from './week';
