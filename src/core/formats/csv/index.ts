export { decodeCsv, MOST_ROWS } from './decode';
export { previewCsv, writeCsv, type CsvKind, type CsvPreview } from './preview';
export type { RowPreview } from './sheet';
