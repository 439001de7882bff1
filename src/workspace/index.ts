export * from './records';
export { openDatabase, dumpDatabase, DB_NAME, NewerData, type Db } from './db';
export { Changes, whileWriting, type Change } from './sync';
export { emptyWhole, readWhole, wholeOf, writeWhole, Whole } from './businesses';
export { readRecord, takeStep, type DraftState, type Stepped } from './draft';
export { fileSchema, LARGEST_FILE, readFile, writeFile } from './file';
export { businessNumber, invite, letterFor, withdraw, type Fresh, type Guest, type Invited } from './invite';
export { isOutsideOf, pair, type Device, type Paired } from './pair';
export {
  accountsOf,
  makeAccounts,
  phoneOf,
  putPhones,
  registerDesk,
  signOut,
  type AccountWanted,
} from './phones';
export { settable, storeSettings, storeStanding } from './standing';
export { businessNames, clockOf, type BusinessName, type View } from './view';
export { Workspace, type Opened } from './workspace';
export {
  cancelPort,
  dropNumbers,
  giveCode,
  orderNumbers,
  proveByCode,
  referCallers,
  resendPort,
  reserveNumbers,
  submitPort,
  type Done,
} from './carrier';
export { askForTexting, receiveText, sendText } from './texting';
export { soldTo } from './side';
export { NoRoom, readSound, storeSound, sweepSounds } from './sounds';
