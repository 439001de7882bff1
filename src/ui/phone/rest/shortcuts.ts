/** One's own shortcuts: what there are, and setting them. */
import type { Shortcut, ShortcutTarget } from '$core/system';
import { freshId } from '../../ids';
import type { Send } from '../../reach/settings.svelte';
import type { Here } from '../../window/here';

export const ownShortcuts = ({ standing }: Pick<Here, 'standing'>, personId: string): readonly Shortcut[] =>
  standing.shortcuts?.[personId]?.value ?? [];

export const setShortcuts = (send: Send, personId: string, shortcuts: Shortcut[]): ReturnType<Send> =>
  send('Your shortcuts', [{ kind: 'own shortcuts', personId, shortcuts }]);

const same = (a: ShortcutTarget, b: ShortcutTarget): boolean =>
  (a.kind === 'contact' && b.kind === 'contact' && a.contactId === b.contactId) ||
  (a.kind === 'person' && b.kind === 'person' && a.personId === b.personId) ||
  (a.kind === 'number' && b.kind === 'number' && a.number === b.number);

export const isShortcut = (own: readonly Shortcut[], target: ShortcutTarget): boolean =>
  own.some((s) => same(s.target, target));

/** With somebody among them, or without. */
export const toggled = (own: readonly Shortcut[], target: ShortcutTarget): Shortcut[] =>
  isShortcut(own, target)
    ? own.filter((s) => !same(s.target, target))
    : [...own, { id: freshId('shortcut'), code: null, group: '', target }];
