/** Boards of one's own, by business. */
import { Boards } from '../../core/traffic';
import { keptList } from './kept-list';

export const { read: readBoards, change: changeBoards } = keptList((id) => `boards:${id}`, Boards);
