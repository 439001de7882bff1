export { madeCheaper, MOST_PARTS, partsOf, type Parts } from './parts';
