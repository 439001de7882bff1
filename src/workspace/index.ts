export * from './stored/records';
export { openDatabase, dumpDatabase, DB_NAME, NewerData, type Db } from './stored/db';
export { Changes, type Change } from './stored/sync';
export { isClosed, NotStored, within, type StorageState, type Why } from './stored/store';
export { emptyWhole, mend, readWhole, remember, wholeOf, writeWhole, Whole, type WayOn } from './businesses';
export { copyIsDue, readCopyPlace, revisionOf, writeCopyPlace } from './keeping/copy';
export { Damaged, sorted } from './stored/damage';
export { readAgain, readMany, readNear, readOne } from './stored/reading';
export { LOGGED } from './log/journal';
export { KeptLog, type EntryRecords } from './log/kept-log';
export { callsUpTo, NEAR_DAYS } from './stored/near';
export { readRecord, takeStep, type DraftState, type Stepped } from './draft';
export { fileSchema, readFile, type FileRead } from './file/read';
export { TooLarge, writeFile } from './file/write';
export { changeLetter, tellOfChanges } from './tell';
export {
  businessNumber,
  invite,
  letterFor,
  withdraw,
  type Fresh,
  type Guest,
  type Invited,
} from './phones/invite';
export { isOutsideOf, pair, type Paired, type PairedAs } from './phones/pair';
export {
  accountsOf,
  makeAccounts,
  phoneOf,
  putPhones,
  registerDesk,
  signOut,
  type AccountWanted,
} from './phones/phones';
export { dropRecordings } from './keeping/call-sounds';
export { addRemark, changeBack, changeRecords, dropRemark } from './changing';
export { settable, storeSettings, storeStanding } from './standing';

export { businessNames, clockOf, type BusinessName, type View } from './view';
export { Workspace, type Done, type Opened } from './workspace';
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
  type Answer,
} from './carrier/carrier';
export {
  askForTexting,
  callOff,
  changeThread,
  type ThreadChanged,
  enterWish,
  receiveText,
  sendText,
  type Sent,
} from './texting/acts';
export { keepPapers, readFaxHabits, receiveFax, sendFax, writeFaxHabits, type Papers } from './faxes';
export { keepFile, type FileKept } from './texting/files';
export { putLeaving, readTextHabits, sendDue, writeTextHabits } from './texting/kept';
export { raise } from './by-itself/raise';
export { carryDue } from './by-itself/carry';
export { raiseWithoutCall } from './by-itself/without-call';
export { hookSecret, readHookBook, setHookHabit } from './by-itself/hooks';
export { doAgain, setTags, withdrawErrands } from './by-itself/acts';
export { changeMeeting, dialOf, hearReply, planMeeting, wayIn } from './by-itself/meetings';
export { askCallBack, bookVisit, type Keeper, type Visitor } from './by-itself/visits';
export { stoppedIn } from './texting/kept';
export { codeWords, giveBack, keepBooking, type Wanted } from './by-itself/booked';
export { askedOf, bookFor, calendarContext, setBooking, takeFromCalendar } from './by-itself/bookings';
export { changeCallList, endCall, makeCallList, putBack, takeNext } from './by-itself/call-lists';
export { changeRound, startRound } from './by-itself/rounds';
export { addTask, changeTask, dropTask } from './by-itself/tasks';
export { soldTo } from './carrier/side';
export { readHabits, writeHabits } from './outside';
export { forget } from './keeping/forget';
export { seen, writeTo, type ToCircle } from './circles';
export type { Place } from './place';
export { deleteEntries, type Ids } from './keeping/upkeep';
export { dropPast, forgetLaid, storePast, wasLaid } from './keeping/past';
export { changeViews, MOST_VIEWS, readViews, type SavedViews } from './lists/views';
export { changeBoards, readBoards } from './lists/boards';
export { changeLoadPromises, readLoadPromises } from './lists/load-promises';
export {
  hashOf,
  NoRoom,
  readBytes,
  readSound,
  storeBytes,
  storeSound,
  sweepBytes,
} from './keeping/kept-bytes';
export {
  devicesIn,
  exchangeKeys,
  freshSecret,
  join,
  keysIn,
  linkOf,
  visitLinkOf,
  visitTokenOf,
  mayComeBy,
  sawDevice,
  sayOfDevice,
  type DeviceWord,
  type Joining,
} from './phones/devices';
export { besideOf, letGoOfKeys, movedKey, movedOf, putAround, readCalls, rest } from './keeping/moving';
export type { Moved } from './stored/db';
export type { Device, DeviceRecord, ExchangeKeys } from './stored/records';
