/** Searches of the log that are kept under a name, by business. */
import { z } from 'zod';
import { SavedView } from '../../core/story';
import { keptList } from './kept-list';

/** More than so many are not kept. */
export const MOST_VIEWS = 50;
export const SavedViews = z.array(SavedView).max(MOST_VIEWS);
export type SavedViews = z.infer<typeof SavedViews>;

export const { read: readViews, change: changeViews } = keptList((id) => `views:${id}`, SavedViews);
