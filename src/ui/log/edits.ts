/** What is done from the log: a note, calling back that is done, a number that becomes a contact. */
import type { Entry } from '$core/story';
import { markAnswered } from '../messages/answering';
import { theBusiness } from '../window/session.svelte';

export async function note({ id, message, call }: Entry, text: string): Promise<void> {
  const store = call ? 'calls' : 'messages';
  const value = text.trim() || undefined;
  const { workspace } = theBusiness();
  const back = await workspace.change(store, [id], { note: value }, 'A note');
  theBusiness().did(message && !call ? 'A note to the message' : 'A note to the call', back);
}

export const sayDone = ({ id, call, message, who }: Entry): Promise<void> =>
  markAnswered(message ? [id] : [], call ? [id] : [], `Done: ${who}`);
