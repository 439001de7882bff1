export { MOST_CARDS, readCards, writeCards, type Card, type CardPicture } from './cards';
export { readContactTable, writeContactTable } from './table';
export { asJCards, fromJCards, isJson } from './json';
export { previewCards, type CardRow } from './preview';
