/** The edits of recordings, as commands with their words. */
import { replaceCommands, usesOf } from '$core/answering';
import type { Recording } from '$core/system';
import { freshId } from '../ids';
import { theBusiness } from '../window/session.svelte';

/** Other words: a sound that the machine spoke no longer says them, and goes; one that somebody recorded stays. */
export const wordsChange = (recording: Recording, text: string): Partial<Recording> => ({
  text,
  ...(recording.sound?.made === 'spoken' ? { sound: null } : {}),
});

export const setRecording = (
  recording: Recording,
  change: Partial<Omit<Recording, 'id'>>,
  words: string,
): string | undefined => theBusiness().keep(words, [{ do: 'recording.set', id: recording.id, change }]);

/** Makes a recording without a sound. @returns its id */
export function addRecording(name: string, text: string): string {
  const id = freshId('recording');
  theBusiness().edit(`Make the recording ${name}`, [{ do: 'recording.add', value: { id, name, text } }]);
  return id;
}

export function removeRecording(recording: Recording): void {
  const uses = usesOf(theBusiness().system, recording.id);
  const left = uses.length ? ` (was heard: ${uses.map((u) => u.words).join(', ')})` : '';
  theBusiness().edit(
    `Remove the recording ${recording.name}${left}`,
    [{ do: 'recording.remove', id: recording.id }],
    {
      withNotice: true,
    },
  );
}

/** Puts another recording in place of one wherever it is heard. */
export function replaceEverywhere(recording: Recording, by: Recording): void {
  theBusiness().edit(
    `${by.name} is heard in place of ${recording.name} everywhere`,
    replaceCommands(theBusiness().system, recording.id, by.id),
    { withNotice: true },
  );
}
