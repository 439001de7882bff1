/** Making accounts from a page. */
import { makeAccounts, type AccountWanted } from '$workspace';
import type { AccountDetails } from '$standins/registrar/accounts';
import { randomBytes } from '../fresh';
import { dialPlanOf } from '../numbers/dialling/dial';
import { theBusiness } from '../window/session.svelte';

/** Makes accounts, or new passwords; what they are is in what comes back and nowhere else. */
export const makeThem = (wanted: readonly AccountWanted[]): Promise<AccountDetails[]> =>
  makeAccounts(theBusiness().workspace, wanted, String(dialPlanOf(theBusiness().system).map), randomBytes);
