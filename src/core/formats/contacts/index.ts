export { MOST_CARDS, readCards, writeCards, type Card } from './cards';
export { previewCards, type CardRow } from './preview';
