export { changesByPerson, type ForWhom } from './for-whom';
export { peopleRung } from './rung';
export { FIELD_NAMES, type Part } from './fields';
export { byPart, netChanges, takenBack, withAlone, type FieldChange, type NetChange } from './net';
export type { StepChange } from './steps';
