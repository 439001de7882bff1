export { FIELDS, guessColumns, type Field, type PeopleTable } from './columns';
export { previewPeople, type PeopleOptions, type PeoplePreview, type PersonRow } from './read';
export { isVcards, tableOf } from './table';
export { writePeopleCsv } from './write';
export { readVcards, writeVcards } from './vcard';
