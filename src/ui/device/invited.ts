/** Whether an invitation is of a business of this browser. */
import { openDB } from 'idb';
import { DB_NAME } from '$workspace';

/** Looks without making a database where there is none. */
export async function isInvitedHere(invitationId: string): Promise<boolean> {
  const all = (await indexedDB.databases?.()) ?? [];
  if (!all.some((d) => d.name === DB_NAME)) return false;
  const db = await openDB(DB_NAME);
  try {
    return (
      db.objectStoreNames.contains('invitations') && (await db.get('invitations', invitationId)) !== undefined
    );
  } finally {
    db.close();
  }
}
