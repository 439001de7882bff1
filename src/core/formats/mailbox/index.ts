export { mailboxFolder, type MessageToExport } from './write';
