export {
  byName,
  directNumbersOf,
  directory,
  familyOf,
  mayLook,
  type DirectoryEntry,
  type Looker,
} from './directory';
export { FORWARDS, readTarget, targetInWords, targetProblem, type TargetRead } from './forward';
export { joiningCommands, type Joining } from './joining';
export { leavingCommands, leftBehind, type Handover, type LeftBehind } from './leaving';
export { ExtensionProposer, EXTENSION_RULES, type ExtensionRule } from './propose';
export { may, ROLE_ACTS, rolesThatMay, type Act } from './roles';
